# Empty dependencies file for example_own_controller.
# This may be replaced when dependencies are built.
