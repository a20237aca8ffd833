# Empty dependencies file for window_exits.
# This may be replaced when dependencies are built.
