file(REMOVE_RECURSE
  "CMakeFiles/bench_paper.dir/paper.c.o"
  "CMakeFiles/bench_paper.dir/paper.c.o.d"
  "bench_paper"
  "bench_paper.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_paper.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
