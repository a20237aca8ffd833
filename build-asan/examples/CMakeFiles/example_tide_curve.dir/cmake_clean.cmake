file(REMOVE_RECURSE
  "CMakeFiles/example_tide_curve.dir/drawing_desktop.c.o"
  "CMakeFiles/example_tide_curve.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_tide_curve.dir/tide_curve.c.o"
  "CMakeFiles/example_tide_curve.dir/tide_curve.c.o.d"
  "example_tide_curve"
  "example_tide_curve.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_tide_curve.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
