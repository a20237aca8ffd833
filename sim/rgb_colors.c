/* Which data lines carry which colour. */
#include "rgb_line.h"

int jl_sim_rgb_color_lines(int data_lines, int color, int *first) {
    static const int counts[3][3] = {{5, 6, 5}, {6, 6, 6}, {8, 8, 8}};
    const int *of = counts[data_lines == 16 ? 0 : data_lines == 18 ? 1 : 2];
    *first = color > 0 ? of[0] + (color > 1 ? of[1] : 0) : 0;
    return of[color];
}

void jl_rgb_wire(struct jl_rgb_panel *panel, int data_lines, bool repeat) {
    for (int c = 0; c < 3; c++) {
        int first, count = jl_sim_rgb_color_lines(data_lines, c, &first);
        for (int bit = 0; bit < panel->bits[c]; bit++) {
            int from_top = panel->bits[c] - 1 - bit;
            panel->wires[c][bit] =
                from_top < count || repeat ? first + count - 1 - from_top % count : JL_RGB_GROUND;
        }
    }
}
