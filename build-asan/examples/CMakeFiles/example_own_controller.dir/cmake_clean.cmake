file(REMOVE_RECURSE
  "CMakeFiles/example_own_controller.dir/desktop.c.o"
  "CMakeFiles/example_own_controller.dir/desktop.c.o.d"
  "CMakeFiles/example_own_controller.dir/own_controller.c.o"
  "CMakeFiles/example_own_controller.dir/own_controller.c.o.d"
  "example_own_controller"
  "example_own_controller.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_own_controller.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
