CMakeFiles/jadelamp_sim.dir/sim/codes.c.o: /work/main/sim/codes.c \
 /usr/include/stdc-predef.h /work/main/sim/include/jadelamp/sim/codes.h
