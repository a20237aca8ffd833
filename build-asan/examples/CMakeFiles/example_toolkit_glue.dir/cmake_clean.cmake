file(REMOVE_RECURSE
  "CMakeFiles/example_toolkit_glue.dir/desktop.c.o"
  "CMakeFiles/example_toolkit_glue.dir/desktop.c.o.d"
  "CMakeFiles/example_toolkit_glue.dir/toolkit_glue.c.o"
  "CMakeFiles/example_toolkit_glue.dir/toolkit_glue.c.o.d"
  "example_toolkit_glue"
  "example_toolkit_glue.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_toolkit_glue.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
