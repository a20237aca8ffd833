file(REMOVE_RECURSE
  "CMakeFiles/window_hangs.dir/window_program.c.o"
  "CMakeFiles/window_hangs.dir/window_program.c.o.d"
  "window_hangs.pdb"
  "window_hangs.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_hangs.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
