file(REMOVE_RECURSE
  "CMakeFiles/example_notice.dir/baked/notice_boat.c.o"
  "CMakeFiles/example_notice.dir/baked/notice_boat.c.o.d"
  "CMakeFiles/example_notice.dir/baked/notice_buoy.c.o"
  "CMakeFiles/example_notice.dir/baked/notice_buoy.c.o.d"
  "CMakeFiles/example_notice.dir/baked/notice_cjk.c.o"
  "CMakeFiles/example_notice.dir/baked/notice_cjk.c.o.d"
  "CMakeFiles/example_notice.dir/baked/notice_cyrillic.c.o"
  "CMakeFiles/example_notice.dir/baked/notice_cyrillic.c.o.d"
  "CMakeFiles/example_notice.dir/baked/notice_icons.c.o"
  "CMakeFiles/example_notice.dir/baked/notice_icons.c.o.d"
  "CMakeFiles/example_notice.dir/baked/notice_latin.c.o"
  "CMakeFiles/example_notice.dir/baked/notice_latin.c.o.d"
  "CMakeFiles/example_notice.dir/desktop.c.o"
  "CMakeFiles/example_notice.dir/desktop.c.o.d"
  "CMakeFiles/example_notice.dir/notice.c.o"
  "CMakeFiles/example_notice.dir/notice.c.o.d"
  "baked/notice_boat.c"
  "baked/notice_boat.h"
  "baked/notice_buoy.c"
  "baked/notice_buoy.h"
  "baked/notice_cjk.c"
  "baked/notice_cjk.h"
  "baked/notice_cyrillic.c"
  "baked/notice_cyrillic.h"
  "baked/notice_icons.c"
  "baked/notice_icons.h"
  "baked/notice_latin.c"
  "baked/notice_latin.h"
  "example_notice"
  "example_notice.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/example_notice.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
