# Empty dependencies file for window_crashes.
# This may be replaced when dependencies are built.
