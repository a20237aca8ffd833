file(REMOVE_RECURSE
  "CMakeFiles/test_rgb.dir/test_rgb.c.o"
  "CMakeFiles/test_rgb.dir/test_rgb.c.o.d"
  "test_rgb"
  "test_rgb.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_rgb.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
