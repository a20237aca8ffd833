file(REMOVE_RECURSE
  "CMakeFiles/window_crashes.dir/window_program.c.o"
  "CMakeFiles/window_crashes.dir/window_program.c.o.d"
  "window_crashes.pdb"
  "window_crashes.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_crashes.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
