CMakeFiles/jadelamp.dir/src/chars/marquee.c.o: \
 /work/main/src/chars/marquee.c /work/main/src/chars/../core/utf8.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/src/chars/../core/mem.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/src/chars/cells.h /work/main/include/jadelamp/char_panel.h \
 /work/main/include/jadelamp/char_wiring.h \
 /work/main/include/jadelamp/port.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/status.h
