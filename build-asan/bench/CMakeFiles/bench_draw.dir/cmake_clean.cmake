file(REMOVE_RECURSE
  "CMakeFiles/bench_draw.dir/draw.c.o"
  "CMakeFiles/bench_draw.dir/draw.c.o.d"
  "bench_draw"
  "bench_draw.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_draw.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
