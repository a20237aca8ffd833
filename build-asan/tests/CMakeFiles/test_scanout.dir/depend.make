# Empty dependencies file for test_scanout.
# This may be replaced when dependencies are built.
