# Empty dependencies file for test_light.
# This may be replaced when dependencies are built.
