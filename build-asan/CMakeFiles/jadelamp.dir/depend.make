# Empty dependencies file for jadelamp.
# This may be replaced when dependencies are built.
