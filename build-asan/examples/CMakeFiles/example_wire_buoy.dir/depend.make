# Empty dependencies file for example_wire_buoy.
# This may be replaced when dependencies are built.
