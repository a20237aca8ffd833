# Empty dependencies file for test_touch.
# This may be replaced when dependencies are built.
