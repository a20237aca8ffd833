CMakeFiles/jadelamp.dir/src/draw/format_float.c.o: \
 /work/main/src/draw/format_float.c /work/main/include/jadelamp/format.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/src/draw/../core/mem.h /work/main/src/draw/digits.h
