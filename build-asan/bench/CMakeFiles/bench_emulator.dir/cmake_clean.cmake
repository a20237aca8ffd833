file(REMOVE_RECURSE
  "CMakeFiles/bench_emulator.dir/emulator.c.o"
  "CMakeFiles/bench_emulator.dir/emulator.c.o.d"
  "bench_emulator"
  "bench_emulator.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/bench_emulator.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
