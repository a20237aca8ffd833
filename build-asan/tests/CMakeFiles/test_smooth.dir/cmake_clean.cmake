file(REMOVE_RECURSE
  "CMakeFiles/test_smooth.dir/test_smooth.c.o"
  "CMakeFiles/test_smooth.dir/test_smooth.c.o.d"
  "test_smooth"
  "test_smooth.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_smooth.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
