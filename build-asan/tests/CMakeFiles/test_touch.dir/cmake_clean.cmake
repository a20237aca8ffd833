file(REMOVE_RECURSE
  "CMakeFiles/test_touch.dir/test_touch.c.o"
  "CMakeFiles/test_touch.dir/test_touch.c.o.d"
  "test_touch"
  "test_touch.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_touch.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
