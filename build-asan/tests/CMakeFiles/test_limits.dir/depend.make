# Empty dependencies file for test_limits.
# This may be replaced when dependencies are built.
