# Empty dependencies file for example_menu.
# This may be replaced when dependencies are built.
