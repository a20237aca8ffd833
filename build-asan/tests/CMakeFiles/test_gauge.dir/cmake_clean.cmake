file(REMOVE_RECURSE
  "CMakeFiles/test_gauge.dir/test_gauge.c.o"
  "CMakeFiles/test_gauge.dir/test_gauge.c.o.d"
  "test_gauge"
  "test_gauge.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_gauge.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
