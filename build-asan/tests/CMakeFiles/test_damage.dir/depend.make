# Empty dependencies file for test_damage.
# This may be replaced when dependencies are built.
