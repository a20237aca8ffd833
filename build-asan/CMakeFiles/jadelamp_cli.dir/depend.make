# Empty dependencies file for jadelamp_cli.
# This may be replaced when dependencies are built.
