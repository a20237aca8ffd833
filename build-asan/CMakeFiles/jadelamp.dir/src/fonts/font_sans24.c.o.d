CMakeFiles/jadelamp.dir/src/fonts/font_sans24.c.o: \
 /work/main/src/fonts/font_sans24.c /work/main/include/jadelamp/font.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h
