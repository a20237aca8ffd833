file(REMOVE_RECURSE
  "CMakeFiles/window_fails.dir/window_program.c.o"
  "CMakeFiles/window_fails.dir/window_program.c.o.d"
  "window_fails.pdb"
  "window_fails.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_fails.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
