CMakeFiles/jadelamp_host.dir/shipped_cards.c.o: \
 /work/main/build-asan/shipped_cards.c /usr/include/stdc-predef.h \
 /work/main/host/cards/shipped_cards.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h
