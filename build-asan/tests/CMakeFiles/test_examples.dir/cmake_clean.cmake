file(REMOVE_RECURSE
  "CMakeFiles/test_examples.dir/test_examples.c.o"
  "CMakeFiles/test_examples.dir/test_examples.c.o.d"
  "test_examples"
  "test_examples.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_examples.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
