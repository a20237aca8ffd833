file(REMOVE_RECURSE
  "CMakeFiles/example_speed.dir/desktop.c.o"
  "CMakeFiles/example_speed.dir/desktop.c.o.d"
  "CMakeFiles/example_speed.dir/speed.c.o"
  "CMakeFiles/example_speed.dir/speed.c.o.d"
  "example_speed"
  "example_speed.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_speed.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
