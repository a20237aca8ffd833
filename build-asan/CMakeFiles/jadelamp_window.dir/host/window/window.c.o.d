CMakeFiles/jadelamp_window.dir/host/window/window.c.o: \
 /work/main/host/window/window.c /usr/include/stdc-predef.h \
 /work/main/host/include/jadelamp/host/window.h \
 /work/main/host/include/jadelamp/host/run.h \
 /work/main/host/include/jadelamp/host/hand_script.h \
 /work/main/host/include/jadelamp/host/complaint.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdbool.h \
 /work/main/sim/include/jadelamp/sim/touch.h \
 /work/main/sim/include/jadelamp/sim/board.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stddef.h \
 /work/main/sim/include/jadelamp/sim/codes.h \
 /work/main/sim/include/jadelamp/sim/glass.h \
 /work/main/sim/include/jadelamp/sim/picture.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdint.h /usr/include/stdint.h \
 /usr/include/x86_64-linux-gnu/bits/libc-header-start.h \
 /usr/include/features.h /usr/include/features-time64.h \
 /usr/include/x86_64-linux-gnu/bits/wordsize.h \
 /usr/include/x86_64-linux-gnu/bits/timesize.h \
 /usr/include/x86_64-linux-gnu/sys/cdefs.h \
 /usr/include/x86_64-linux-gnu/bits/long-double.h \
 /usr/include/x86_64-linux-gnu/gnu/stubs.h \
 /usr/include/x86_64-linux-gnu/gnu/stubs-64.h \
 /usr/include/x86_64-linux-gnu/bits/types.h \
 /usr/include/x86_64-linux-gnu/bits/typesizes.h \
 /usr/include/x86_64-linux-gnu/bits/time64.h \
 /usr/include/x86_64-linux-gnu/bits/wchar.h \
 /usr/include/x86_64-linux-gnu/bits/stdint-intn.h \
 /usr/include/x86_64-linux-gnu/bits/stdint-uintn.h \
 /work/main/host/include/jadelamp/host/sight.h /usr/include/stdio.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdarg.h \
 /usr/include/x86_64-linux-gnu/bits/types/__fpos_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__mbstate_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__fpos64_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__FILE.h \
 /usr/include/x86_64-linux-gnu/bits/types/FILE.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_FILE.h \
 /usr/include/x86_64-linux-gnu/bits/stdio_lim.h \
 /usr/include/x86_64-linux-gnu/bits/floatn.h \
 /usr/include/x86_64-linux-gnu/bits/floatn-common.h \
 /usr/include/x86_64-linux-gnu/bits/stdio.h \
 /work/main/host/include/jadelamp/host/rig.h \
 /work/main/include/jadelamp/char_panel.h \
 /work/main/include/jadelamp/char_wiring.h \
 /work/main/include/jadelamp/port.h /work/main/include/jadelamp/status.h \
 /work/main/include/jadelamp/epaper.h /work/main/include/jadelamp/panel.h \
 /work/main/include/jadelamp/bus.h \
 /work/main/include/jadelamp/controller.h \
 /work/main/include/jadelamp/geometry.h \
 /work/main/include/jadelamp/frame.h /work/main/include/jadelamp/damage.h \
 /work/main/include/jadelamp/target.h /work/main/include/jadelamp/color.h \
 /work/main/include/jadelamp/wake.h /work/main/include/jadelamp/touch.h \
 /work/main/include/jadelamp/touch_map.h \
 /work/main/host/include/jadelamp/host/card.h \
 /work/main/host/include/jadelamp/host/catalog.h \
 /work/main/include/jadelamp/scanout.h \
 /work/main/sim/include/jadelamp/sim/cells.h \
 /work/main/sim/include/jadelamp/sim/sim_port.h \
 /work/main/sim/include/jadelamp/sim/rgb.h \
 /work/main/host/include/jadelamp/host/screen_sheet.h \
 /work/main/include/jadelamp/event.h /usr/include/SDL2/SDL.h \
 /usr/include/SDL2/SDL_main.h /usr/include/SDL2/SDL_stdinc.h \
 /usr/include/SDL2/SDL_config.h \
 /usr/include/x86_64-linux-gnu/SDL2/_real_SDL_config.h \
 /usr/include/SDL2/SDL_platform.h /usr/include/SDL2/begin_code.h \
 /usr/include/SDL2/close_code.h /usr/include/x86_64-linux-gnu/sys/types.h \
 /usr/include/x86_64-linux-gnu/bits/types/clock_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/clockid_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/time_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/timer_t.h /usr/include/endian.h \
 /usr/include/x86_64-linux-gnu/bits/endian.h \
 /usr/include/x86_64-linux-gnu/bits/endianness.h \
 /usr/include/x86_64-linux-gnu/bits/byteswap.h \
 /usr/include/x86_64-linux-gnu/bits/uintn-identity.h \
 /usr/include/x86_64-linux-gnu/sys/select.h \
 /usr/include/x86_64-linux-gnu/bits/select.h \
 /usr/include/x86_64-linux-gnu/bits/types/sigset_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__sigset_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_timeval.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_timespec.h \
 /usr/include/x86_64-linux-gnu/bits/pthreadtypes.h \
 /usr/include/x86_64-linux-gnu/bits/thread-shared-types.h \
 /usr/include/x86_64-linux-gnu/bits/pthreadtypes-arch.h \
 /usr/include/x86_64-linux-gnu/bits/atomic_wide_counter.h \
 /usr/include/x86_64-linux-gnu/bits/struct_mutex.h \
 /usr/include/x86_64-linux-gnu/bits/struct_rwlock.h /usr/include/stdlib.h \
 /usr/include/x86_64-linux-gnu/bits/waitflags.h \
 /usr/include/x86_64-linux-gnu/bits/waitstatus.h /usr/include/alloca.h \
 /usr/include/x86_64-linux-gnu/bits/stdlib-bsearch.h \
 /usr/include/x86_64-linux-gnu/bits/stdlib-float.h /usr/include/string.h \
 /usr/include/x86_64-linux-gnu/bits/types/locale_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/__locale_t.h \
 /usr/include/strings.h /usr/include/wchar.h \
 /usr/include/x86_64-linux-gnu/bits/types/wint_t.h \
 /usr/include/x86_64-linux-gnu/bits/types/mbstate_t.h \
 /usr/include/inttypes.h /usr/include/ctype.h /usr/include/math.h \
 /usr/include/x86_64-linux-gnu/bits/math-vector.h \
 /usr/include/x86_64-linux-gnu/bits/libm-simd-decl-stubs.h \
 /usr/include/x86_64-linux-gnu/bits/flt-eval-method.h \
 /usr/include/x86_64-linux-gnu/bits/fp-logb.h \
 /usr/include/x86_64-linux-gnu/bits/fp-fast.h \
 /usr/include/x86_64-linux-gnu/bits/mathcalls-helper-functions.h \
 /usr/include/x86_64-linux-gnu/bits/mathcalls.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/float.h \
 /usr/include/SDL2/SDL_assert.h /usr/include/SDL2/SDL_atomic.h \
 /usr/include/SDL2/SDL_platform.h /usr/include/SDL2/SDL_audio.h \
 /usr/include/SDL2/SDL_error.h /usr/include/SDL2/SDL_endian.h \
 /usr/include/SDL2/SDL_mutex.h /usr/include/SDL2/SDL_thread.h \
 /usr/include/SDL2/SDL_rwops.h /usr/include/SDL2/SDL_clipboard.h \
 /usr/include/SDL2/SDL_cpuinfo.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/immintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/x86gprintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/ia32intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/adxintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/bmiintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/bmi2intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/cetintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/cldemoteintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/clflushoptintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/clwbintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/clzerointrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/enqcmdintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/fxsrintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/lzcntintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/lwpintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/movdirintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/mwaitintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/mwaitxintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/pconfigintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/popcntintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/pkuintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/rdseedintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/rtmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/serializeintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/sgxintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/tbmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/tsxldtrkintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/uintrintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/waitpkgintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/wbnoinvdintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/xsaveintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/xsavecintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/xsaveoptintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/xsavesintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/xtestintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/hresetintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/mmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/xmmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/mm_malloc.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/emmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/pmmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/tmmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/smmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/wmmintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avxintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avxvnniintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx2intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512fintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512erintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512pfintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512cdintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512bwintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512dqintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vlbwintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vldqintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512ifmaintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512ifmavlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vbmiintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vbmivlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx5124fmapsintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx5124vnniwintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vpopcntdqintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vbmi2intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vbmi2vlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vnniintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vnnivlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vpopcntdqvlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512bitalgintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vp2intersectintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512vp2intersectvlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512fp16intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512fp16vlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/shaintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/fmaintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/f16cintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/gfniintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/vaesintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/vpclmulqdqintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512bf16vlintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/avx512bf16intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/amxtileintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/amxint8intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/amxbf16intrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/prfchwintrin.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/keylockerintrin.h \
 /usr/include/SDL2/SDL_events.h /usr/include/SDL2/SDL_video.h \
 /usr/include/SDL2/SDL_pixels.h /usr/include/SDL2/SDL_rect.h \
 /usr/include/SDL2/SDL_surface.h /usr/include/SDL2/SDL_blendmode.h \
 /usr/include/SDL2/SDL_keyboard.h /usr/include/SDL2/SDL_keycode.h \
 /usr/include/SDL2/SDL_scancode.h /usr/include/SDL2/SDL_mouse.h \
 /usr/include/SDL2/SDL_joystick.h /usr/include/SDL2/SDL_guid.h \
 /usr/include/SDL2/SDL_gamecontroller.h /usr/include/SDL2/SDL_sensor.h \
 /usr/include/SDL2/SDL_quit.h /usr/include/SDL2/SDL_gesture.h \
 /usr/include/SDL2/SDL_touch.h /usr/include/SDL2/SDL_filesystem.h \
 /usr/include/SDL2/SDL_haptic.h /usr/include/SDL2/SDL_hidapi.h \
 /usr/include/SDL2/SDL_hints.h /usr/include/SDL2/SDL_loadso.h \
 /usr/include/SDL2/SDL_log.h /usr/include/SDL2/SDL_messagebox.h \
 /usr/include/SDL2/SDL_metal.h /usr/include/SDL2/SDL_power.h \
 /usr/include/SDL2/SDL_render.h /usr/include/SDL2/SDL_shape.h \
 /usr/include/SDL2/SDL_system.h /usr/include/SDL2/SDL_timer.h \
 /usr/include/SDL2/SDL_version.h /usr/include/SDL2/SDL_locale.h \
 /usr/include/SDL2/SDL_misc.h /work/main/host/window/actor.h \
 /usr/include/time.h /usr/include/x86_64-linux-gnu/bits/time.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_tm.h \
 /usr/include/x86_64-linux-gnu/bits/types/struct_itimerspec.h \
 /work/main/host/window/link.h \
 /usr/lib/gcc/x86_64-linux-gnu/12/include/stdatomic.h \
 /work/main/host/window/pace.h /work/main/host/window/rates.h \
 /work/main/host/window/view.h
