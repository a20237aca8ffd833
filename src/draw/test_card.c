/* The first-light picture. The layout shrinks with the panel; 48x32 is the least that shows all. */
#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/text.h"

#define MARK_PX   5 /* side of a corner mark */
#define MARK_GAP  2 /* from the edge of the glass to a mark */
#define TEXT_LEFT (MARK_GAP + MARK_PX + 3)

static void corner_marks(struct jl_target *target) {
    int16_t right = (int16_t)(target->width - MARK_GAP - MARK_PX);
    int16_t bottom = (int16_t)(target->height - MARK_GAP - MARK_PX);
    jl_fill_rect(target, (struct jl_rect){MARK_GAP, MARK_GAP, MARK_PX, MARK_PX}, JL_WHITE);
    jl_stroke_rect(target, (struct jl_rect){right, MARK_GAP, MARK_PX, MARK_PX}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){MARK_GAP, (int16_t)(bottom + 2), MARK_PX, 1}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){MARK_GAP + 2, bottom, 1, MARK_PX}, JL_WHITE);
    for (int16_t i = 0; i < MARK_PX; i++) {
        jl_draw_pixel(target, (int16_t)(right + i), (int16_t)(bottom + i), JL_WHITE);
        jl_draw_pixel(target, (int16_t)(right + MARK_PX - 1 - i), (int16_t)(bottom + i), JL_WHITE);
    }
}

/* Points up; its shaft runs through the middle of the glass. */
static void arrow(struct jl_target *target, int16_t middle_x, int16_t top, int16_t height) {
    jl_fill_rect(target, (struct jl_rect){middle_x, top, 1, height}, JL_WHITE);
    for (int16_t i = 1; i <= 4 && i < height; i++) {
        jl_draw_pixel(target, (int16_t)(middle_x - i), (int16_t)(top + i), JL_WHITE);
        jl_draw_pixel(target, (int16_t)(middle_x + i), (int16_t)(top + i), JL_WHITE);
    }
}

void jl_draw_test_card(struct jl_target *target, const char *title) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    int16_t width = target->width;
    int16_t height = target->height;

    jl_clear(target, JL_BLACK);
    jl_stroke_rect(target, (struct jl_rect){0, 0, width, height}, JL_WHITE);
    corner_marks(target);

    /* Between the two lines of text: checker on the left, arrow, stripes on the right. */
    int16_t top = 12;
    int16_t band = (int16_t)(height - 2 * top);
    int16_t patch = (int16_t)(width / 2 - 12 - TEXT_LEFT);
    arrow(target, (int16_t)(width / 2), top, band);
    for (int16_t y = 0; y < band; y++) {
        for (int16_t x = (int16_t)(y & 1); x < patch; x = (int16_t)(x + 2)) {
            jl_draw_pixel(target, (int16_t)(TEXT_LEFT + x), (int16_t)(top + y), JL_WHITE);
        }
    }
    for (int16_t x = 0; x < patch; x = (int16_t)(x + 2)) {
        int16_t at = (int16_t)(width - TEXT_LEFT - patch + x);
        jl_fill_rect(target, (struct jl_rect){at, top, 1, band}, JL_WHITE);
    }

    struct jl_rect between_marks = {TEXT_LEFT, 0, (int16_t)(width - 2 * TEXT_LEFT), height};
    struct jl_rect before = jl_target_clip(target, between_marks);
    if (title) {
        jl_text(target, TEXT_LEFT, MARK_GAP, title, &style);
    }
    char size[12];
    size_t n = jl_format_fixed(size, sizeof size, width, 0);
    size[n++] = 'x';
    jl_format_fixed(size + n, sizeof size - n, height, 0);
    jl_text(target, TEXT_LEFT, (int16_t)(height - 9), size, &style);
    jl_target_unclip(target, before);
}
