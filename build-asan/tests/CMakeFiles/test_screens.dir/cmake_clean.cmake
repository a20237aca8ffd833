file(REMOVE_RECURSE
  "CMakeFiles/test_screens.dir/screen_shim.c.o"
  "CMakeFiles/test_screens.dir/screen_shim.c.o.d"
  "CMakeFiles/test_screens.dir/test_screens.c.o"
  "CMakeFiles/test_screens.dir/test_screens.c.o.d"
  "test_screens"
  "test_screens.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_screens.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
