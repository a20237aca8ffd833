file(REMOVE_RECURSE
  "CMakeFiles/test_st7920.dir/test_st7920.c.o"
  "CMakeFiles/test_st7920.dir/test_st7920.c.o.d"
  "test_st7920"
  "test_st7920.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_st7920.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
