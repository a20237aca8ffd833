file(REMOVE_RECURSE
  "CMakeFiles/bench_scanout.dir/scanout.c.o"
  "CMakeFiles/bench_scanout.dir/scanout.c.o.d"
  "bench_scanout"
  "bench_scanout.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_scanout.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
