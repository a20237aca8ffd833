file(REMOVE_RECURSE
  "CMakeFiles/example_scan_glass.dir/scan_glass.c.o"
  "CMakeFiles/example_scan_glass.dir/scan_glass.c.o.d"
  "example_scan_glass"
  "example_scan_glass.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_scan_glass.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
