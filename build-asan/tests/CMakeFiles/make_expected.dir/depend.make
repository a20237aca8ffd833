# Empty dependencies file for make_expected.
# This may be replaced when dependencies are built.
