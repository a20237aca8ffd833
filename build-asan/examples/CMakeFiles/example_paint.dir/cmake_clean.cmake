file(REMOVE_RECURSE
  "CMakeFiles/example_paint.dir/desktop.c.o"
  "CMakeFiles/example_paint.dir/desktop.c.o.d"
  "CMakeFiles/example_paint.dir/paint.c.o"
  "CMakeFiles/example_paint.dir/paint.c.o.d"
  "example_paint"
  "example_paint.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_paint.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
