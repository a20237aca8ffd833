# Empty dependencies file for jadelamp_sim.
# This may be replaced when dependencies are built.
