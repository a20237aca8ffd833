/*
 * ssd1680 and ssd1681: e-paper of up to 176 x 296 and 200 x 200, black/white or with red; SPI. BUSY
 * is high while it is busy, and has to be wired, as reset has for deep sleep. epaper.h says how
 * such panels are used.
 *
 * Formats: jl_black_white (or jl_mono_rows), jl_black_white_red, jl_grey2_planes. A picture in RAM
 * begins at columns that are a multiple of 8 (column_offset); JL_MODULE_MIRROR_X cannot be done,
 * draw with jl_target_turn() instead (jl_panel_wake() gives JL_BAD_TURN).
 *
 * Deep sleep keeps the RAM: after jl_panel_resume() partial updates go on.
 */
#ifndef JADELAMP_CONTROLLERS_SSD1680_H
#define JADELAMP_CONTROLLERS_SSD1680_H

#include "jadelamp/epaper.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Has full, fast and partial updates by itself; partial ones not on glass with red. */
extern const struct jl_controller jl_ssd1680;
extern const struct jl_controller jl_ssd1681;

/*
 * Waves, 154 bytes of flash each. They are made for the emulated glass, and a good beginning for
 * others: makers tune theirs to each glass, so look at yours before you ship it.
 */

/** As full_wave: four greys (jl_grey2_planes). */
extern const struct jl_wave jl_ssd1680_grey_wave;
/** As partial_wave on glass with red: moves black and white, and leaves red alone. */
extern const struct jl_wave jl_ssd1680_black_white_wave;

#ifdef __cplusplus
}
#endif

#endif
