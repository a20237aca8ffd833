file(REMOVE_RECURSE
  "CMakeFiles/test_scan_cards.dir/test_scan_cards.c.o"
  "CMakeFiles/test_scan_cards.dir/test_scan_cards.c.o.d"
  "test_scan_cards"
  "test_scan_cards.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_scan_cards.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
