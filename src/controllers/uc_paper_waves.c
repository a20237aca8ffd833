/*
 * Waveform tables for the uc8151, uc8176 and uc8179: commands 20h to 24h. Behind the opcode groups
 * of 6 bytes: levels of 4 phases, two bits each, the first on top (1 to black, 2 to white, 3 to
 * red); frames of each, 50 a second; how often the group is repeated, 0 at the end. 20h is VCOM and
 * has 44 bytes, the others 42.
 */
#include "uc_paper.h"

enum { TABLE = 1 + 42, VCOM_TABLE = 1 + 44 };

#define BLOCK(table)                                                                               \
    { table, sizeof table }

/* VCOM stays at its level; as long as the others. */
static const uint8_t vcom[VCOM_TABLE] = {0x20, 0x00, 15, 0, 0, 0, 1};
/* A pixel that stays, by its command. */
static const uint8_t still_21[TABLE] = {0x21, 0x00, 15, 0, 0, 0, 1};
static const uint8_t still_22[TABLE] = {0x22, 0x00, 15, 0, 0, 0, 1};
static const uint8_t still_24[TABLE] = {0x24, 0x00, 15, 0, 0, 0, 1};

/* By old and new: 21 white, 22 black to white, 23 white to black, 24 black. */
static const uint8_t to_white[TABLE] = {0x22, 0x80, 15, 0, 0, 0, 1};
static const uint8_t to_black[TABLE] = {0x23, 0x40, 15, 0, 0, 0, 1};
static const struct jl_block partial[] = {BLOCK(vcom), BLOCK(still_21), BLOCK(to_white),
                                          BLOCK(to_black), BLOCK(still_24)};
const struct jl_wave jl_uc8151_partial_wave = {partial, 5};

/* With red: 22 red, 23 white, 24 black. */
static const uint8_t white_23[TABLE] = {0x23, 0x80, 15, 0, 0, 0, 1};
static const uint8_t black_24[TABLE] = {0x24, 0x40, 15, 0, 0, 0, 1};
static const struct jl_block black_white[] = {BLOCK(vcom), BLOCK(still_21), BLOCK(still_22),
                                              BLOCK(white_23), BLOCK(black_24)};
const struct jl_wave jl_uc8151_black_white_wave = {black_white, 5};

/*
 * All black for 30 frames, all white for 50, then as many towards black as the grey needs: from
 * white 3 frames are a third of the way, and 8 are two thirds.
 */
static const uint8_t grey_vcom[VCOM_TABLE] = {0x20, 0x00, 30, 50, 5, 3, 1, 0x00, 42, 0, 0, 0, 1};
static const uint8_t white[TABLE] = {0x21, 0x60, 30, 50, 5, 3, 1};
static const uint8_t dark[TABLE] = {0x22, 0x65, 30, 50, 5, 3, 1};
static const uint8_t light[TABLE] = {0x23, 0x61, 30, 50, 5, 3, 1};
static const uint8_t black[TABLE] = {0x24, 0x65, 30, 50, 5, 3, 1, 0x40, 42, 0, 0, 0, 1};
static const struct jl_block grey[] = {BLOCK(grey_vcom), BLOCK(white), BLOCK(dark), BLOCK(light),
                                       BLOCK(black)};
const struct jl_wave jl_uc8151_grey_wave = {grey, 5};
