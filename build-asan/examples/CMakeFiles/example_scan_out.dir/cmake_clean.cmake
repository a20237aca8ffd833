file(REMOVE_RECURSE
  "CMakeFiles/example_scan_out.dir/desktop.c.o"
  "CMakeFiles/example_scan_out.dir/desktop.c.o.d"
  "CMakeFiles/example_scan_out.dir/scan_out.c.o"
  "CMakeFiles/example_scan_out.dir/scan_out.c.o.d"
  "example_scan_out"
  "example_scan_out.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_scan_out.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
