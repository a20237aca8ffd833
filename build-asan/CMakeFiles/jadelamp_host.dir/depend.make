# Empty dependencies file for jadelamp_host.
# This may be replaced when dependencies are built.
