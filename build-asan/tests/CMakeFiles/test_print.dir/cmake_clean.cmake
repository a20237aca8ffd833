file(REMOVE_RECURSE
  "CMakeFiles/test_print.dir/test_print.c.o"
  "CMakeFiles/test_print.dir/test_print.c.o.d"
  "test_print"
  "test_print.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_print.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
