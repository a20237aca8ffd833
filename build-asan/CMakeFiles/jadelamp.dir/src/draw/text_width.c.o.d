CMakeFiles/jadelamp.dir/src/draw/text_width.c.o: \
 /work/main/src/draw/text_width.c /work/main/src/draw/text_cells.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/src/draw/font_kind.h /work/main/src/draw/../core/paint.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/font.h /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/text.h /work/main/src/draw/../core/utf8.h
