file(REMOVE_RECURSE
  "CMakeFiles/test_cells_wire.dir/test_cells_wire.c.o"
  "CMakeFiles/test_cells_wire.dir/test_cells_wire.c.o.d"
  "test_cells_wire"
  "test_cells_wire.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_cells_wire.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
