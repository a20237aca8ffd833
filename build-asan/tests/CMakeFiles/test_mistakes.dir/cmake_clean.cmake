file(REMOVE_RECURSE
  "CMakeFiles/test_mistakes.dir/test_mistakes.c.o"
  "CMakeFiles/test_mistakes.dir/test_mistakes.c.o.d"
  "test_mistakes"
  "test_mistakes.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_mistakes.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
