file(REMOVE_RECURSE
  "CMakeFiles/window_rebuilt.dir/window_program.c.o"
  "CMakeFiles/window_rebuilt.dir/window_program.c.o.d"
  "window_rebuilt.pdb"
  "window_rebuilt.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_rebuilt.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
