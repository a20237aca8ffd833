# Empty dependencies file for test_instruments.
# This may be replaced when dependencies are built.
