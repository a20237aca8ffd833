CMakeFiles/jadelamp.dir/src/core/cover.c.o: /work/main/src/core/cover.c \
 /work/main/src/core/paint.h /work/main/include/jadelamp/draw.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h /work/main/src/core/rect.h
