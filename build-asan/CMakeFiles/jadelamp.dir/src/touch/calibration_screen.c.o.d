CMakeFiles/jadelamp.dir/src/touch/calibration_screen.c.o: \
 /work/main/src/touch/calibration_screen.c \
 /work/main/include/jadelamp/calibration.h \
 /work/main/include/jadelamp/text.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/font.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/touch.h /work/main/include/jadelamp/port.h \
 /work/main/include/jadelamp/touch_map.h \
 /work/main/include/jadelamp/draw.h /work/main/src/touch/touch.h
