file(REMOVE_RECURSE
  "CMakeFiles/test_rigs.dir/test_rigs.c.o"
  "CMakeFiles/test_rigs.dir/test_rigs.c.o.d"
  "test_rigs"
  "test_rigs.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_rigs.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
