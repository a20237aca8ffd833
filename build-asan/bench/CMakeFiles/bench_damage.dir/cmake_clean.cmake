file(REMOVE_RECURSE
  "CMakeFiles/bench_damage.dir/damage.c.o"
  "CMakeFiles/bench_damage.dir/damage.c.o.d"
  "bench_damage"
  "bench_damage.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_damage.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
