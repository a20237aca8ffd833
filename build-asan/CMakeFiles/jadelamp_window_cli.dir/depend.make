# Empty dependencies file for jadelamp_window_cli.
# This may be replaced when dependencies are built.
