# Empty dependencies file for test_transform.
# This may be replaced when dependencies are built.
