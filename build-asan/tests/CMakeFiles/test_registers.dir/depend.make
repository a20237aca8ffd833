# Empty dependencies file for test_registers.
# This may be replaced when dependencies are built.
