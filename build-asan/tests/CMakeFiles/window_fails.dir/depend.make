# Empty dependencies file for window_fails.
# This may be replaced when dependencies are built.
