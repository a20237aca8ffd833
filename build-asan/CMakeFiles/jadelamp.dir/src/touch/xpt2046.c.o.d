CMakeFiles/jadelamp.dir/src/touch/xpt2046.c.o: \
 /work/main/src/touch/xpt2046.c /work/main/src/touch/touch.h \
 /work/main/include/jadelamp/touch.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/port.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/touch_map.h
