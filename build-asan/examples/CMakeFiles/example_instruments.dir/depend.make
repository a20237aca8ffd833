# Empty dependencies file for example_instruments.
# This may be replaced when dependencies are built.
