CMakeFiles/jadelamp.dir/src/draw/path_rows.c.o: \
 /work/main/src/draw/path_rows.c /work/main/src/draw/path.h \
 /work/main/include/jadelamp/shapes.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/src/draw/../core/paint.h /work/main/src/draw/ellipse.h \
 /work/main/src/draw/line_row.h
