# Empty dependencies file for example_tft_in_8k.
# This may be replaced when dependencies are built.
