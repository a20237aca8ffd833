file(REMOVE_RECURSE
  "CMakeFiles/test_light.dir/test_light.c.o"
  "CMakeFiles/test_light.dir/test_light.c.o.d"
  "test_light"
  "test_light.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_light.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
