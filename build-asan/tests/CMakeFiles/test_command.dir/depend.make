# Empty dependencies file for test_command.
# This may be replaced when dependencies are built.
