/* Two or three controllers behind one glass. */
#include "chips.h"

#include "../core/lone.h"
#include "../panel/bus.h"

enum { SET_PAGE = 0xB8, TWO_REACH = 128 };

jl_status jl_chips_step(const struct jl_panel *panel, const uint8_t *step) {
    bool low = (jl_config_of(panel)->module & JL_MODULE_CHIPS_LOW) != 0;
    if (step[0] != JL_STEP_CODE_BLOCK) {
        return JL_UNSUPPORTED;
    }
    jl_bus_pin(panel->port, JL_PIN_CHIP1, !(step[1] & CHIP_LEFT) == low);
    jl_bus_pin(panel->port, JL_PIN_CHIP2, !(step[1] & CHIP_LEFT << 1) == low);
    if (jl_config_of(panel)->width > TWO_REACH) { /* others have no such pin */
        jl_bus_pin(panel->port, JL_PIN_CHIP3, !(step[1] & CHIP_LEFT << 2) == low);
    }
    return JL_OK;
}

/*
 * A page and a column go to all chips at once: where the area begins at the left edge, the others
 * begin with the same column of their own.
 */
size_t jl_chips_next(const struct jl_rect *area, struct jl_stretch *stretch, uint8_t *out,
                     int columns, uint8_t first) {
    struct jl_rect *now = &stretch->area;
    int right = area->x + area->w, x = now->x + now->w, y = now->y;
    bool page = now->h == 0 || x >= right;
    if (page) {
        y = now->h == 0 ? area->y : y + 8;
        x = area->x;
    }
    out[0] = JL_STEP_CODE_BLOCK;
    out[1] = CHIPS_ALL;
    if (y >= area->y + area->h) {
        now->h = 0;
        return 2;
    }
    int chip = 0, edge = columns;
    for (; x >= edge; edge += columns) { /* a division would link the compiler's routine for it */
        chip++;
    }
    int end = right < edge ? right : edge;
    uint8_t chosen = (uint8_t)(CHIP_LEFT << chip), column = (uint8_t)(first + x - chip * columns);
    *now = (struct jl_rect){(int16_t)x, (int16_t)y, (int16_t)(end - x), 8};
    if (page) {
        out[2] = 2;
        out[3] = (uint8_t)(SET_PAGE | y >> 3);
        out[4] = column;
        out[5] = JL_STEP_CODE_BLOCK;
        out[6] = chosen;
        return 7;
    }
    out[1] = chosen;
    out[2] = 1;
    out[3] = column;
    return area->x ? 4 : 2;
}

size_t jl_chips_power(uint8_t *out, uint8_t off, bool on) {
    out[0] = 1;
    out[1] = (uint8_t)(off + on);
    return 2;
}
