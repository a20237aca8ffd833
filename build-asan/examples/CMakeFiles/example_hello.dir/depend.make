# Empty dependencies file for example_hello.
# This may be replaced when dependencies are built.
