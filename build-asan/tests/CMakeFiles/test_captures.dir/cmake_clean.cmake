file(REMOVE_RECURSE
  "CMakeFiles/test_captures.dir/test_captures.c.o"
  "CMakeFiles/test_captures.dir/test_captures.c.o.d"
  "test_captures"
  "test_captures.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_captures.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
