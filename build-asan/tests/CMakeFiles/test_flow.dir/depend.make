# Empty dependencies file for test_flow.
# This may be replaced when dependencies are built.
