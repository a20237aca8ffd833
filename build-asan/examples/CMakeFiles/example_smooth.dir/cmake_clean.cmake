file(REMOVE_RECURSE
  "CMakeFiles/example_smooth.dir/drawing_desktop.c.o"
  "CMakeFiles/example_smooth.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_smooth.dir/smooth.c.o"
  "CMakeFiles/example_smooth.dir/smooth.c.o.d"
  "example_smooth"
  "example_smooth.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_smooth.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
