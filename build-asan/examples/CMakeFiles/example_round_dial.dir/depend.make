# Empty dependencies file for example_round_dial.
# This may be replaced when dependencies are built.
