# Empty dependencies file for test_mistakes.
# This may be replaced when dependencies are built.
