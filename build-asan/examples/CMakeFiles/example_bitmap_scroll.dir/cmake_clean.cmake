file(REMOVE_RECURSE
  "CMakeFiles/example_bitmap_scroll.dir/bitmap_scroll.c.o"
  "CMakeFiles/example_bitmap_scroll.dir/bitmap_scroll.c.o.d"
  "CMakeFiles/example_bitmap_scroll.dir/desktop.c.o"
  "CMakeFiles/example_bitmap_scroll.dir/desktop.c.o.d"
  "example_bitmap_scroll"
  "example_bitmap_scroll.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_bitmap_scroll.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
