# Empty dependencies file for example_standby.
# This may be replaced when dependencies are built.
