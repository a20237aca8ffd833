/* First light on e-paper: black on white, pairs of lines for ghosts, a block of each colour. */
#include "jadelamp/shapes.h"
#include "test_card.h"

/* Lines as thick as the gaps between them: three each of 1, 2, 3, 4 pixels, and so on. */
static void pairs(struct jl_target *target, struct jl_rect box) {
    int16_t y = box.y;
    for (int16_t line = 0, thick = 1; y + thick <= box.y + box.h; line++) {
        jl_fill_rect(target, (struct jl_rect){box.x, y, box.w, thick}, JL_BLACK);
        y = (int16_t)(y + 2 * thick);
        if (line % 3 == 2) {
            thick = (int16_t)(thick % 4 + 1);
        }
    }
}

void jl_draw_paper_test_card(struct jl_target *target, const char *title) {
    static const jl_color colors[] = {JL_BLACK, JL_RED, JL_GREY(85), JL_GREY(170)};
    struct jl_card_boxes boxes = jl_card_begin(target, title, JL_BLACK, JL_WHITE);
    pairs(target, boxes.left);
    struct jl_rect block = boxes.right;
    int16_t step = (int16_t)(block.h / 4);
    block.h = (int16_t)(step - 2);
    for (int i = 0; i < 4; i++, block.y = (int16_t)(block.y + step)) {
        jl_fill_rect(target, block, colors[i]);
    }
}
