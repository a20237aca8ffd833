
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/host/window/act_sheet.c" "CMakeFiles/jadelamp_window.dir/host/window/act_sheet.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/act_sheet.c.o.d"
  "/work/main/host/window/actor.c" "CMakeFiles/jadelamp_window.dir/host/window/actor.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/actor.c.o.d"
  "/work/main/host/window/acts.c" "CMakeFiles/jadelamp_window.dir/host/window/acts.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/acts.c.o.d"
  "/work/main/host/window/link.c" "CMakeFiles/jadelamp_window.dir/host/window/link.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/link.c.o.d"
  "/work/main/host/window/pace.c" "CMakeFiles/jadelamp_window.dir/host/window/pace.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/pace.c.o.d"
  "/work/main/host/window/rates.c" "CMakeFiles/jadelamp_window.dir/host/window/rates.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/rates.c.o.d"
  "/work/main/host/window/stage.c" "CMakeFiles/jadelamp_window.dir/host/window/stage.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/stage.c.o.d"
  "/work/main/host/window/stage_note.c" "CMakeFiles/jadelamp_window.dir/host/window/stage_note.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/stage_note.c.o.d"
  "/work/main/host/window/stage_wake.c" "CMakeFiles/jadelamp_window.dir/host/window/stage_wake.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/stage_wake.c.o.d"
  "/work/main/host/window/view.c" "CMakeFiles/jadelamp_window.dir/host/window/view.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/view.c.o.d"
  "/work/main/host/window/window.c" "CMakeFiles/jadelamp_window.dir/host/window/window.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/window.c.o.d"
  "/work/main/host/window/window_main.c" "CMakeFiles/jadelamp_window.dir/host/window/window_main.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/window_main.c.o.d"
  "/work/main/host/window/wishes.c" "CMakeFiles/jadelamp_window.dir/host/window/wishes.c.o" "gcc" "CMakeFiles/jadelamp_window.dir/host/window/wishes.c.o.d"
  )

# Targets to which this target links.
set(CMAKE_TARGET_LINKED_INFO_FILES
  "/work/main/build-asan/CMakeFiles/jadelamp_host.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp_sim.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp.dir/DependInfo.cmake"
  )

# Fortran module output directory.
set(CMAKE_Fortran_TARGET_MODULE_DIR "")
