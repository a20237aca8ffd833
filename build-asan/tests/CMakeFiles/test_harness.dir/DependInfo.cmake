
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/tests/bench_panel.c" "tests/CMakeFiles/test_harness.dir/bench_panel.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/bench_panel.c.o.d"
  "/work/main/tests/cells_stage.c" "tests/CMakeFiles/test_harness.dir/cells_stage.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/cells_stage.c.o.d"
  "/work/main/tests/fake_panel.c" "tests/CMakeFiles/test_harness.dir/fake_panel.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/fake_panel.c.o.d"
  "/work/main/tests/harness.c" "tests/CMakeFiles/test_harness.dir/harness.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/harness.c.o.d"
  "/work/main/tests/instrument_kinds.c" "tests/CMakeFiles/test_harness.dir/instrument_kinds.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/instrument_kinds.c.o.d"
  "/work/main/tests/kinds.c" "tests/CMakeFiles/test_harness.dir/kinds.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/kinds.c.o.d"
  "/work/main/tests/naive.c" "tests/CMakeFiles/test_harness.dir/naive.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/naive.c.o.d"
  "/work/main/tests/naive_packer.c" "tests/CMakeFiles/test_harness.dir/naive_packer.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/naive_packer.c.o.d"
  "/work/main/tests/notebook.c" "tests/CMakeFiles/test_harness.dir/notebook.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/notebook.c.o.d"
  "/work/main/tests/paper_stage.c" "tests/CMakeFiles/test_harness.dir/paper_stage.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/paper_stage.c.o.d"
  "/work/main/tests/raw.c" "tests/CMakeFiles/test_harness.dir/raw.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/raw.c.o.d"
  "/work/main/tests/shell.c" "tests/CMakeFiles/test_harness.dir/shell.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/shell.c.o.d"
  "/work/main/tests/stage.c" "tests/CMakeFiles/test_harness.dir/stage.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/stage.c.o.d"
  "/work/main/tests/touch_stage.c" "tests/CMakeFiles/test_harness.dir/touch_stage.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/touch_stage.c.o.d"
  "/work/main/tests/vcd.c" "tests/CMakeFiles/test_harness.dir/vcd.c.o" "gcc" "tests/CMakeFiles/test_harness.dir/vcd.c.o.d"
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
