file(REMOVE_RECURSE
  "CMakeFiles/example_scan_lines.dir/desktop.c.o"
  "CMakeFiles/example_scan_lines.dir/desktop.c.o.d"
  "CMakeFiles/example_scan_lines.dir/scan_lines.c.o"
  "CMakeFiles/example_scan_lines.dir/scan_lines.c.o.d"
  "example_scan_lines"
  "example_scan_lines.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_scan_lines.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
