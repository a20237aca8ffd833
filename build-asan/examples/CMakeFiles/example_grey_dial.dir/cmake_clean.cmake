file(REMOVE_RECURSE
  "CMakeFiles/example_grey_dial.dir/desktop.c.o"
  "CMakeFiles/example_grey_dial.dir/desktop.c.o.d"
  "CMakeFiles/example_grey_dial.dir/grey_dial.c.o"
  "CMakeFiles/example_grey_dial.dir/grey_dial.c.o.d"
  "example_grey_dial"
  "example_grey_dial.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_grey_dial.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
