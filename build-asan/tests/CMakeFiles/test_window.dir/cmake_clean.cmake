file(REMOVE_RECURSE
  "CMakeFiles/test_window.dir/desk.c.o"
  "CMakeFiles/test_window.dir/desk.c.o.d"
  "CMakeFiles/test_window.dir/test_window.c.o"
  "CMakeFiles/test_window.dir/test_window.c.o.d"
  "test_window"
  "test_window.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_window.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
