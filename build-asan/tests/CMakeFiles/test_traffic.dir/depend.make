# Empty dependencies file for test_traffic.
# This may be replaced when dependencies are built.
