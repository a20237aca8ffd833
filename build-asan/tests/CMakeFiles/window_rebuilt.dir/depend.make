# Empty dependencies file for window_rebuilt.
# This may be replaced when dependencies are built.
