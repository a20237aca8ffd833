CMakeFiles/jadelamp.dir/src/scanout/line_buffers.c.o: \
 /work/main/src/scanout/line_buffers.c /work/main/src/scanout/scanout.h \
 /work/main/include/jadelamp/scanout.h \
 /work/main/include/jadelamp/frame.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/port.h
