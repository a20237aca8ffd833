CMakeFiles/jadelamp.dir/src/core/painter.c.o: \
 /work/main/src/core/painter.c /work/main/src/core/painter.h \
 /work/main/src/core/paint.h /work/main/include/jadelamp/draw.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h
