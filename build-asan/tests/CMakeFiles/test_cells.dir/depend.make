# Empty dependencies file for test_cells.
# This may be replaced when dependencies are built.
