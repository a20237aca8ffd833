file(REMOVE_RECURSE
  "CMakeFiles/test_ssd1306.dir/test_ssd1306.c.o"
  "CMakeFiles/test_ssd1306.dir/test_ssd1306.c.o.d"
  "test_ssd1306"
  "test_ssd1306.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_ssd1306.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
