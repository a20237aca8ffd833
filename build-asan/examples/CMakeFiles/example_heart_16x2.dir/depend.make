# Empty dependencies file for example_heart_16x2.
# This may be replaced when dependencies are built.
