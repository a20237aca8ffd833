# Empty dependencies file for test_scrolls.
# This may be replaced when dependencies are built.
