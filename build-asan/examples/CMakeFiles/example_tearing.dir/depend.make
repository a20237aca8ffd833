# Empty dependencies file for example_tearing.
# This may be replaced when dependencies are built.
