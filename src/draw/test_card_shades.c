/*
 * First light on greys and colours: patches that say which colour they should be, and a ramp of
 * 16 greys, white on top. A ramp with fewer or other steps shows lost or exchanged bits.
 */
#include "jadelamp/text.h"
#include "test_card.h"

enum { PATCHES = 3, RAMP_STEPS = 16 };

static int16_t part_of(int16_t length, int part, int parts) {
    return (int16_t)(length * part / parts);
}

static void ramp(struct jl_target *target, struct jl_rect box) {
    for (int step = 0; step < RAMP_STEPS; step++) {
        int16_t top = part_of(box.h, step, RAMP_STEPS);
        int16_t end = part_of(box.h, step + 1, RAMP_STEPS);
        uint32_t level = (uint32_t)(RAMP_STEPS - 1 - step) * 17;
        jl_fill_rect(target,
                     (struct jl_rect){box.x, (int16_t)(box.y + top), box.w, (int16_t)(end - top)},
                     JL_GREY(level));
    }
}

static void patches(struct jl_target *target, struct jl_rect box, const jl_color colors[PATCHES],
                    const char *const names[PATCHES]) {
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_CLEAR};
    for (int i = 0; i < PATCHES; i++) {
        int16_t top = part_of(box.h, i, PATCHES);
        int16_t end = part_of(box.h, i + 1, PATCHES);
        struct jl_rect patch = {box.x, (int16_t)(box.y + top), box.w, (int16_t)(end - top)};
        jl_fill_rect(target, patch, colors[i]);
        if (patch.h >= 8) {
            jl_text(target, (int16_t)(patch.x + (patch.w - 6) / 2),
                    (int16_t)(patch.y + (patch.h - 8) / 2), names[i], &style);
        }
    }
}

void jl_draw_color_test_card(struct jl_target *target, const char *title) {
    static const jl_color colors[PATCHES] = {JL_RGB(255, 0, 0), JL_RGB(0, 255, 0),
                                             JL_RGB(0, 0, 255)};
    static const char *const names[PATCHES] = {"R", "G", "B"};
    struct jl_card_boxes boxes = jl_card_begin(target, title, JL_WHITE, JL_BLACK);
    patches(target, boxes.left, colors, names);
    ramp(target, boxes.right);
}

void jl_draw_grey_test_card(struct jl_target *target, const char *title) {
    static const jl_color colors[PATCHES] = {JL_GREY(12 * 17), JL_GREY(8 * 17), JL_GREY(4 * 17)};
    static const char *const names[PATCHES] = {"C", "8", "4"}; /* levels of 0..F */
    struct jl_card_boxes boxes = jl_card_begin(target, title, JL_WHITE, JL_BLACK);
    patches(target, boxes.left, colors, names);
    ramp(target, boxes.right);
}
