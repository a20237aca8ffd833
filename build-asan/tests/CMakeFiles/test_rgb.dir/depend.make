# Empty dependencies file for test_rgb.
# This may be replaced when dependencies are built.
