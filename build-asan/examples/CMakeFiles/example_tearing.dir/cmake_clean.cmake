file(REMOVE_RECURSE
  "CMakeFiles/example_tearing.dir/tearing.c.o"
  "CMakeFiles/example_tearing.dir/tearing.c.o.d"
  "example_tearing"
  "example_tearing.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_tearing.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
