# Empty dependencies file for example_buoy_sprite.
# This may be replaced when dependencies are built.
