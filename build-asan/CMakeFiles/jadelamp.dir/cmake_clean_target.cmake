file(REMOVE_RECURSE
  "libjadelamp.a"
)
