# Empty dependencies file for test_print.
# This may be replaced when dependencies are built.
