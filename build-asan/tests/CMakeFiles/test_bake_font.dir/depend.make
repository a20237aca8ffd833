# Empty dependencies file for test_bake_font.
# This may be replaced when dependencies are built.
