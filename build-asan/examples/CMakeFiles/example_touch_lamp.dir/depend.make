# Empty dependencies file for example_touch_lamp.
# This may be replaced when dependencies are built.
