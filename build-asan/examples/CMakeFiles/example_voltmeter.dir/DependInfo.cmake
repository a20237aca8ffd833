
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/examples/desktop.c" "examples/CMakeFiles/example_voltmeter.dir/desktop.c.o" "gcc" "examples/CMakeFiles/example_voltmeter.dir/desktop.c.o.d"
  "/work/main/examples/voltmeter.c" "examples/CMakeFiles/example_voltmeter.dir/voltmeter.c.o" "gcc" "examples/CMakeFiles/example_voltmeter.dir/voltmeter.c.o.d"
  )

# Targets to which this target links.
set(CMAKE_TARGET_LINKED_INFO_FILES
  "/work/main/build-asan/CMakeFiles/jadelamp_demo.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp_host.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp_sim.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp.dir/DependInfo.cmake"
  )

# Fortran module output directory.
set(CMAKE_Fortran_TARGET_MODULE_DIR "")
