CMakeFiles/jadelamp.dir/src/chars/rom_ascii.c.o: \
 /work/main/src/chars/rom_ascii.c \
 /work/main/include/jadelamp/char_wiring.h \
 /work/main/include/jadelamp/port.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h
