CMakeFiles/jadelamp.dir/src/light/light_pin.c.o: \
 /work/main/src/light/light_pin.c /work/main/include/jadelamp/light.h \
 /work/main/include/jadelamp/event.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/touch.h /work/main/include/jadelamp/port.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/touch_map.h \
 /work/main/include/jadelamp/panel.h /work/main/include/jadelamp/bus.h \
 /work/main/include/jadelamp/controller.h \
 /work/main/include/jadelamp/frame.h /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/wake.h
