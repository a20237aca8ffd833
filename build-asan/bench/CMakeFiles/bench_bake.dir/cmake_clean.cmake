file(REMOVE_RECURSE
  "CMakeFiles/bench_bake.dir/bake.c.o"
  "CMakeFiles/bench_bake.dir/bake.c.o.d"
  "bench_bake"
  "bench_bake.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_bake.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
