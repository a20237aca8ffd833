/*
 * Scroll area and partial display of MIPI DCS parts. Both are about lines of the RAM as it is
 * scanned, whatever the address mode is.
 */
#include "../core/lone.h"
#include "../core/orientation.h"
#include "dcs.h"
#include "jadelamp/controllers/dcs.h"

/* The first scanned line of some rows of the upright glass. */
static int first_line(const struct jl_panel *panel, int16_t top, int16_t rows) {
    const struct jl_panel_config *config = jl_config_of(panel);
    bool mirrored = (jl_mirrors_of_module(config) & AXES_MIRROR_Y) != 0;
    return config->row_offset + (mirrored ? config->height - top - rows : top);
}

static uint8_t *put16(uint8_t *out, int value) {
    out[0] = (uint8_t)(value >> 8);
    out[1] = (uint8_t)value;
    return out + 2;
}

static size_t roll(const struct jl_panel *panel, int16_t top, int16_t rows, int16_t first,
                   uint8_t *out) {
    int line = first_line(panel, top, rows);
    bool mirrored = (jl_mirrors_of_module(jl_config_of(panel)) & AXES_MIRROR_Y) != 0;
    int turned = mirrored && first ? rows - first : first;
    uint8_t *at = out;
    *at++ = 7;
    *at++ = DCS_SET_SCROLL_AREA; /* lines above, in and below; together all of the RAM */
    at = put16(at, line);
    at = put16(at, rows);
    at = put16(at, jl_config_of(panel)->controller->ram_height - line - rows);
    *at++ = 3;
    *at++ = DCS_SET_SCROLL_START;
    at = put16(at, line + turned);
    return (size_t)(at - out);
}

static size_t show_rows(const struct jl_panel *panel, int16_t top, int16_t rows, uint8_t *out) {
    uint8_t *at = out;
    if (rows) {
        int line = first_line(panel, top, rows);
        *at++ = 5;
        *at++ = DCS_SET_PARTIAL_ROWS;
        at = put16(at, line);
        at = put16(at, line + rows - 1);
    }
    *at++ = 1;
    *at++ = rows ? DCS_ENTER_PARTIAL_MODE : DCS_ENTER_NORMAL_MODE;
    return (size_t)(at - out);
}

const struct jl_motion jl_dcs_motion = {.roll = roll, .show_rows = show_rows};
