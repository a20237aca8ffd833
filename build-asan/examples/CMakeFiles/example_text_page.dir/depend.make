# Empty dependencies file for example_text_page.
# This may be replaced when dependencies are built.
