# Empty dependencies file for example_tide_curve.
# This may be replaced when dependencies are built.
