file(REMOVE_RECURSE
  "CMakeFiles/example_cubes.dir/cubes.c.o"
  "CMakeFiles/example_cubes.dir/cubes.c.o.d"
  "CMakeFiles/example_cubes.dir/desktop.c.o"
  "CMakeFiles/example_cubes.dir/desktop.c.o.d"
  "example_cubes"
  "example_cubes.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_cubes.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
