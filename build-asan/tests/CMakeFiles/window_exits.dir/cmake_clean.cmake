file(REMOVE_RECURSE
  "CMakeFiles/window_exits.dir/window_program.c.o"
  "CMakeFiles/window_exits.dir/window_program.c.o.d"
  "window_exits.pdb"
  "window_exits.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_exits.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
