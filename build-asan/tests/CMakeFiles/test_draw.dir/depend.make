# Empty dependencies file for test_draw.
# This may be replaced when dependencies are built.
