CMakeFiles/jadelamp.dir/src/epaper/paper_policy.c.o: \
 /work/main/src/epaper/paper_policy.c \
 /work/main/src/epaper/../panel/present.h \
 /work/main/src/epaper/../panel/area.h \
 /work/main/src/epaper/../panel/../core/lines.h \
 /work/main/include/jadelamp/frame.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/include/jadelamp/damage.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/include/jadelamp/geometry.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint-gcc.h \
 /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/panel.h /work/main/include/jadelamp/bus.h \
 /work/main/include/jadelamp/controller.h \
 /work/main/include/jadelamp/port.h /work/main/include/jadelamp/wake.h \
 /work/main/src/epaper/paper.h /work/main/src/epaper/../panel/panel.h \
 /work/main/include/jadelamp/epaper.h
