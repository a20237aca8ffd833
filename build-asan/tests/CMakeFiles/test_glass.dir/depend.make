# Empty dependencies file for test_glass.
# This may be replaced when dependencies are built.
