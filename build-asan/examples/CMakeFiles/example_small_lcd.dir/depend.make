# Empty dependencies file for example_small_lcd.
# This may be replaced when dependencies are built.
