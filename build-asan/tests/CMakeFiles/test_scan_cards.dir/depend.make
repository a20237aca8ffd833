# Empty dependencies file for test_scan_cards.
# This may be replaced when dependencies are built.
