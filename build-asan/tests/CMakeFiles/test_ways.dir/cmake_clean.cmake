file(REMOVE_RECURSE
  "CMakeFiles/test_ways.dir/test_ways.c.o"
  "CMakeFiles/test_ways.dir/test_ways.c.o.d"
  "test_ways"
  "test_ways.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_ways.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
