# Empty dependencies file for example_smooth.
# This may be replaced when dependencies are built.
