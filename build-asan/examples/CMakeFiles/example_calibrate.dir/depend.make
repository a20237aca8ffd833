# Empty dependencies file for example_calibrate.
# This may be replaced when dependencies are built.
