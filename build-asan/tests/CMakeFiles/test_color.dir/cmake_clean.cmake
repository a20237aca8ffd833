file(REMOVE_RECURSE
  "CMakeFiles/test_color.dir/test_color.c.o"
  "CMakeFiles/test_color.dir/test_color.c.o.d"
  "test_color"
  "test_color.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_color.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
