
# Consider dependencies only in project.
set(CMAKE_DEPENDS_IN_PROJECT_ONLY OFF)

# The set of languages for which implicit dependencies are needed:
set(CMAKE_DEPENDS_LANGUAGES
  )

# The set of dependency files which are needed:
set(CMAKE_DEPENDS_DEPENDENCY_FILES
  "/work/main/demo/harbour/boards.c" "CMakeFiles/jadelamp_demo.dir/demo/harbour/boards.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/harbour/boards.c.o.d"
  "/work/main/demo/harbour/consoles.c" "CMakeFiles/jadelamp_demo.dir/demo/harbour/consoles.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/harbour/consoles.c.o.d"
  "/work/main/demo/harbour/csv_table.c" "CMakeFiles/jadelamp_demo.dir/demo/harbour/csv_table.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/harbour/csv_table.c.o.d"
  "/work/main/demo/harbour/data_path.c" "CMakeFiles/jadelamp_demo.dir/demo/harbour/data_path.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/harbour/data_path.c.o.d"
  "/work/main/demo/harbour/quay_morning.c" "CMakeFiles/jadelamp_demo.dir/demo/harbour/quay_morning.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/harbour/quay_morning.c.o.d"
  "/work/main/demo/harbour/tide.c" "CMakeFiles/jadelamp_demo.dir/demo/harbour/tide.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/harbour/tide.c.o.d"
  "/work/main/demo/views/basin_scene.c" "CMakeFiles/jadelamp_demo.dir/demo/views/basin_scene.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/basin_scene.c.o.d"
  "/work/main/demo/views/berth_plate_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/berth_plate_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/berth_plate_view.c.o.d"
  "/work/main/demo/views/digit_parts.c" "CMakeFiles/jadelamp_demo.dir/demo/views/digit_parts.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/digit_parts.c.o.d"
  "/work/main/demo/views/harbour_console_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/harbour_console_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/harbour_console_view.c.o.d"
  "/work/main/demo/views/lock_display_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/lock_display_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/lock_display_view.c.o.d"
  "/work/main/demo/views/lock_glyphs.c" "CMakeFiles/jadelamp_demo.dir/demo/views/lock_glyphs.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/lock_glyphs.c.o.d"
  "/work/main/demo/views/lock_panel_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/lock_panel_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/lock_panel_view.c.o.d"
  "/work/main/demo/views/notice_board_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/notice_board_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/notice_board_view.c.o.d"
  "/work/main/demo/views/quay_gauge_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/quay_gauge_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/quay_gauge_view.c.o.d"
  "/work/main/demo/views/sluice_sign_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/sluice_sign_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/sluice_sign_view.c.o.d"
  "/work/main/demo/views/tide_board_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/tide_board_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/tide_board_view.c.o.d"
  "/work/main/demo/views/tide_table_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/tide_table_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/tide_table_view.c.o.d"
  "/work/main/demo/views/wind_dial_view.c" "CMakeFiles/jadelamp_demo.dir/demo/views/wind_dial_view.c.o" "gcc" "CMakeFiles/jadelamp_demo.dir/demo/views/wind_dial_view.c.o.d"
  )

# Targets to which this target links.
set(CMAKE_TARGET_LINKED_INFO_FILES
  "/work/main/build-asan/CMakeFiles/jadelamp_host.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp_sim.dir/DependInfo.cmake"
  "/work/main/build-asan/CMakeFiles/jadelamp.dir/DependInfo.cmake"
  )

# Fortran module output directory.
set(CMAKE_Fortran_TARGET_MODULE_DIR "")
