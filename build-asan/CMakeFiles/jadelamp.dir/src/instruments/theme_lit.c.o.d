CMakeFiles/jadelamp.dir/src/instruments/theme_lit.c.o: \
 /work/main/src/instruments/theme_lit.c \
 /work/main/include/jadelamp/theme.h /work/main/include/jadelamp/text.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/font.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/geometry.h
