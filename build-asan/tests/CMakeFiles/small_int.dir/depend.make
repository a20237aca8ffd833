# Empty dependencies file for small_int.
# This may be replaced when dependencies are built.
