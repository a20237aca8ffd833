# Empty dependencies file for test_faults.
# This may be replaced when dependencies are built.
