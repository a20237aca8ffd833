CMakeFiles/jadelamp.dir/src/touch/calibrate.c.o: \
 /work/main/src/touch/calibrate.c /work/main/include/jadelamp/touch_map.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/status.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h
