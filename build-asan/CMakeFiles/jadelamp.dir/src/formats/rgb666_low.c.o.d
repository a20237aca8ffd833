CMakeFiles/jadelamp.dir/src/formats/rgb666_low.c.o: \
 /work/main/src/formats/rgb666_low.c \
 /work/main/src/formats/bytes_template.h /work/main/src/formats/format.h \
 /work/main/src/formats/../core/mem.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/draw.h /work/main/include/jadelamp/target.h \
 /work/main/include/jadelamp/color.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/frame.h /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/status.h /work/main/src/formats/words.h
