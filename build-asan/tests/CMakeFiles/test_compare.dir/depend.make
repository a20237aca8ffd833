# Empty dependencies file for test_compare.
# This may be replaced when dependencies are built.
