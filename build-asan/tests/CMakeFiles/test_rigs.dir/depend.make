# Empty dependencies file for test_rigs.
# This may be replaced when dependencies are built.
