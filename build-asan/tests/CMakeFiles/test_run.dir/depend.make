# Empty dependencies file for test_run.
# This may be replaced when dependencies are built.
