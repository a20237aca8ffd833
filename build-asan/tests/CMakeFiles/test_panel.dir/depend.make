# Empty dependencies file for test_panel.
# This may be replaced when dependencies are built.
