file(REMOVE_RECURSE
  "CMakeFiles/test_mono.dir/test_mono.c.o"
  "CMakeFiles/test_mono.dir/test_mono.c.o.d"
  "test_mono"
  "test_mono.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_mono.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
