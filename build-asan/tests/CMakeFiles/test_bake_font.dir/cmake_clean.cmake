file(REMOVE_RECURSE
  "CMakeFiles/test_bake_font.dir/test_bake_font.c.o"
  "CMakeFiles/test_bake_font.dir/test_bake_font.c.o.d"
  "test_bake_font"
  "test_bake_font.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_bake_font.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
