file(REMOVE_RECURSE
  "CMakeFiles/window_counts.dir/window_program.c.o"
  "CMakeFiles/window_counts.dir/window_program.c.o.d"
  "window_counts.pdb"
  "window_counts.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/window_counts.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
