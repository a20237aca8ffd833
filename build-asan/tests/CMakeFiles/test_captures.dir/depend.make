# Empty dependencies file for test_captures.
# This may be replaced when dependencies are built.
