# Empty dependencies file for test_seams.
# This may be replaced when dependencies are built.
