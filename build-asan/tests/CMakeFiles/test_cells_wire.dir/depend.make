# Empty dependencies file for test_cells_wire.
# This may be replaced when dependencies are built.
