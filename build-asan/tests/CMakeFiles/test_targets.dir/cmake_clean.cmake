file(REMOVE_RECURSE
  "CMakeFiles/test_targets.dir/test_targets.c.o"
  "CMakeFiles/test_targets.dir/test_targets.c.o.d"
  "test_targets"
  "test_targets.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_targets.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
