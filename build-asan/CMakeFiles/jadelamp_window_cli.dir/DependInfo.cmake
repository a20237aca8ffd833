
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/cli/common.c" "CMakeFiles/jadelamp_window_cli.dir/cli/common.c.o" "gcc" "CMakeFiles/jadelamp_window_cli.dir/cli/common.c.o.d"
  "/work/main/cli/print_timings.c" "CMakeFiles/jadelamp_window_cli.dir/cli/print_timings.c.o" "gcc" "CMakeFiles/jadelamp_window_cli.dir/cli/print_timings.c.o.d"
  "/work/main/cli/window/window_program.c" "CMakeFiles/jadelamp_window_cli.dir/cli/window/window_program.c.o" "gcc" "CMakeFiles/jadelamp_window_cli.dir/cli/window/window_program.c.o.d"
  )

# Targets to which this target links.
set(CMAKE_TARGET_LINKED_INFO_FILES
  "/work/main/build-asan/CMakeFiles/jadelamp_window.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp_host.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp_sim.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp.dir/DependInfo.cmake"
  )

# Fortran module output directory.
set(CMAKE_Fortran_TARGET_MODULE_DIR "")
