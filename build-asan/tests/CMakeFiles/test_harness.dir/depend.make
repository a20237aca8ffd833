# Empty dependencies file for test_harness.
# This may be replaced when dependencies are built.
