# Empty dependencies file for example_grey_dial.
# This may be replaced when dependencies are built.
