file(REMOVE_RECURSE
  "CMakeFiles/test_cards.dir/test_cards.c.o"
  "CMakeFiles/test_cards.dir/test_cards.c.o.d"
  "test_cards"
  "test_cards.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_cards.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
