file(REMOVE_RECURSE
  "CMakeFiles/test_text.dir/test_text.c.o"
  "CMakeFiles/test_text.dir/test_text.c.o.d"
  "test_text"
  "test_text.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_text.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
