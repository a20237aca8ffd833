file(REMOVE_RECURSE
  "CMakeFiles/test_demo.dir/test_demo.c.o"
  "CMakeFiles/test_demo.dir/test_demo.c.o.d"
  "test_demo"
  "test_demo.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_demo.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
