file(REMOVE_RECURSE
  "CMakeFiles/example_tft_in_8k.dir/desktop.c.o"
  "CMakeFiles/example_tft_in_8k.dir/desktop.c.o.d"
  "CMakeFiles/example_tft_in_8k.dir/tft_in_8k.c.o"
  "CMakeFiles/example_tft_in_8k.dir/tft_in_8k.c.o.d"
  "example_tft_in_8k"
  "example_tft_in_8k.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_tft_in_8k.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
