file(REMOVE_RECURSE
  "libjadelamp-host.a"
)
