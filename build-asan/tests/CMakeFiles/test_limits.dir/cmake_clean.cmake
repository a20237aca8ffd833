file(REMOVE_RECURSE
  "CMakeFiles/test_limits.dir/test_limits.c.o"
  "CMakeFiles/test_limits.dir/test_limits.c.o.d"
  "test_limits"
  "test_limits.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_limits.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
