file(REMOVE_RECURSE
  "CMakeFiles/test_scrolls.dir/test_scrolls.c.o"
  "CMakeFiles/test_scrolls.dir/test_scrolls.c.o.d"
  "test_scrolls"
  "test_scrolls.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_scrolls.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
