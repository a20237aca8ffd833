CMakeFiles/jadelamp.dir/src/formats/grey2_planes.c.o: \
 /work/main/src/formats/grey2_planes.c \
 /work/main/src/formats/../core/packing.h \
 /work/main/include/jadelamp/image.h /work/main/include/jadelamp/frame.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/src/formats/two_planes_template.h \
 /work/main/src/formats/format.h /work/main/src/formats/../core/mem.h \
 /work/main/include/jadelamp/draw.h
