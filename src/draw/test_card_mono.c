/* First light on two colours: a checker, which shows swapped rows and columns, and stripes. */
#include "test_card.h"

void jl_draw_test_card(struct jl_target *target, const char *title) {
    struct jl_card_boxes boxes = jl_card_begin(target, title, JL_WHITE, JL_BLACK);
    struct jl_rect checker = boxes.left, stripes = boxes.right;
    for (int16_t y = 0; y < checker.h; y++) {
        for (int16_t x = (int16_t)(y & 1); x < checker.w; x = (int16_t)(x + 2)) {
            jl_draw_pixel(target, (int16_t)(checker.x + x), (int16_t)(checker.y + y), JL_WHITE);
        }
    }
    for (int16_t x = 0; x < stripes.w; x = (int16_t)(x + 2)) {
        jl_fill_rect(target, (struct jl_rect){(int16_t)(stripes.x + x), stripes.y, 1, stripes.h},
                     JL_WHITE);
    }
}
