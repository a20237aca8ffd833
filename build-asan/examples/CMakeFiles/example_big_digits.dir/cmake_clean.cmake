file(REMOVE_RECURSE
  "CMakeFiles/example_big_digits.dir/big_digits.c.o"
  "CMakeFiles/example_big_digits.dir/big_digits.c.o.d"
  "CMakeFiles/example_big_digits.dir/desktop.c.o"
  "CMakeFiles/example_big_digits.dir/desktop.c.o.d"
  "example_big_digits"
  "example_big_digits.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_big_digits.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
