/* A number field: only characters that differ are drawn anew. */
#include "jadelamp/instruments/number.h"

#include "instrument.h"
#include "jadelamp/format.h"

struct layout {
    const struct jl_font *font;
    int16_t y, right; /* of the number: its top, and where it ends */
    int16_t unit_y;
};

static const struct jl_font *font_of(const struct jl_number_face *face) {
    return face->is_large ? face->theme->large : face->theme->font;
}

static int16_t width_of(const struct jl_font *font, const char *text) {
    struct jl_text_style style = jl_theme_text(font, 0, 0);
    return jl_text_width(&style, text);
}

static struct layout layout_of(const struct jl_number_face *face) {
    const struct jl_font *font = font_of(face), *small = face->theme->font;
    int16_t top = face->label ? (int16_t)small->height : 0;
    int16_t rest = (int16_t)(face->box.h - top - font->height);
    int16_t unit = face->unit ? (int16_t)(width_of(small, face->unit) + 3) : 0;
    struct layout layout = {font, (int16_t)(face->box.y + top + (rest > 0 ? rest / 2 : 0)),
                            (int16_t)(face->box.x + face->box.w - 2 - unit), 0};
    layout.unit_y = (int16_t)(layout.y + font->ascent - small->ascent);
    return layout;
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_number *number = instrument;
    const struct jl_number_face *face = number->face;
    const struct jl_theme *theme = face->theme;
    struct layout layout = layout_of(face);
    char text[JL_FORMAT_BYTES];
    jl_color ink = face->scale && jl_scale_grade(face->scale, number->value) != JL_GRADE_GOOD
                       ? jl_theme_grade(theme, jl_scale_grade(face->scale, number->value))
                       : theme->ink;
    struct jl_text_style style = jl_theme_text(layout.font, ink, JL_CLEAR);
    struct jl_text_style small = jl_theme_text(theme->font, theme->line, JL_CLEAR);
    jl_format_fixed(text, sizeof text, number->value, face->decimals);
    jl_fill_rect(target, face->box, theme->face);
    if (face->label) {
        jl_text(target, (int16_t)(face->box.x + 2), face->box.y, face->label, &small);
    }
    if (face->unit) {
        jl_text(target, (int16_t)(layout.right + 3), layout.unit_y, face->unit, &small);
    }
    jl_text_at(target, layout.right, layout.y, JL_ANCHOR_RIGHT, text, &style);
}

static uint8_t grade_of(const struct jl_number_face *face, int32_t value) {
    return face->scale ? jl_scale_grade(face->scale, value) : (uint8_t)JL_GRADE_GOOD;
}

static void find_changes(const struct jl_number *number, struct parts *parts) {
    const struct jl_number_face *face = number->face;
    struct layout layout = layout_of(face);
    char before[JL_FORMAT_BYTES], now[JL_FORMAT_BYTES];
    if (number->value == number->shown) {
        return;
    }
    size_t ends = jl_format_fixed(before, sizeof before, number->shown, face->decimals);
    size_t end = jl_format_fixed(now, sizeof now, number->value, face->decimals);
    int16_t wide_before = width_of(layout.font, before), wide = width_of(layout.font, now);
    int16_t left = (int16_t)(layout.right - (wide > wide_before ? wide : wide_before));
    int16_t right = layout.right;
    bool same_ink = grade_of(face, number->value) == grade_of(face, number->shown);
    /* From the right, which both have in common: as long as they are the same. */
    while (same_ink && end > 1 && ends > 1 && now[end - 1] == before[ends - 1]) {
        char last[2] = {now[end - 1], 0};
        right = (int16_t)(right - width_of(layout.font, last));
        end--;
        ends--;
    }
    /* From the left, when both begin at the same place. */
    for (size_t i = 0; same_ink && wide == wide_before && i < end && now[i] == before[i]; i++) {
        char first[2] = {now[i], 0};
        left = (int16_t)(left + width_of(layout.font, first));
    }
    jl_parts_add(parts, jl_rect_intersect((struct jl_rect){left, layout.y, (int16_t)(right - left),
                                                           (int16_t)layout.font->height},
                                          face->box));
}

bool jl_number_redraw(struct jl_target *target, struct jl_number *number) {
    struct parts parts = {0};
    if (number->drawn) {
        find_changes(number, &parts);
    } else {
        jl_parts_add(&parts, number->face->box);
    }
    number->shown = number->value;
    number->drawn = true;
    return jl_parts_draw(&parts, number->face->box, target, draw, number);
}

void jl_number_draw(struct jl_target *target, const struct jl_number *number) {
    jl_instrument_draw(target, number->face->box, draw, number);
}
