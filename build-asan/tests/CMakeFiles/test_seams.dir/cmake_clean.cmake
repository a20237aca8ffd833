file(REMOVE_RECURSE
  "CMakeFiles/test_seams.dir/test_seams.c.o"
  "CMakeFiles/test_seams.dir/test_seams.c.o.d"
  "test_seams"
  "test_seams.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_seams.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
