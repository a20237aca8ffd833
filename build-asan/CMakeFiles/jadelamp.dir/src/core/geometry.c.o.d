CMakeFiles/jadelamp.dir/src/core/geometry.c.o: \
 /work/main/src/core/geometry.c /work/main/src/core/rect.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h
