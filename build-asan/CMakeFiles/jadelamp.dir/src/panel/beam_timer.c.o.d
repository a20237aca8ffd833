CMakeFiles/jadelamp.dir/src/panel/beam_timer.c.o: \
 /work/main/src/panel/beam_timer.c /work/main/include/jadelamp/beam.h \
 /work/main/include/jadelamp/panel.h /work/main/include/jadelamp/bus.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/controller.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/frame.h /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/port.h /work/main/include/jadelamp/wake.h \
 /work/main/src/panel/panel.h
