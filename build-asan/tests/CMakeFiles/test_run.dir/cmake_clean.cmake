file(REMOVE_RECURSE
  "CMakeFiles/test_run.dir/test_run.c.o"
  "CMakeFiles/test_run.dir/test_run.c.o.d"
  "test_run"
  "test_run.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_run.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
