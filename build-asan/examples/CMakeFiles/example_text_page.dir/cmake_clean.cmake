file(REMOVE_RECURSE
  "CMakeFiles/example_text_page.dir/drawing_desktop.c.o"
  "CMakeFiles/example_text_page.dir/drawing_desktop.c.o.d"
  "CMakeFiles/example_text_page.dir/text_page.c.o"
  "CMakeFiles/example_text_page.dir/text_page.c.o.d"
  "example_text_page"
  "example_text_page.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_text_page.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
