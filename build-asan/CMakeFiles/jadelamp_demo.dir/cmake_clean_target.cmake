file(REMOVE_RECURSE
  "libjadelamp_demo.a"
)
