CMakeFiles/jadelamp.dir/src/draw/turned.c.o: /work/main/src/draw/turned.c \
 /work/main/src/draw/../core/paint.h /work/main/include/jadelamp/draw.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h /work/main/src/draw/image_read.h \
 /work/main/src/draw/../core/packing.h \
 /work/main/include/jadelamp/image.h /work/main/include/jadelamp/frame.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/transform.h \
 /work/main/include/jadelamp/shapes.h /work/main/src/draw/mean.h
