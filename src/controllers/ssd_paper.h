/* The e-paper controllers ssd1680 and ssd1681, which differ in size only. */
#ifndef JADELAMP_SRC_SSD_PAPER_H
#define JADELAMP_SRC_SSD_PAPER_H

#include "jadelamp/controllers/ssd1680.h"

enum { JL_SSD_PAPER_WAKE_BYTES = 12 };
extern const uint8_t JL_FLASH jl_ssd_paper_wake_steps[JL_SSD_PAPER_WAKE_BYTES];
extern const struct jl_paper jl_ssd_paper;

size_t jl_ssd_paper_setup(const struct jl_panel *panel, uint8_t *out);
size_t jl_ssd_paper_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                            uint8_t *out);
size_t jl_ssd_paper_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out);
jl_status jl_ssd_paper_rare_step(const struct jl_panel *panel, const uint8_t *step);

#define SSD_PAPER_CONTROLLER(NAME, WIDTH, HEIGHT)                                                  \
    {                                                                                              \
        .name = NAME, .format = &jl_black_white, .ram_width = WIDTH, .ram_height = HEIGHT,         \
        .buses = 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE,                                          \
        .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_ROWS | 1 << JL_LAYOUT_BLACK_WHITE_RED |    \
                                    1 << JL_LAYOUT_GREY2_PLANES,                                   \
        .turns = JL_TURNS_NONE, .opcode_bytes = 1,                                                 \
        .column_unit = 1, /* e-paper goes by bytes anyway */                                       \
            .reset_low_us = 10000, .reset_recovery_us = 10000,                                     \
        .window_price_px = 120, /* 15 bytes of addresses */                                        \
            .serial_cycle_ns = 50, .wake_steps = jl_ssd_paper_wake_steps,                          \
        .wake_steps_bytes = JL_SSD_PAPER_WAKE_BYTES, .setup = jl_ssd_paper_setup,                  \
        .setting = jl_ssd_paper_setting, .window = jl_ssd_paper_window, .next = jl_next_paper,     \
        .rare_step = jl_ssd_paper_rare_step, .paper = &jl_ssd_paper,                               \
    }

#endif
