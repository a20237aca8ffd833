# Empty dependencies file for test_screens.
# This may be replaced when dependencies are built.
