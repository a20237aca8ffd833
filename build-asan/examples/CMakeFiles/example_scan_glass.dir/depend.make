# Empty dependencies file for example_scan_glass.
# This may be replaced when dependencies are built.
