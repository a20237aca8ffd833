file(REMOVE_RECURSE
  "libjadelamp-window.a"
)
