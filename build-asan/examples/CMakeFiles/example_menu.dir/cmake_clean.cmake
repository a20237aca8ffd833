file(REMOVE_RECURSE
  "CMakeFiles/example_menu.dir/desktop.c.o"
  "CMakeFiles/example_menu.dir/desktop.c.o.d"
  "CMakeFiles/example_menu.dir/menu.c.o"
  "CMakeFiles/example_menu.dir/menu.c.o.d"
  "example_menu"
  "example_menu.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_menu.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
