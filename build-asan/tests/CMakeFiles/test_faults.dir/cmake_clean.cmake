file(REMOVE_RECURSE
  "CMakeFiles/test_faults.dir/test_faults.c.o"
  "CMakeFiles/test_faults.dir/test_faults.c.o.d"
  "test_faults"
  "test_faults.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_faults.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
