# Empty dependencies file for jadelamp_demo.
# This may be replaced when dependencies are built.
