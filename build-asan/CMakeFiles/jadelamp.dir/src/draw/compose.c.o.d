CMakeFiles/jadelamp.dir/src/draw/compose.c.o: \
 /work/main/src/draw/compose.c /work/main/include/jadelamp/compose.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/src/draw/../core/mem.h /work/main/src/draw/../core/utf8.h \
 /work/main/include/jadelamp/format.h
