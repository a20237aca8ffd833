# Empty dependencies file for example_lock_display.
# This may be replaced when dependencies are built.
