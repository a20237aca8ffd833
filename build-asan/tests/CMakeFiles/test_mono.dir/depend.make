# Empty dependencies file for test_mono.
# This may be replaced when dependencies are built.
