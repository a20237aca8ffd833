file(REMOVE_RECURSE
  "CMakeFiles/example_wire_buoy.dir/drawing_desktop.c.o"
  "CMakeFiles/example_wire_buoy.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_wire_buoy.dir/wire_buoy.c.o"
  "CMakeFiles/example_wire_buoy.dir/wire_buoy.c.o.d"
  "example_wire_buoy"
  "example_wire_buoy.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_wire_buoy.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
