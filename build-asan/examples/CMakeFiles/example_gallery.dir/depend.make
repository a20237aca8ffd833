# Empty dependencies file for example_gallery.
# This may be replaced when dependencies are built.
