# Empty dependencies file for example_bitmap_scroll.
# This may be replaced when dependencies are built.
