CMakeFiles/jadelamp.dir/src/instruments/lamp.c.o: \
 /work/main/src/instruments/lamp.c \
 /work/main/include/jadelamp/instruments/lamp.h \
 /work/main/include/jadelamp/instruments/instrument.h \
 /work/main/include/jadelamp/event.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/touch.h /work/main/include/jadelamp/port.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/touch_map.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/theme.h /work/main/include/jadelamp/text.h \
 /work/main/include/jadelamp/font.h \
 /work/main/src/instruments/instrument.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/shapes.h
