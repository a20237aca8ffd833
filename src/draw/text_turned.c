/* Text that runs other ways: the same line on a target that is turned for a while. */
#include "../core/painter.h"
#include "jadelamp/text.h"

enum { FURTHEST = 8192 };

static bool is_near(const struct jl_target *target, int16_t x, int16_t y) {
    return x >= -FURTHEST && y >= -FURTHEST && x <= (int32_t)target->width + FURTHEST &&
           y <= (int32_t)target->height + FURTHEST && target->width <= FURTHEST &&
           target->height <= FURTHEST;
}

uint16_t jl_text_turned(struct jl_target *target, int16_t x, int16_t y, enum jl_text_way way,
                        const char *text, const struct jl_text_style *style) {
    struct jl_target before = *target;
    if (!is_near(target, x, y)) {
        return 0;
    }
    jl_painter_turn_about(target, x, y, (uint8_t)way);
    uint16_t missing = jl_text(target, 0, 0, text, style);
    target->turn = before.turn;
    target->shift_x = before.shift_x;
    target->shift_y = before.shift_y;
    target->painter = before.painter;
    return missing;
}
