# Empty dependencies file for test_gauge.
# This may be replaced when dependencies are built.
