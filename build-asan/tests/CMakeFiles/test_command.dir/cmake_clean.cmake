file(REMOVE_RECURSE
  "CMakeFiles/test_command.dir/test_command.c.o"
  "CMakeFiles/test_command.dir/test_command.c.o.d"
  "test_command"
  "test_command.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_command.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
