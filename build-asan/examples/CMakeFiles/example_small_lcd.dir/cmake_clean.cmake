file(REMOVE_RECURSE
  "CMakeFiles/example_small_lcd.dir/desktop.c.o"
  "CMakeFiles/example_small_lcd.dir/desktop.c.o.d"
  "CMakeFiles/example_small_lcd.dir/small_lcd.c.o"
  "CMakeFiles/example_small_lcd.dir/small_lcd.c.o.d"
  "example_small_lcd"
  "example_small_lcd.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_small_lcd.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
