# Empty dependencies file for example_scan_lines.
# This may be replaced when dependencies are built.
