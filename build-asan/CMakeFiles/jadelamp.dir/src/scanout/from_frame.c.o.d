CMakeFiles/jadelamp.dir/src/scanout/from_frame.c.o: \
 /work/main/src/scanout/from_frame.c /work/main/src/scanout/../core/mem.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/src/scanout/../core/paint.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/scanout.h \
 /work/main/include/jadelamp/frame.h /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/status.h /work/main/include/jadelamp/port.h
