file(REMOVE_RECURSE
  "CMakeFiles/test_board.dir/test_board.c.o"
  "CMakeFiles/test_board.dir/test_board.c.o.d"
  "test_board"
  "test_board.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_board.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
