file(REMOVE_RECURSE
  "CMakeFiles/bench_captures.dir/captures.c.o"
  "CMakeFiles/bench_captures.dir/captures.c.o.d"
  "bench_captures"
  "bench_captures.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_captures.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
