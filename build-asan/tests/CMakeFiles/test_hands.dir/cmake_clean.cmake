file(REMOVE_RECURSE
  "CMakeFiles/test_hands.dir/test_hands.c.o"
  "CMakeFiles/test_hands.dir/test_hands.c.o.d"
  "test_hands"
  "test_hands.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_hands.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
