# Empty dependencies file for jadelamp_window.
# This may be replaced when dependencies are built.
