# Empty dependencies file for example_strip_chart.
# This may be replaced when dependencies are built.
