file(REMOVE_RECURSE
  "CMakeFiles/test_traffic.dir/test_traffic.c.o"
  "CMakeFiles/test_traffic.dir/test_traffic.c.o.d"
  "test_traffic"
  "test_traffic.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_traffic.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
