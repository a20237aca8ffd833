examples/CMakeFiles/example_hello.dir/hello.c.o: \
 /work/main/examples/hello.c /usr/include/stdc-predef.h \
 /work/main/examples/example.h /work/main/include/jadelamp/jadelamp.h \
 /work/main/include/jadelamp/version.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
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
 /work/main/include/jadelamp/color.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/controller.h \
 /work/main/include/jadelamp/bus.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h /work/main/include/jadelamp/frame.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/dither.h \
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
 /work/main/include/jadelamp/controllers/uc8151.h
