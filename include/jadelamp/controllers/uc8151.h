/*
 * uc8151, uc8176 and uc8179: e-paper of up to 160 x 296, 400 x 300 and 800 x 600, black/white or
 * with red; SPI. BUSY is low while it is busy, and has to be wired, as reset has for deep sleep.
 * epaper.h says how such panels are used.
 *
 * Formats: jl_black_white (or jl_mono_rows), jl_black_white_red, jl_grey2_planes. The glass may be
 * mirrored both ways. Offsets of columns are multiples of 8.
 *
 * Deep sleep loses the RAM: the first update after jl_panel_resume() is a full one.
 */
#ifndef JADELAMP_CONTROLLERS_UC8151_H
#define JADELAMP_CONTROLLERS_UC8151_H

#include "jadelamp/epaper.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Full and fast updates by itself; partial ones with a wave. */
extern const struct jl_controller jl_uc8151;
extern const struct jl_controller jl_uc8176;
/** Has partial updates, too. */
extern const struct jl_controller jl_uc8179;

/*
 * Waves for all three, about 220 bytes of flash each. They are made for the emulated glass, and a
 * good beginning for others: makers tune theirs to each glass, so look at yours before you ship it.
 */

/** As partial_wave on black/white glass. */
extern const struct jl_wave jl_uc8151_partial_wave;
/** As partial_wave on glass with red: moves black and white, and leaves red alone. */
extern const struct jl_wave jl_uc8151_black_white_wave;
/** As full_wave: four greys (jl_grey2_planes). */
extern const struct jl_wave jl_uc8151_grey_wave;

#ifdef __cplusplus
}
#endif

#endif
