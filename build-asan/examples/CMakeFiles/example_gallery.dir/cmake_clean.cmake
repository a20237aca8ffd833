file(REMOVE_RECURSE
  "CMakeFiles/example_gallery.dir/drawing_desktop.c.o"
  "CMakeFiles/example_gallery.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_gallery.dir/gallery.c.o"
  "CMakeFiles/example_gallery.dir/gallery.c.o.d"
  "example_gallery"
  "example_gallery.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_gallery.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
