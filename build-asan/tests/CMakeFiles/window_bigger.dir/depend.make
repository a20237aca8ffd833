# Empty dependencies file for window_bigger.
# This may be replaced when dependencies are built.
