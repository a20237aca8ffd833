file(REMOVE_RECURSE
  "CMakeFiles/test_transform.dir/test_transform.c.o"
  "CMakeFiles/test_transform.dir/test_transform.c.o.d"
  "test_transform"
  "test_transform.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_transform.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
