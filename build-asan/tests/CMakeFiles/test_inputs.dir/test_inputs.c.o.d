tests/CMakeFiles/test_inputs.dir/test_inputs.c.o: \
 /work/main/tests/test_inputs.c /usr/include/stdc-predef.h \
 /work/main/tests/harness.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h /usr/include/stdint.h \
 /usr/include/x86_64-linux-gnu/bits/libc-header-start.h \
 /usr/include/features.h /usr/include/features-time64.h \
 /usr/include/x86_64-linux-gnu/bits/wordsize.h \
 /usr/include/x86_64-linux-gnu/bits/timesize.h \
 /usr/include/x86_64-linux-gnu/sys/cdefs.h \
 /usr/include/x86_64-linux-gnu/bits/long-double.h \
 /usr/include/x86_64-linux-gnu/gnu/stubs.h \
 /usr/include/x86_64-linux-gnu/gnu/stubs-64.h \
 /usr/include/x86_64-linux-gnu/bits/types.h \
 /usr/include/x86_64-linux-gnu/bits/typesizes.h \
 /usr/include/x86_64-linux-gnu/bits/time64.h \
 /usr/include/x86_64-linux-gnu/bits/wchar.h \
 /usr/include/x86_64-linux-gnu/bits/stdint-intn.h \
 /usr/include/x86_64-linux-gnu/bits/stdint-uintn.h \
 /work/main/sim/include/jadelamp/sim/picture.h /usr/include/stdio.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdarg.h \
 /usr/include/x86_64-linux-gnu/bits/types/__fpos_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__mbstate_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__fpos64_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__FILE.h \
 /usr/include/x86_64-linux-gnu/bits/types/FILE.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_FILE.h \
 /usr/include/x86_64-linux-gnu/bits/stdio_lim.h \
 /usr/include/x86_64-linux-gnu/bits/floatn.h \
 /usr/include/x86_64-linux-gnu/bits/floatn-common.h \
 /usr/include/x86_64-linux-gnu/bits/stdio.h /usr/include/stdlib.h \
 /usr/include/x86_64-linux-gnu/bits/waitflags.h \
 /usr/include/x86_64-linux-gnu/bits/waitstatus.h \
 /usr/include/x86_64-linux-gnu/sys/types.h \
 /usr/include/x86_64-linux-gnu/bits/types/clock_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/clockid_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/time_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/timer_t.h /usr/include/endian.h \
 /usr/include/x86_64-linux-gnu/bits/endian.h \
 /usr/include/x86_64-linux-gnu/bits/endianness.h \
 /usr/include/x86_64-linux-gnu/bits/byteswap.h \
 /usr/include/x86_64-linux-gnu/bits/uintn-identity.h \
 /usr/include/x86_64-linux-gnu/sys/select.h \
 /usr/include/x86_64-linux-gnu/bits/select.h \
 /usr/include/x86_64-linux-gnu/bits/types/sigset_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__sigset_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_timeval.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_timespec.h \
 /usr/include/x86_64-linux-gnu/bits/pthreadtypes.h \
 /usr/include/x86_64-linux-gnu/bits/thread-shared-types.h \
 /usr/include/x86_64-linux-gnu/bits/pthreadtypes-arch.h \
 /usr/include/x86_64-linux-gnu/bits/atomic_wide_counter.h \
 /usr/include/x86_64-linux-gnu/bits/struct_mutex.h \
 /usr/include/x86_64-linux-gnu/bits/struct_rwlock.h /usr/include/alloca.h \
 /usr/include/x86_64-linux-gnu/bits/stdlib-bsearch.h \
 /usr/include/x86_64-linux-gnu/bits/stdlib-float.h /usr/include/string.h \
 /usr/include/x86_64-linux-gnu/bits/types/locale_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__locale_t.h \
 /usr/include/strings.h /work/main/tests/touch_stage.h \
 /work/main/include/jadelamp/jadelamp.h \
 /work/main/include/jadelamp/version.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/color.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/controller.h \
 /work/main/include/jadelamp/bus.h /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/frame.h /work/main/include/jadelamp/draw.h \
 /work/main/include/jadelamp/dither.h \
 /work/main/include/jadelamp/shapes.h \
 /work/main/include/jadelamp/smooth.h /work/main/include/jadelamp/image.h \
 /work/main/include/jadelamp/transform.h \
 /work/main/include/jadelamp/animation.h \
 /work/main/include/jadelamp/font.h /work/main/include/jadelamp/text.h \
 /work/main/include/jadelamp/format.h \
 /work/main/include/jadelamp/compose.h \
 /work/main/include/jadelamp/icons.h /work/main/include/jadelamp/port.h \
 /work/main/include/jadelamp/wake.h /work/main/include/jadelamp/panel.h \
 /work/main/include/jadelamp/async.h /work/main/include/jadelamp/bands.h \
 /work/main/include/jadelamp/beam.h \
 /work/main/include/jadelamp/char_panel.h \
 /work/main/include/jadelamp/char_wiring.h \
 /work/main/include/jadelamp/direct.h \
 /work/main/include/jadelamp/calibration.h \
 /work/main/include/jadelamp/touch.h \
 /work/main/include/jadelamp/touch_map.h \
 /work/main/include/jadelamp/event.h \
 /work/main/include/jadelamp/instruments.h \
 /work/main/include/jadelamp/instruments/bar.h \
 /work/main/include/jadelamp/instruments/instrument.h \
 /work/main/include/jadelamp/theme.h \
 /work/main/include/jadelamp/instruments/button.h \
 /work/main/include/jadelamp/instruments/chart.h \
 /work/main/include/jadelamp/instruments/check.h \
 /work/main/include/jadelamp/instruments/dial.h \
 /work/main/include/jadelamp/instruments/digits.h \
 /work/main/include/jadelamp/instruments/lamp.h \
 /work/main/include/jadelamp/instruments/level.h \
 /work/main/include/jadelamp/instruments/list.h \
 /work/main/include/jadelamp/instruments/menu.h \
 /work/main/include/jadelamp/instruments/message.h \
 /work/main/include/jadelamp/instruments/number.h \
 /work/main/include/jadelamp/instruments/pages.h \
 /work/main/include/jadelamp/instruments/progress.h \
 /work/main/include/jadelamp/instruments/slider.h \
 /work/main/include/jadelamp/instruments/stepper.h \
 /work/main/include/jadelamp/light.h \
 /work/main/include/jadelamp/magnify.h \
 /work/main/include/jadelamp/scanout.h \
 /work/main/include/jadelamp/epaper.h \
 /work/main/include/jadelamp/controllers/gc9a01.h \
 /work/main/include/jadelamp/controllers/dcs.h \
 /work/main/include/jadelamp/controllers/ili9341.h \
 /work/main/include/jadelamp/controllers/ili9488.h \
 /work/main/include/jadelamp/controllers/pcd8544.h \
 /work/main/include/jadelamp/controllers/rgb_glass.h \
 /work/main/include/jadelamp/controllers/sh1106.h \
 /work/main/include/jadelamp/controllers/ssd1305.h \
 /work/main/include/jadelamp/controllers/ssd1306.h \
 /work/main/include/jadelamp/controllers/ssd1309.h \
 /work/main/include/jadelamp/controllers/ssd1322.h \
 /work/main/include/jadelamp/controllers/ssd_oled.h \
 /work/main/include/jadelamp/controllers/ssd1327.h \
 /work/main/include/jadelamp/controllers/ssd1331.h \
 /work/main/include/jadelamp/controllers/ssd1351.h \
 /work/main/include/jadelamp/controllers/ssd1680.h \
 /work/main/include/jadelamp/controllers/st7565.h \
 /work/main/include/jadelamp/controllers/st7567.h \
 /work/main/include/jadelamp/controllers/st7701.h \
 /work/main/include/jadelamp/controllers/st7735.h \
 /work/main/include/jadelamp/controllers/st7789.h \
 /work/main/include/jadelamp/controllers/st7920.h \
 /work/main/include/jadelamp/controllers/st7920_text.h \
 /work/main/include/jadelamp/controllers/start_line.h \
 /work/main/include/jadelamp/controllers/uc1701.h \
 /work/main/include/jadelamp/controllers/uc8151.h \
 /work/main/sim/include/jadelamp/sim/sim_port.h \
 /work/main/sim/include/jadelamp/sim/rgb.h \
 /work/main/sim/include/jadelamp/sim/board.h \
 /work/main/sim/include/jadelamp/sim/codes.h \
 /work/main/sim/include/jadelamp/sim/glass.h \
 /work/main/sim/include/jadelamp/sim/touch.h
