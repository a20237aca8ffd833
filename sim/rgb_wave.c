/* The wires of an RGB bus in a recording. */
#include <stdio.h>

#include "board_parts.h"
#include "rgb_line.h"

void jl_sim_rgb_wires_create(struct jl_board *board, const struct jl_rgb_source *source,
                             struct rgb_wires *wires) {
    const struct jl_rgb_timing *t = &source->timing;
    wires->clock = jl_sim_wire_create(board, false);
    wires->hsync = jl_sim_wire_create(board, !t->hsync_high);
    wires->vsync = jl_sim_wire_create(board, !t->vsync_high);
    wires->de = jl_sim_wire_create(board, t->de_low);
    for (int i = 0; i < 24; i++) {
        wires->data[i] = i < source->data_lines ? jl_sim_wire_create(board, false) : NO_WIRE;
    }
}

static void set_data(struct jl_board *board, const struct rgb_wires *wires, uint32_t data,
                     uint32_t *now, uint64_t at_ps) {
    uint32_t changes = data ^ *now;
    for (int i = 0; i < 24 && changes >> i; i++) {
        if (changes >> i & 1) {
            jl_sim_wire_set(board, wires->data[i], data >> i & 1, at_ps);
        }
    }
    *now = data;
}

void jl_sim_rgb_record_line(struct jl_board *board, const struct rgb_wires *wires,
                            const struct rgb_line *line, uint64_t start_ps, double clock_ps,
                            bool in_full) {
    uint32_t now = 0;
    for (int c = 0; c < line->clocks; c++) {
        uint64_t at = start_ps + (uint64_t)(c * clock_ps);
        bool pixel = line->pixels && c >= line->first && c < line->first + line->pixels;
        if (c == 0 && line->vsync_driven) {
            jl_sim_wire_set(board, wires->vsync, line->vsync, at);
        }
        if (line->hsync_driven && (c == 0 || c == line->hsync_clocks)) {
            jl_sim_wire_set(board, wires->hsync, (c < line->hsync_clocks) == line->hsync_high, at);
        }
        if (line->de_driven) {
            jl_sim_wire_set(board, wires->de, pixel == line->de_high, at);
        }
        if (in_full) {
            jl_sim_wire_set(board, wires->clock, !line->falling, at);
            set_data(board, wires, pixel ? line->data[c - line->first] : 0, &now, at);
            jl_sim_wire_set(board, wires->clock, line->falling, at + (uint64_t)(clock_ps / 2));
        } else if (line->clocks > line->first + line->pixels && c == line->first + line->pixels) {
            break; /* all edges of the line are told */
        }
    }
}
