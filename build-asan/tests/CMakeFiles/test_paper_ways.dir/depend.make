# Empty dependencies file for test_paper_ways.
# This may be replaced when dependencies are built.
