# Empty dependencies file for test_color.
# This may be replaced when dependencies are built.
