# Empty dependencies file for test_paper_glass.
# This may be replaced when dependencies are built.
