# Empty dependencies file for test_bake.
# This may be replaced when dependencies are built.
