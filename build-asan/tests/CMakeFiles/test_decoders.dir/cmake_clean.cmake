file(REMOVE_RECURSE
  "CMakeFiles/test_decoders.dir/test_decoders.c.o"
  "CMakeFiles/test_decoders.dir/test_decoders.c.o.d"
  "test_decoders"
  "test_decoders.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_decoders.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
