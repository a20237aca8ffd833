file(REMOVE_RECURSE
  "CMakeFiles/test_harness.dir/bench_panel.c.o"
  "CMakeFiles/test_harness.dir/bench_panel.c.o.d"
  "CMakeFiles/test_harness.dir/cells_stage.c.o"
  "CMakeFiles/test_harness.dir/cells_stage.c.o.d"
  "CMakeFiles/test_harness.dir/fake_panel.c.o"
  "CMakeFiles/test_harness.dir/fake_panel.c.o.d"
  "CMakeFiles/test_harness.dir/harness.c.o"
  "CMakeFiles/test_harness.dir/harness.c.o.d"
  "CMakeFiles/test_harness.dir/instrument_kinds.c.o"
  "CMakeFiles/test_harness.dir/instrument_kinds.c.o.d"
  "CMakeFiles/test_harness.dir/kinds.c.o"
  "CMakeFiles/test_harness.dir/kinds.c.o.d"
  "CMakeFiles/test_harness.dir/naive.c.o"
  "CMakeFiles/test_harness.dir/naive.c.o.d"
  "CMakeFiles/test_harness.dir/naive_packer.c.o"
  "CMakeFiles/test_harness.dir/naive_packer.c.o.d"
  "CMakeFiles/test_harness.dir/notebook.c.o"
  "CMakeFiles/test_harness.dir/notebook.c.o.d"
  "CMakeFiles/test_harness.dir/paper_stage.c.o"
  "CMakeFiles/test_harness.dir/paper_stage.c.o.d"
  "CMakeFiles/test_harness.dir/raw.c.o"
  "CMakeFiles/test_harness.dir/raw.c.o.d"
  "CMakeFiles/test_harness.dir/shell.c.o"
  "CMakeFiles/test_harness.dir/shell.c.o.d"
  "CMakeFiles/test_harness.dir/stage.c.o"
  "CMakeFiles/test_harness.dir/stage.c.o.d"
  "CMakeFiles/test_harness.dir/touch_stage.c.o"
  "CMakeFiles/test_harness.dir/touch_stage.c.o.d"
  "CMakeFiles/test_harness.dir/vcd.c.o"
  "CMakeFiles/test_harness.dir/vcd.c.o.d"
  "libtest_harness.a"
  "libtest_harness.pdb"
)

# Per-language clean rules from dependency scanning.
foreach(lang C)
  include(CMakeFiles/test_harness.dir/cmake_clean_${lang}.cmake OPTIONAL)
endforeach()
