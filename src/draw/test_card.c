/* What all first-light pictures have: border, corner marks, arrow, title and size. */
#include "test_card.h"

#include "jadelamp/format.h"
#include "jadelamp/text.h"

#define MARK_PX         5 /* side of a corner mark */
#define MARK_GAP        2 /* from the edge of the glass to a mark */
#define TEXT_LEFT       JL_CARD_MARGIN
#define LEAST_TWO_LINES 20 /* on lower glass title and size stand beside each other */
_Static_assert(MARK_GAP + MARK_PX < JL_CARD_MARGIN, "marks and text do not touch");

static void corner_marks(struct jl_target *target, jl_color ink) {
    int16_t right = (int16_t)(target->width - MARK_GAP - MARK_PX);
    int16_t bottom = (int16_t)(target->height - MARK_GAP - MARK_PX);
    jl_fill_rect(target, (struct jl_rect){MARK_GAP, MARK_GAP, MARK_PX, MARK_PX}, ink);
    jl_stroke_rect(target, (struct jl_rect){right, MARK_GAP, MARK_PX, MARK_PX}, ink);
    jl_fill_rect(target, (struct jl_rect){MARK_GAP, (int16_t)(bottom + 2), MARK_PX, 1}, ink);
    jl_fill_rect(target, (struct jl_rect){MARK_GAP + 2, bottom, 1, MARK_PX}, ink);
    for (int16_t i = 0; i < MARK_PX; i++) {
        jl_draw_pixel(target, (int16_t)(right + i), (int16_t)(bottom + i), ink);
        jl_draw_pixel(target, (int16_t)(right + MARK_PX - 1 - i), (int16_t)(bottom + i), ink);
    }
}

/* Points up; its shaft runs through the middle of the glass. */
static void arrow(struct jl_target *target, int16_t middle_x, int16_t top, int16_t height,
                  jl_color ink) {
    jl_fill_rect(target, (struct jl_rect){middle_x, top, 1, height}, ink);
    for (int16_t i = 1; i <= 4 && i < height; i++) {
        jl_draw_pixel(target, (int16_t)(middle_x - i), (int16_t)(top + i), ink);
        jl_draw_pixel(target, (int16_t)(middle_x + i), (int16_t)(top + i), ink);
    }
}

struct jl_card_boxes jl_card_begin(struct jl_target *target, const char *title, jl_color ink,
                                   jl_color paper) {
    const struct jl_text_style style = {.font = &jl_font_6x8, .ink = ink, .paper = paper};
    int16_t width = target->width;
    int16_t height = target->height;

    jl_clear(target, paper);
    jl_stroke_rect(target, (struct jl_rect){0, 0, width, height}, ink);
    corner_marks(target, ink);

    struct jl_rect between_marks = {TEXT_LEFT, 0, (int16_t)(width - 2 * TEXT_LEFT), height};
    struct jl_rect before = jl_target_clip(target, between_marks);
    bool low = height < LEAST_TWO_LINES;
    int16_t middle = (int16_t)((height - 8) / 2);
    if (title) {
        jl_text(target, TEXT_LEFT, low ? middle : MARK_GAP, title, &style);
    }
    char size[12];
    size_t n = jl_format_fixed(size, sizeof size, width, 0);
    size[n++] = 'x';
    jl_format_fixed(size + n, sizeof size - n, height, 0);
    if (!low) {
        jl_text(target, TEXT_LEFT, (int16_t)(height - 9), size, &style);
    } else if (!title ||
               jl_text_width(&style, title) + jl_text_width(&style, size) < between_marks.w) {
        jl_text_at(target, (int16_t)(width - TEXT_LEFT), middle, JL_ANCHOR_RIGHT, size, &style);
    }
    jl_target_unclip(target, before);

    /* Between the two lines of text: a box on either side of the arrow. */
    int16_t top = 12;
    int16_t band = (int16_t)(height - 2 * top);
    int16_t box = (int16_t)(width / 2 - 12 - TEXT_LEFT);
    arrow(target, (int16_t)(width / 2), top, band, ink);
    return (struct jl_card_boxes){{TEXT_LEFT, top, box, band},
                                  {(int16_t)(width - TEXT_LEFT - box), top, box, band}};
}
