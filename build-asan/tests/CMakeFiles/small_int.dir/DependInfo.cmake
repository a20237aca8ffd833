
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/tests/small_int/cases.c" "tests/CMakeFiles/small_int.dir/small_int/cases.c.o" "gcc" "tests/CMakeFiles/small_int.dir/small_int/cases.c.o.d"
  "/work/main/tests/small_int/hands.c" "tests/CMakeFiles/small_int.dir/small_int/hands.c.o" "gcc" "tests/CMakeFiles/small_int.dir/small_int/hands.c.o.d"
  "/work/main/tests/small_int/scans.c" "tests/CMakeFiles/small_int.dir/small_int/scans.c.o" "gcc" "tests/CMakeFiles/small_int.dir/small_int/scans.c.o.d"
  "/work/main/tests/small_int/small_int.c" "tests/CMakeFiles/small_int.dir/small_int/small_int.c.o" "gcc" "tests/CMakeFiles/small_int.dir/small_int/small_int.c.o.d"
  )

# Targets to which this target links.
set(CMAKE_TARGET_LINKED_INFO_FILES
  "/work/main/build-asan/CMakeFiles/jadelamp.dir/DependInfo.cmake"
  )

# Fortran module output directory.
set(CMAKE_Fortran_TARGET_MODULE_DIR "")
