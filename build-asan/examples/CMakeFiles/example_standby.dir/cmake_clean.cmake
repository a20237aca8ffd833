file(REMOVE_RECURSE
  "CMakeFiles/example_standby.dir/desktop.c.o"
  "CMakeFiles/example_standby.dir/desktop.c.o.d"
  "CMakeFiles/example_standby.dir/standby.c.o"
  "CMakeFiles/example_standby.dir/standby.c.o.d"
  "example_standby"
  "example_standby.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_standby.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
