file(REMOVE_RECURSE
  "CMakeFiles/example_hello.dir/desktop.c.o"
  "CMakeFiles/example_hello.dir/desktop.c.o.d"
  "CMakeFiles/example_hello.dir/hello.c.o"
  "CMakeFiles/example_hello.dir/hello.c.o.d"
  "example_hello"
  "example_hello.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_hello.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
