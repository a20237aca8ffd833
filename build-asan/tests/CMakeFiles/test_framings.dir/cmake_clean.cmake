file(REMOVE_RECURSE
  "CMakeFiles/test_framings.dir/test_framings.c.o"
  "CMakeFiles/test_framings.dir/test_framings.c.o.d"
  "test_framings"
  "test_framings.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_framings.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
