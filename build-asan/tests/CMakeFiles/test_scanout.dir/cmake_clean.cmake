file(REMOVE_RECURSE
  "CMakeFiles/test_scanout.dir/test_scanout.c.o"
  "CMakeFiles/test_scanout.dir/test_scanout.c.o.d"
  "test_scanout"
  "test_scanout.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_scanout.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
