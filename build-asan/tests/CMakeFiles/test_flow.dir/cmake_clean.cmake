file(REMOVE_RECURSE
  "CMakeFiles/test_flow.dir/test_flow.c.o"
  "CMakeFiles/test_flow.dir/test_flow.c.o.d"
  "test_flow"
  "test_flow.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_flow.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
