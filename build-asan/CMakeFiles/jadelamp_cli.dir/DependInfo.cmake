
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/cli/capture_options.c" "CMakeFiles/jadelamp_cli.dir/cli/capture_options.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/capture_options.c.o.d"
  "/work/main/cli/common.c" "CMakeFiles/jadelamp_cli.dir/cli/common.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/common.c.o.d"
  "/work/main/cli/fault_options.c" "CMakeFiles/jadelamp_cli.dir/cli/fault_options.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/fault_options.c.o.d"
  "/work/main/cli/main.c" "CMakeFiles/jadelamp_cli.dir/cli/main.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/main.c.o.d"
  "/work/main/cli/print_timings.c" "CMakeFiles/jadelamp_cli.dir/cli/print_timings.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/print_timings.c.o.d"
  "/work/main/cli/screen_options.c" "CMakeFiles/jadelamp_cli.dir/cli/screen_options.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/screen_options.c.o.d"
  "/work/main/cli/start_program.c" "CMakeFiles/jadelamp_cli.dir/cli/start_program.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/start_program.c.o.d"
  "/work/main/cli/verb_bake.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake.c.o.d"
  "/work/main/cli/verb_bake_common.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_common.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_common.c.o.d"
  "/work/main/cli/verb_bake_font.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_font.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_font.c.o.d"
  "/work/main/cli/verb_bake_frames.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_frames.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_frames.c.o.d"
  "/work/main/cli/verb_bake_glyph.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_glyph.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_glyph.c.o.d"
  "/work/main/cli/verb_bake_picture.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_picture.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_picture.c.o.d"
  "/work/main/cli/verb_bake_screen.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_screen.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_bake_screen.c.o.d"
  "/work/main/cli/verb_budget.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_budget.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_budget.c.o.d"
  "/work/main/cli/verb_catalog.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_catalog.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_catalog.c.o.d"
  "/work/main/cli/verb_compare.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_compare.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_compare.c.o.d"
  "/work/main/cli/verb_demo.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_demo.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_demo.c.o.d"
  "/work/main/cli/verb_explain.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_explain.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_explain.c.o.d"
  "/work/main/cli/verb_light.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_light.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_light.c.o.d"
  "/work/main/cli/verb_replay.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_replay.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_replay.c.o.d"
  "/work/main/cli/verb_run.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_run.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_run.c.o.d"
  "/work/main/cli/verb_scan.c" "CMakeFiles/jadelamp_cli.dir/cli/verb_scan.c.o" "gcc" "CMakeFiles/jadelamp_cli.dir/cli/verb_scan.c.o.d"
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
