file(REMOVE_RECURSE
  "CMakeFiles/a_program.dir/a_program.c.o"
  "CMakeFiles/a_program.dir/a_program.c.o.d"
  "a_program.pdb"
  "a_program.so"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/a_program.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
