# Empty dependencies file for test_inputs.
# This may be replaced when dependencies are built.
