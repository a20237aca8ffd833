file(REMOVE_RECURSE
  "CMakeFiles/example_voltmeter.dir/desktop.c.o"
  "CMakeFiles/example_voltmeter.dir/desktop.c.o.d"
  "CMakeFiles/example_voltmeter.dir/voltmeter.c.o"
  "CMakeFiles/example_voltmeter.dir/voltmeter.c.o.d"
  "example_voltmeter"
  "example_voltmeter.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_voltmeter.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
