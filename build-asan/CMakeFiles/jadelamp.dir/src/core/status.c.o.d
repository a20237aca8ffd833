CMakeFiles/jadelamp.dir/src/core/status.c.o: /work/main/src/core/status.c \
 /work/main/include/jadelamp/status.h
