file(REMOVE_RECURSE
  "CMakeFiles/example_quay_gauge.dir/desktop.c.o"
  "CMakeFiles/example_quay_gauge.dir/desktop.c.o.d"
  "CMakeFiles/example_quay_gauge.dir/quay_gauge.c.o"
  "CMakeFiles/example_quay_gauge.dir/quay_gauge.c.o.d"
  "example_quay_gauge"
  "example_quay_gauge.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_quay_gauge.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
