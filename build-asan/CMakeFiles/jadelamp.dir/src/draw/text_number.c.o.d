CMakeFiles/jadelamp.dir/src/draw/text_number.c.o: \
 /work/main/src/draw/text_number.c /work/main/include/jadelamp/format.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/text.h /work/main/include/jadelamp/font.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/geometry.h
