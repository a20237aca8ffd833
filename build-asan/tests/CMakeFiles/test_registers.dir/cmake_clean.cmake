file(REMOVE_RECURSE
  "CMakeFiles/test_registers.dir/test_registers.c.o"
  "CMakeFiles/test_registers.dir/test_registers.c.o.d"
  "test_registers"
  "test_registers.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_registers.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
