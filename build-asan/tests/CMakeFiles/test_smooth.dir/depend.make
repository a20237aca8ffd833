# Empty dependencies file for test_smooth.
# This may be replaced when dependencies are built.
