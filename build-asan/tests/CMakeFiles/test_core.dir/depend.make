# Empty dependencies file for test_core.
# This may be replaced when dependencies are built.
