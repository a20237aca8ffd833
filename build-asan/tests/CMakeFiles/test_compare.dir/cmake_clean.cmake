file(REMOVE_RECURSE
  "CMakeFiles/test_compare.dir/test_compare.c.o"
  "CMakeFiles/test_compare.dir/test_compare.c.o.d"
  "test_compare"
  "test_compare.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_compare.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
