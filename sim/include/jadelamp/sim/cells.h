/*
 * Character modules on the board, and the port expander that many have on their back.
 */
#ifndef JADELAMP_SIM_CELLS_H
#define JADELAMP_SIM_CELLS_H

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

/** How the interface of a module is when firmware begins. */
enum jl_cells_start {
    JL_CELLS_RESET,  /**< its own reset at power-on worked: 8 bits, display off */
    JL_CELLS_8_BITS, /**< it did not, or firmware starts again: 8 bits, the rest is noise */
    JL_CELLS_4_BITS, /**< the same with 4 bits, between two bytes */
    JL_CELLS_HALF,   /**< the same after the first nibble of a byte */
};

/** Powers a module up again, in one of these states. */
void jl_cells_start(struct jl_device *device, enum jl_cells_start start);

/**
 * The contrast voltage between supply and V0, millivolts; 4500 at first. Below 3800 nothing is
 * seen, above 5400 every dot is dark.
 */
void jl_cells_voltage(struct jl_device *device, int millivolts);

/** The controllers' oscillators, hertz: 270000 at first, 190000 to 350000 by the datasheet. */
void jl_cells_oscillator(struct jl_device *device, uint32_t hertz);

/** Bytes that the controllers took or ignored so far, each counted on its own. */
uint64_t jl_cells_byte_count(const struct jl_device *device);

/**
 * What stands on the glass and what is hidden in DDRAM beside it, as UTF-8 lines:
 *
 *   |Upper gate open |
 *   |closed at 16:20 |
 *   hidden 10..27 |                        |
 *
 * Hidden runs of blanks are left out. Characters 0..7 of CGRAM are circled numbers; what has no
 * character is a middle dot.
 *
 * @return the bytes of the whole text without its end, as snprintf() does
 */
size_t jl_cells_text(struct jl_device *device, char *out, size_t size);

/** Which output of an expander (0..7) leads where; -1: not connected. */
struct jl_cells_wiring {
    int rs, rw, e, e2, light;
    int data[4]; /**< D4..D7 */
    bool light_low;
};

/**
 * Adds a pcf8574 that drives a module, to be attached to an I2C bus. All outputs are high at
 * power-on. NULL: no memory, no place, or an output is used twice or not there.
 */
struct jl_device *jl_board_add_expander(struct jl_board *board, const char *name,
                                        struct jl_device *module,
                                        const struct jl_cells_wiring *wiring);

#ifdef __cplusplus
}
#endif

#endif
