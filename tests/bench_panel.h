/*
 * A panel on the board for tests: glass and description are given apart, so that
 * a test can make them disagree.
 */
#ifndef JADELAMP_TESTS_BENCH_PANEL_H
#define JADELAMP_TESTS_BENCH_PANEL_H

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

struct bench_panel {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_panel_config config;
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
};

/* The 128x64 module on I2C at 0x3C, 400 kHz; fields may be changed before bench_open(). */
struct jl_panel_config bench_usual_config(void);

/* Board with that glass, description opened, frame of its size. Checks as it goes. */
void bench_open(struct bench_panel *bench, const struct jl_panel_config *config,
                const struct jl_glass *glass);

/* The same, with the glass that fits the description. */
void bench_open_usual(struct bench_panel *bench, const struct jl_panel_config *config);

void bench_close(struct bench_panel *bench);

/* Lets 200 ms pass and takes the logical picture; the caller frees it. */
struct jl_picture bench_look(struct bench_panel *bench);

#endif
