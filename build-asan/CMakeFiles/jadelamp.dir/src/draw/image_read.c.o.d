CMakeFiles/jadelamp.dir/src/draw/image_read.c.o: \
 /work/main/src/draw/image_read.c /work/main/src/draw/image_read.h \
 /work/main/src/draw/../core/packing.h \
 /work/main/include/jadelamp/image.h /work/main/include/jadelamp/frame.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/src/draw/../core/lines.h
