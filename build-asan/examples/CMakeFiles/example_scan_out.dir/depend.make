# Empty dependencies file for example_scan_out.
# This may be replaced when dependencies are built.
