file(REMOVE_RECURSE
  "CMakeFiles/bench_instruments.dir/instruments.c.o"
  "CMakeFiles/bench_instruments.dir/instruments.c.o.d"
  "bench_instruments"
  "bench_instruments.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_instruments.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
