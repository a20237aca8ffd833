file(REMOVE_RECURSE
  "CMakeFiles/example_buoy_sprite.dir/buoy_sprite.c.o"
  "CMakeFiles/example_buoy_sprite.dir/buoy_sprite.c.o.d"
  "CMakeFiles/example_buoy_sprite.dir/drawing_desktop.c.o"
  "CMakeFiles/example_buoy_sprite.dir/drawing_desktop.c.o.d"
  "example_buoy_sprite"
  "example_buoy_sprite.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_buoy_sprite.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
