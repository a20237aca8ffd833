file(REMOVE_RECURSE
  "CMakeFiles/test_budget.dir/test_budget.c.o"
  "CMakeFiles/test_budget.dir/test_budget.c.o.d"
  "test_budget"
  "test_budget.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_budget.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
