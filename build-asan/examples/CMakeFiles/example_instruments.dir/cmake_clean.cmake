file(REMOVE_RECURSE
  "CMakeFiles/example_instruments.dir/drawing_desktop.c.o"
  "CMakeFiles/example_instruments.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_instruments.dir/instruments.c.o"
  "CMakeFiles/example_instruments.dir/instruments.c.o.d"
  "example_instruments"
  "example_instruments.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_instruments.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
