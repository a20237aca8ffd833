file(REMOVE_RECURSE
  "libtest_harness.a"
)
