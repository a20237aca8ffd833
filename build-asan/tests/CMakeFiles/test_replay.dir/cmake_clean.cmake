file(REMOVE_RECURSE
  "CMakeFiles/test_replay.dir/test_replay.c.o"
  "CMakeFiles/test_replay.dir/test_replay.c.o.d"
  "test_replay"
  "test_replay.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_replay.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
