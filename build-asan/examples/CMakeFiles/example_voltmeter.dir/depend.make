# Empty dependencies file for example_voltmeter.
# This may be replaced when dependencies are built.
