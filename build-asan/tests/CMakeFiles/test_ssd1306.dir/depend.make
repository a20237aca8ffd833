# Empty dependencies file for test_ssd1306.
# This may be replaced when dependencies are built.
