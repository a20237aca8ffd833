# Empty dependencies file for test_bake_frames.
# This may be replaced when dependencies are built.
