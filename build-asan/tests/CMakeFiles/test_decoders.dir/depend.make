# Empty dependencies file for test_decoders.
# This may be replaced when dependencies are built.
