/*
 * Glass with two or three controllers side by side, each with pages of its own columns: ks0108,
 * sed1520. Their selects are pins beside the bus. Between calls all are selected, so that commands
 * go to all.
 */
#ifndef JADELAMP_SRC_CHIPS_H
#define JADELAMP_SRC_CHIPS_H

#include "jadelamp/panel.h"

enum { CHIP_LEFT = 1, CHIPS_ALL = 7 }; /* the next ones are bits 1 and 2 */

/* A step that selects chips. Blocks have no other use for these parts. */
#define CHIPS_STEP(mask) JL_STEP_CODE_BLOCK, (mask)

/* Runs it. */
jl_status jl_chips_step(const struct jl_panel *panel, const uint8_t *step);

/* Stretch by stretch: a page of a chip at a time; `columns` of each chip are on the glass, and its
 * columns are numbered from `first` on. */
size_t jl_chips_next(const struct jl_rect *area, struct jl_stretch *stretch, uint8_t *out,
                     int columns, uint8_t first);

/* Off, 0, or on; `off` is the opcode, and on the one behind it. */
size_t jl_chips_power(uint8_t *out, uint8_t off, bool on);

#endif
