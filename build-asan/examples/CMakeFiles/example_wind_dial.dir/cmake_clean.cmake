file(REMOVE_RECURSE
  "CMakeFiles/example_wind_dial.dir/drawing_desktop.c.o"
  "CMakeFiles/example_wind_dial.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_wind_dial.dir/wind_dial.c.o"
  "CMakeFiles/example_wind_dial.dir/wind_dial.c.o.d"
  "example_wind_dial"
  "example_wind_dial.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_wind_dial.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
