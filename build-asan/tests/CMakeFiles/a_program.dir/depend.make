# Empty dependencies file for a_program.
# This may be replaced when dependencies are built.
