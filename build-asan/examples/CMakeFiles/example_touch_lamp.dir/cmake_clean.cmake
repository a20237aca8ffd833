file(REMOVE_RECURSE
  "CMakeFiles/example_touch_lamp.dir/desktop.c.o"
  "CMakeFiles/example_touch_lamp.dir/desktop.c.o.d"
  "CMakeFiles/example_touch_lamp.dir/touch_lamp.c.o"
  "CMakeFiles/example_touch_lamp.dir/touch_lamp.c.o.d"
  "example_touch_lamp"
  "example_touch_lamp.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_touch_lamp.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
