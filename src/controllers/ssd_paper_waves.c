/*
 * Waveform tables for the ssd1680 and ssd1681 (command 32h). Behind the opcode: 12 level bytes for
 * each of 4 kinds of pixels and for VCOM; 12 groups of 7 times (A, B, repeats of both, C, D,
 * repeats of both, repeats of all, less one); 6 bytes of frame rates, 50 Hz; 3 of gate scan. A
 * level byte has two bits a phase, A first: 1 to black, 2 to white, 3 to red. The kind of a pixel
 * is the bit of plane 26 twice, and that of 24.
 */
#include "ssd_paper.h"

enum { KIND = 12, TIMES = 1 + 5 * KIND, RATES = TIMES + 12 * 7, TABLE = RATES + 9 };

#define RATES_OF_50_HZ                                                                             \
    [RATES] = 0x22, [RATES + 1] = 0x22, [RATES + 2] = 0x22, [RATES + 3] = 0x22,                    \
    [RATES + 4] = 0x22, [RATES + 5] = 0x22

/*
 * All black for 30 frames, all white for 50, then as many towards black as the grey needs: from
 * white 3 frames are a third of the way, and 8 are two thirds.
 */
static const uint8_t grey[TABLE] = {
    0x32,
    [1] = 0x65,
    0x40,                  /* black: C, D and group 1 */
    [1 + KIND] = 0x61,     /* light: D */
    [1 + 2 * KIND] = 0x65, /* dark: C, D */
    [1 + 3 * KIND] = 0x60, /* white */
    [TIMES] = 30,
    50,
    0,
    5,
    3,
    0,
    0,
    42,
    RATES_OF_50_HZ,
};

/* Each pixel of black or white is driven to where it should be, without a flash. */
static const uint8_t black_white[TABLE] = {
    0x32, [1] = 0x40, [1 + KIND] = 0x80, [TIMES] = 15, RATES_OF_50_HZ,
};

static const struct jl_block grey_block = {grey, sizeof grey};
static const struct jl_block black_white_block = {black_white, sizeof black_white};

const struct jl_wave jl_ssd1680_grey_wave = {&grey_block, 1};
const struct jl_wave jl_ssd1680_black_white_wave = {&black_white_block, 1};
