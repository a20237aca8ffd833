file(REMOVE_RECURSE
  "CMakeFiles/test_cells.dir/test_cells.c.o"
  "CMakeFiles/test_cells.dir/test_cells.c.o.d"
  "test_cells"
  "test_cells.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_cells.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
