file(REMOVE_RECURSE
  "CMakeFiles/make_expected.dir/make_expected.c.o"
  "CMakeFiles/make_expected.dir/make_expected.c.o.d"
  "make_expected"
  "make_expected.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/make_expected.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
