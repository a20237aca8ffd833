# Empty dependencies file for example_wind_dial.
# This may be replaced when dependencies are built.
