file(REMOVE_RECURSE
  "CMakeFiles/example_strip_chart.dir/desktop.c.o"
  "CMakeFiles/example_strip_chart.dir/desktop.c.o.d"
  "CMakeFiles/example_strip_chart.dir/strip_chart.c.o"
  "CMakeFiles/example_strip_chart.dir/strip_chart.c.o.d"
  "example_strip_chart"
  "example_strip_chart.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_strip_chart.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
