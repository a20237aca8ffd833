file(REMOVE_RECURSE
  "CMakeFiles/example_lock_display.dir/desktop.c.o"
  "CMakeFiles/example_lock_display.dir/desktop.c.o.d"
  "CMakeFiles/example_lock_display.dir/lock_display.c.o"
  "CMakeFiles/example_lock_display.dir/lock_display.c.o.d"
  "example_lock_display"
  "example_lock_display.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_lock_display.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
