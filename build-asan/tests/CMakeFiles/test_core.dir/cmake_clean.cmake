file(REMOVE_RECURSE
  "CMakeFiles/test_core.dir/test_core.c.o"
  "CMakeFiles/test_core.dir/test_core.c.o.d"
  "test_core"
  "test_core.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_core.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
