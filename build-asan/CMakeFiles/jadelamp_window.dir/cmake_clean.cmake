file(REMOVE_RECURSE
  "CMakeFiles/jadelamp_window.dir/host/window/act_sheet.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/act_sheet.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/actor.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/actor.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/acts.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/acts.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/link.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/link.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/pace.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/pace.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/rates.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/rates.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/stage.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/stage.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/stage_note.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/stage_note.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/stage_wake.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/stage_wake.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/view.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/view.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/window.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/window.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/window_main.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/window_main.c.o.d"
  "CMakeFiles/jadelamp_window.dir/host/window/wishes.c.o"
  "CMakeFiles/jadelamp_window.dir/host/window/wishes.c.o.d"
  "libjadelamp-window.a"
  "libjadelamp-window.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/jadelamp_window.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
