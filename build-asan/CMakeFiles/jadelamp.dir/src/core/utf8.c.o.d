CMakeFiles/jadelamp.dir/src/core/utf8.c.o: /work/main/src/core/utf8.c \
 /work/main/src/core/utf8.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h
