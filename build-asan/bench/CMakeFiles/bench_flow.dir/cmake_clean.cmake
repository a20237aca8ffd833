file(REMOVE_RECURSE
  "CMakeFiles/bench_flow.dir/flow.c.o"
  "CMakeFiles/bench_flow.dir/flow.c.o.d"
  "bench_flow"
  "bench_flow.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_flow.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
