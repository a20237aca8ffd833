# Empty dependencies file for test_stand.
# This may be replaced when dependencies are built.
