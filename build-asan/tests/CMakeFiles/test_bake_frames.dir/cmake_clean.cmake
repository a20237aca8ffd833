file(REMOVE_RECURSE
  "CMakeFiles/test_bake_frames.dir/test_bake_frames.c.o"
  "CMakeFiles/test_bake_frames.dir/test_bake_frames.c.o.d"
  "test_bake_frames"
  "test_bake_frames.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_bake_frames.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
