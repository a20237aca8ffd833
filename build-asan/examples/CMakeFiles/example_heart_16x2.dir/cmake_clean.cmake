file(REMOVE_RECURSE
  "CMakeFiles/example_heart_16x2.dir/desktop.c.o"
  "CMakeFiles/example_heart_16x2.dir/desktop.c.o.d"
  "CMakeFiles/example_heart_16x2.dir/heart_16x2.c.o"
  "CMakeFiles/example_heart_16x2.dir/heart_16x2.c.o.d"
  "example_heart_16x2"
  "example_heart_16x2.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_heart_16x2.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
