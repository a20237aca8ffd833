file(REMOVE_RECURSE
  "CMakeFiles/bench_panels.dir/panels.c.o"
  "CMakeFiles/bench_panels.dir/panels.c.o.d"
  "bench_panels"
  "bench_panels.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_panels.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
