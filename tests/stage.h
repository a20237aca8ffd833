/*
 * Any panel on any bus of the board, for tests: what the panel's maker says (a row of the table)
 * and what the test wants of it are given apart.
 */
#ifndef JADELAMP_TESTS_STAGE_H
#define JADELAMP_TESTS_STAGE_H

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

enum { STAGE_BYTES = 320 * 480 * 3, MAKES = 25 };

/* A usual panel. */
struct make {
    const char *name;
    const struct jl_controller *controller;
    const struct jl_emulated_part *emulator;
    int width, height, x, y; /* glass, and its place in the RAM */
    int ram_width, ram_height;
    uint8_t module;
    uint32_t clock_hz; /* the datasheet's limit */
    uint32_t cycle_ns;
    const struct jl_format *formats[3]; /* that fit a byte-wise bus; ends with NULL */
    bool round;
    const struct jl_bus *bus; /* the usual one; NULL: 4-wire SPI */
};
extern const struct make makes[MAKES];
const struct make *make_named(const char *name);

struct stage {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_panel_config config;
    struct jl_panel panel;
};

/* What a test changes; zero is an upright panel on its usual bus at its limit. */
struct wish {
    const struct jl_bus *bus;
    const struct jl_format *format;
    const struct jl_motion *motion;
    const struct jl_port_ops *ops;
    uint8_t turn;
    uint8_t module_change; /* bits of enum jl_module that glass and description have changed */
    uint32_t clock_hz;
    uint32_t overhead_ns;
    bool inverted;
};

/* Board, device, bus and description; opened, not woken. Checks as it goes. */
void stage_open(struct stage *stage, const struct make *make, const struct wish *wish);
void stage_close(struct stage *stage);

/* A frame of the panel's size and format, in memory that all stages share. */
struct jl_frame stage_frame(struct stage *stage, int which);

/* Lets 200 ms pass and takes the logical picture; the caller frees it. */
struct jl_picture stage_look(struct stage *stage);

/* Whether a pixel of a one-colour panel's picture, within it, is anything but dark. */
bool stage_lit(const struct jl_picture *picture, int x, int y);

/* Expects that the controller complained about nothing but notes. */
void stage_expect_content(struct stage *stage);

/* Expects exactly one complaint above a note, which contains the text. */
void stage_expect_complaint(struct stage *stage, const char *text);

/* What the glass must show of a frame by the geometry of turns alone; the caller frees it. */
struct jl_picture stage_expected(const struct stage *stage, const struct jl_frame *frame,
                                 const struct make *make);

/* Expects just that on the glass; no matter what the controller complained about. */
void stage_expect_shown(struct stage *stage, const struct make *make, const struct jl_frame *frame);

#endif
