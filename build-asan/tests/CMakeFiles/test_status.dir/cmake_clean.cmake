file(REMOVE_RECURSE
  "CMakeFiles/test_status.dir/test_status.c.o"
  "CMakeFiles/test_status.dir/test_status.c.o.d"
  "test_status"
  "test_status.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_status.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
