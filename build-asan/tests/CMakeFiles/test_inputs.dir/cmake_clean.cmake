file(REMOVE_RECURSE
  "CMakeFiles/test_inputs.dir/test_inputs.c.o"
  "CMakeFiles/test_inputs.dir/test_inputs.c.o.d"
  "test_inputs"
  "test_inputs.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_inputs.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
