# Empty dependencies file for example_quay_gauge.
# This may be replaced when dependencies are built.
