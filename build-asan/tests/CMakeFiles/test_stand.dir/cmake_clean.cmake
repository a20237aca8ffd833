file(REMOVE_RECURSE
  "CMakeFiles/test_stand.dir/test_stand.c.o"
  "CMakeFiles/test_stand.dir/test_stand.c.o.d"
  "test_stand"
  "test_stand.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_stand.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
