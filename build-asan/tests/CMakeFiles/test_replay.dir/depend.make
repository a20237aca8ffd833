# Empty dependencies file for test_replay.
# This may be replaced when dependencies are built.
