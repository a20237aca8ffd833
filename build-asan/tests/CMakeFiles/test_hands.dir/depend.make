# Empty dependencies file for test_hands.
# This may be replaced when dependencies are built.
