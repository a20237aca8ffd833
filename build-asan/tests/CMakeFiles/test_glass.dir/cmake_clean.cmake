file(REMOVE_RECURSE
  "CMakeFiles/test_glass.dir/test_glass.c.o"
  "CMakeFiles/test_glass.dir/test_glass.c.o.d"
  "test_glass"
  "test_glass.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_glass.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
