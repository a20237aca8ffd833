# Empty dependencies file for test_framings.
# This may be replaced when dependencies are built.
