CMakeFiles/jadelamp.dir/src/formats/words.c.o: \
 /work/main/src/formats/words.c /work/main/src/formats/words.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h
