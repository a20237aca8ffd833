/* What the wires of an RGB bus do in one line; and the glass that takes it. */
#ifndef JADELAMP_SIM_RGB_LINE_H
#define JADELAMP_SIM_RGB_LINE_H

#include "device.h"
#include "jadelamp/sim/rgb.h"

/* Clock 0 is where HSYNC's pulse begins, if there is one. */
struct rgb_line {
    double clock_hz;
    bool falling; /* data changes as the clock falls */
    int clocks;
    bool hsync_driven, hsync_high; /* the level of its pulse */
    int hsync_clocks;
    bool vsync_driven, vsync; /* its level */
    bool de_driven, de_high;  /* the level while there are pixels */
    int first, pixels;        /* clocks that have data; 0 in lines without */
    const uint32_t *data;     /* levels of the data lines, a bit each */
    bool same;                /* as in the picture before: then `data` may hold anything */
};

/* The VCD side: edges of a line that begins at a time. */
struct rgb_wires {
    int clock, hsync, vsync, de, data[24];
};
void jl_sim_rgb_wires_create(struct jl_board *board, const struct jl_rgb_source *source,
                             struct rgb_wires *wires);
void jl_sim_rgb_record_line(struct jl_board *board, const struct rgb_wires *wires,
                            const struct rgb_line *line, uint64_t start_ps, double clock_ps,
                            bool in_full);

/* Data lines of a colour, of 16, 18 or 24: how many, and the first; 0 blue, 1 green, 2 red. */
int jl_sim_rgb_color_lines(int data_lines, int color, int *first);

#endif
