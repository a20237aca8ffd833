file(REMOVE_RECURSE
  "CMakeFiles/test_paper.dir/test_paper.c.o"
  "CMakeFiles/test_paper.dir/test_paper.c.o.d"
  "test_paper"
  "test_paper.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_paper.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
