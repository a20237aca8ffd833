file(REMOVE_RECURSE
  "CMakeFiles/jadelamp_window_cli.dir/cli/common.c.o"
  "CMakeFiles/jadelamp_window_cli.dir/cli/common.c.o.d"
  "CMakeFiles/jadelamp_window_cli.dir/cli/print_timings.c.o"
  "CMakeFiles/jadelamp_window_cli.dir/cli/print_timings.c.o.d"
  "CMakeFiles/jadelamp_window_cli.dir/cli/window/window_program.c.o"
  "CMakeFiles/jadelamp_window_cli.dir/cli/window/window_program.c.o.d"
  "jadelamp-window"
  "jadelamp-window.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/jadelamp_window_cli.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
