/* Emulated controllers by themselves, written to as any firmware might. */
#ifndef JADELAMP_TESTS_RAW_H
#define JADELAMP_TESTS_RAW_H

#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"

/* How a program or a board may have it wrong. */
enum raw_wiring {
    RAW_DC_LOW = 1,
    RAW_DC_HIGH = 2,
    RAW_DC_INVERTED = 4,
    RAW_CS_HIGH = 8,
    RAW_LOW_BIT_FIRST = 16,
    RAW_RESET_HELD = 32, /* low, from the first pulse on */
};

/* A device on an SPI bus, and how to talk to it without a driver. */
struct raw {
    struct jl_board *board;
    struct jl_stream_bus *bus;
    struct jl_device *device;
    bool select_high; /* CS selects while high */
    bool nine, words; /* bytes go as words of nine bits; as the low halves of words of 16 */
    unsigned wiring;  /* sum of enum raw_wiring */
};

/* A board with the device on an SPI bus of mode 0. */
struct raw raw_open(const struct jl_emulated_part *ops, struct jl_glass glass, uint32_t hz);

/* Bytes under one CS, with D/C at a level. */
void raw_send(struct raw *raw, bool data, const uint8_t *bytes, size_t count);

/*
 * A script of words: "C2A" a command, "D0000" data, "~5" waits 5 ms, "R" pulses reset for 200 us,
 * "r" for 1 us, "*100" sends 100 bytes of 00, "+100" of FF.
 */
void raw_play(struct raw *raw, const char *script);

/* Expects exactly one complaint above a note, which contains the text; NULL: none. */
void raw_expect_complaint(struct raw *raw, const char *text);

/* Pixels of a colour 0xRRGGBB on the glass, and the first of them, row by row. */
int raw_count_color(struct jl_device *device, uint32_t color, int *x, int *y);

/* All that was found at a device or a bus, a line each; good until the next call. */
const char *raw_said(struct jl_board *board, const char *device);

#endif
