CMakeFiles/jadelamp.dir/src/chars/wire_waiting.c.o: \
 /work/main/src/chars/wire_waiting.c /work/main/src/chars/wire_parallel.h \
 /work/main/src/chars/cells.h /work/main/include/jadelamp/char_panel.h \
 /work/main/include/jadelamp/char_wiring.h \
 /work/main/include/jadelamp/port.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h
