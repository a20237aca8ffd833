# Empty dependencies file for test_ways.
# This may be replaced when dependencies are built.
