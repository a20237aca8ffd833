# Empty dependencies file for test_text.
# This may be replaced when dependencies are built.
