CMakeFiles/jadelamp.dir/src/smooth/smooth_polyline.c.o: \
 /work/main/src/smooth/smooth_polyline.c /work/main/src/smooth/stroke.h \
 /work/main/src/smooth/cut.h /work/main/src/smooth/../core/paint.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/smooth.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/shapes.h
