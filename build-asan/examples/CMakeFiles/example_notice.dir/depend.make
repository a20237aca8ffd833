# Empty dependencies file for example_notice.
# This may be replaced when dependencies are built.
