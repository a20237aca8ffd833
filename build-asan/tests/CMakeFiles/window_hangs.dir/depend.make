# Empty dependencies file for window_hangs.
# This may be replaced when dependencies are built.
