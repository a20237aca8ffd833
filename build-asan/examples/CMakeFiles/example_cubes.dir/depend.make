# Empty dependencies file for example_cubes.
# This may be replaced when dependencies are built.
