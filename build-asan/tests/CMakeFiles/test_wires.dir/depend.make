# Empty dependencies file for test_wires.
# This may be replaced when dependencies are built.
