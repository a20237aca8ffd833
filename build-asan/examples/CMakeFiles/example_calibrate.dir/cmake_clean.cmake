file(REMOVE_RECURSE
  "CMakeFiles/example_calibrate.dir/calibrate.c.o"
  "CMakeFiles/example_calibrate.dir/calibrate.c.o.d"
  "CMakeFiles/example_calibrate.dir/desktop.c.o"
  "CMakeFiles/example_calibrate.dir/desktop.c.o.d"
  "example_calibrate"
  "example_calibrate.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_calibrate.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
