# Empty dependencies file for example_paint.
# This may be replaced when dependencies are built.
