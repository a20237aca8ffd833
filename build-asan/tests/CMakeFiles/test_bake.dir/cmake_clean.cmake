file(REMOVE_RECURSE
  "CMakeFiles/test_bake.dir/test_bake.c.o"
  "CMakeFiles/test_bake.dir/test_bake.c.o.d"
  "test_bake"
  "test_bake.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_bake.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
