# Empty dependencies file for example_paper_clock.
# This may be replaced when dependencies are built.
