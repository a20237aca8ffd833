/* The e-paper controllers uc8151, uc8176 and uc8179. */
#ifndef JADELAMP_SRC_UC_PAPER_H
#define JADELAMP_SRC_UC_PAPER_H

#include "jadelamp/controllers/uc8151.h"

/* Levels of BUSY, and how long to wait. */
enum { UC_BUSY = 0, UC_IDLE = 1, UC_SHORT_MS = 1000 };

size_t jl_uc_paper_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                           uint8_t *out);
/* The narrow parts have a byte for columns, the wide ones two. */
size_t jl_uc_paper_setup_narrow(const struct jl_panel *panel, uint8_t *out);
size_t jl_uc_paper_setup_wide(const struct jl_panel *panel, uint8_t *out);
/* The beginning of the latter, up to what differs by part; and the byte for the border. */
size_t jl_uc_paper_size_wide(const struct jl_panel *panel, uint8_t *out);
uint8_t jl_uc_paper_border(const struct jl_panel *panel, const uint8_t *of_borders);
size_t jl_uc_paper_window_narrow(const struct jl_panel *panel, const struct jl_stretch *stretch,
                                 uint8_t *out);
size_t jl_uc_paper_window_wide(const struct jl_panel *panel, const struct jl_stretch *stretch,
                               uint8_t *out);
/* The part's own waveforms, full and fast. */
extern const struct jl_paper jl_uc_paper;
/* An update; a partial one without a wave is chosen by a temperature that is none. */
size_t jl_uc_paper_update(const struct jl_panel *panel, enum jl_update update, uint8_t *out);

#define UC_PAPER_CONTROLLER(NAME, WIDTH, HEIGHT, SETUP, KIND, STEPS, CYCLE_NS, PAPER)              \
    {                                                                                              \
        .name = NAME, .format = &jl_black_white, .ram_width = WIDTH, .ram_height = HEIGHT,         \
        .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE,                                          \
        .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_ROWS | 1 << JL_LAYOUT_BLACK_WHITE_RED |    \
                                    1 << JL_LAYOUT_GREY2_PLANES,                                   \
        .turns = JL_TURNS_NONE, .opcode_bytes = 1,                                                 \
        .column_unit = 1, /* e-paper goes by bytes anyway */                                       \
            .reset_low_us = 10000, .reset_recovery_us = 10000,                                     \
        .window_price_px = 96, /* 12 bytes of addresses */                                         \
            .serial_cycle_ns = CYCLE_NS, .wake_steps = STEPS, .wake_steps_bytes = sizeof STEPS,    \
        .setup = SETUP, .setting = jl_uc_paper_setting, .window = jl_uc_paper_window_##KIND,       \
        .next = jl_next_paper, .rare_step = jl_paper_rare_step, .paper = PAPER,                    \
    }

#endif
