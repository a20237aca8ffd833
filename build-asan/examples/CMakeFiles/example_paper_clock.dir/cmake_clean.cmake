file(REMOVE_RECURSE
  "CMakeFiles/example_paper_clock.dir/desktop.c.o"
  "CMakeFiles/example_paper_clock.dir/desktop.c.o.d"
  "CMakeFiles/example_paper_clock.dir/paper_clock.c.o"
  "CMakeFiles/example_paper_clock.dir/paper_clock.c.o.d"
  "example_paper_clock"
  "example_paper_clock.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_paper_clock.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
