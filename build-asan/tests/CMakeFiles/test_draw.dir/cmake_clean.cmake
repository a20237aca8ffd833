file(REMOVE_RECURSE
  "CMakeFiles/test_draw.dir/test_draw.c.o"
  "CMakeFiles/test_draw.dir/test_draw.c.o.d"
  "test_draw"
  "test_draw.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_draw.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
