file(REMOVE_RECURSE
  "CMakeFiles/test_instruments.dir/test_instruments.c.o"
  "CMakeFiles/test_instruments.dir/test_instruments.c.o.d"
  "test_instruments"
  "test_instruments.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_instruments.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
