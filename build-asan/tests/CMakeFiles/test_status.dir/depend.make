# Empty dependencies file for test_status.
# This may be replaced when dependencies are built.
