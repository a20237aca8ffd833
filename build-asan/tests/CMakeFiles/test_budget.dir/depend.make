# Empty dependencies file for test_budget.
# This may be replaced when dependencies are built.
