# Empty dependencies file for test_cards.
# This may be replaced when dependencies are built.
