# Empty dependencies file for test_examples.
# This may be replaced when dependencies are built.
