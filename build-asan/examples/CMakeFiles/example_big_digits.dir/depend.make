# Empty dependencies file for example_big_digits.
# This may be replaced when dependencies are built.
