# Empty dependencies file for test_demo.
# This may be replaced when dependencies are built.
