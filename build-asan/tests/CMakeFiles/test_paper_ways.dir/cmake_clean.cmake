file(REMOVE_RECURSE
  "CMakeFiles/test_paper_ways.dir/test_paper_ways.c.o"
  "CMakeFiles/test_paper_ways.dir/test_paper_ways.c.o.d"
  "test_paper_ways"
  "test_paper_ways.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_paper_ways.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
