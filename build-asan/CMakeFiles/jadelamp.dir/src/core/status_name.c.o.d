CMakeFiles/jadelamp.dir/src/core/status_name.c.o: \
 /work/main/src/core/status_name.c /work/main/include/jadelamp/status.h
