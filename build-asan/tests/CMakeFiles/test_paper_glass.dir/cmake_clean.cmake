file(REMOVE_RECURSE
  "CMakeFiles/test_paper_glass.dir/test_paper_glass.c.o"
  "CMakeFiles/test_paper_glass.dir/test_paper_glass.c.o.d"
  "test_paper_glass"
  "test_paper_glass.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_paper_glass.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
