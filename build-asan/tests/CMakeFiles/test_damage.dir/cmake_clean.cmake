file(REMOVE_RECURSE
  "CMakeFiles/test_damage.dir/test_damage.c.o"
  "CMakeFiles/test_damage.dir/test_damage.c.o.d"
  "test_damage"
  "test_damage.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_damage.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
