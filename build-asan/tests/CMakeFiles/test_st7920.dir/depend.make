# Empty dependencies file for test_st7920.
# This may be replaced when dependencies are built.
