file(REMOVE_RECURSE
  "CMakeFiles/small_int.dir/small_int/cases.c.o"
  "CMakeFiles/small_int.dir/small_int/cases.c.o.d"
  "CMakeFiles/small_int.dir/small_int/hands.c.o"
  "CMakeFiles/small_int.dir/small_int/hands.c.o.d"
  "CMakeFiles/small_int.dir/small_int/scans.c.o"
  "CMakeFiles/small_int.dir/small_int/scans.c.o.d"
  "CMakeFiles/small_int.dir/small_int/small_int.c.o"
  "CMakeFiles/small_int.dir/small_int/small_int.c.o.d"
  "small_int"
  "small_int.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/small_int.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
