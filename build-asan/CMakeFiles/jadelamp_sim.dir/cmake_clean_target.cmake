file(REMOVE_RECURSE
  "libjadelamp-sim.a"
)
