CMakeFiles/jadelamp.dir/src/core/damage.c.o: /work/main/src/core/damage.c \
 /work/main/include/jadelamp/damage.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h
