file(REMOVE_RECURSE
  "CMakeFiles/test_wires.dir/test_wires.c.o"
  "CMakeFiles/test_wires.dir/test_wires.c.o.d"
  "test_wires"
  "test_wires.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_wires.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
