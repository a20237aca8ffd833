file(REMOVE_RECURSE
  "CMakeFiles/test_panel.dir/test_panel.c.o"
  "CMakeFiles/test_panel.dir/test_panel.c.o.d"
  "test_panel"
  "test_panel.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_panel.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
