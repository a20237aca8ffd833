/* Rolling the whole picture by the RAM row on the first line: 40h + row. */
#include "jadelamp/controllers/start_line.h"

#include "../core/lone.h"
#include "../core/orientation.h"

enum { LINES = 64 };

static size_t roll(const struct jl_panel *panel, int16_t top, int16_t rows, int16_t first,
                   uint8_t *out) {
    /* The line counter runs around the RAM, so nothing less than all of it rolls. */
    if (top != 0 || rows != jl_config_of(panel)->height ||
        rows != jl_config_of(panel)->controller->ram_height || rows != LINES) {
        return 0;
    }
    /* It counts along the scan, which runs upwards for a mirrored picture. */
    bool upwards = (jl_mirrors_of_turn(panel->turn) & AXES_MIRROR_Y) != 0;
    out[0] = 1;
    out[1] = (uint8_t)(0x40 | (upwards && first ? rows - first : first));
    return 2;
}

const struct jl_motion jl_start_line_motion = {.roll = roll};
