# Empty dependencies file for example_toolkit_glue.
# This may be replaced when dependencies are built.
