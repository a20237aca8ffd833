# Empty dependencies file for test_paper.
# This may be replaced when dependencies are built.
