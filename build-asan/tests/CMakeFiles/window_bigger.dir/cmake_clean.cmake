file(REMOVE_RECURSE
  "CMakeFiles/window_bigger.dir/window_program.c.o"
  "CMakeFiles/window_bigger.dir/window_program.c.o.d"
  "window_bigger.pdb"
  "window_bigger.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_bigger.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
