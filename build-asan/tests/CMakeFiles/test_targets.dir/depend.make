# Empty dependencies file for test_targets.
# This may be replaced when dependencies are built.
