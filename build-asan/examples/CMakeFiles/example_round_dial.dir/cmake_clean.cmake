file(REMOVE_RECURSE
  "CMakeFiles/example_round_dial.dir/desktop.c.o"
  "CMakeFiles/example_round_dial.dir/desktop.c.o.d"
  "CMakeFiles/example_round_dial.dir/round_dial.c.o"
  "CMakeFiles/example_round_dial.dir/round_dial.c.o.d"
  "example_round_dial"
  "example_round_dial.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_round_dial.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
