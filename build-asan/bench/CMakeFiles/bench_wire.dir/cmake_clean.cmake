file(REMOVE_RECURSE
  "CMakeFiles/bench_wire.dir/wire.c.o"
  "CMakeFiles/bench_wire.dir/wire.c.o.d"
  "bench_wire"
  "bench_wire.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_wire.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
