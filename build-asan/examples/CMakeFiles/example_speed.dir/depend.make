# Empty dependencies file for example_speed.
# This may be replaced when dependencies are built.
