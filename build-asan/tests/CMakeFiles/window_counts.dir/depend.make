# Empty dependencies file for window_counts.
# This may be replaced when dependencies are built.
