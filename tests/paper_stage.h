/* An e-paper panel on the board for tests. */
#ifndef JADELAMP_TESTS_PAPER_STAGE_H
#define JADELAMP_TESTS_PAPER_STAGE_H

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

/* A usual module. */
struct paper_make {
    const char *name;
    const struct jl_controller *controller;
    const struct jl_emulated_part *emulator;
    int width, height, x, y;
    uint8_t module; /* what is beside the reset pin */
    bool has_red;
    const struct jl_wave *partial_wave, *red_partial_wave, *grey_wave;
};

extern const struct paper_make paper_makes[];
extern const size_t paper_make_count;

enum { PAPER_BYTES = 2 * 800 * 480 / 8 };

struct paper_stage {
    const struct paper_make *make;
    struct jl_board *board;
    struct jl_device *device;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_epaper_config paper;
    struct jl_panel_config config;
    struct jl_panel panel;
    struct jl_epaper epaper;
    struct jl_damage damage;
    struct jl_frame frame; /* tracked */
};

/* What a test wants otherwise; all zero is the usual module in its usual format. */
struct paper_wish {
    const struct jl_format *format;
    const struct jl_port_ops *ops;
    struct jl_epaper_config paper; /* waves that are NULL are the make's */
    bool without_policy, without_reset;
    uint8_t module_change;
};

/*
 * A port whose bus fails once, after some transfers that still work (negative: never), and whose
 * BUSY pin may be stuck at a level (negative: it is not). paper_open() heals it.
 */
extern const struct jl_port_ops paper_faulty_ops;
extern struct paper_faults {
    long transfers;
    int stuck_busy;
    bool inverted; /* BUSY; not healed */
} paper_faults;

/* Board, device, description, policy, frame; woken. Checks as it goes. */
void paper_open(struct paper_stage *stage, const struct paper_make *make,
                const struct paper_wish *wish);
void paper_close(struct paper_stage *stage);

/* Expects the frame on the glass: each pixel exactly, or (loose) nearer to it than to others. */
void paper_expect_shown(struct paper_stage *stage, const struct jl_frame *frame, bool loose);

/* Complaints above a note so far. */
int paper_complaints(struct paper_stage *stage);
/* Those with a text. */
int paper_complaints_about(struct paper_stage *stage, const char *text);
/* Expects that one of them contains a text. */
void paper_expect_complaint(struct paper_stage *stage, const char *text);

/* Something else in each step: boxes, lines, letters; with red where the format has it. */
void paper_draw(struct jl_frame *frame, unsigned step);

#endif
