/* A bar: what lies between the old and the new end is drawn anew. */
#include "jadelamp/instruments/bar.h"

#include "instrument.h"

enum { MARK = 4 };

static bool is_upright(const struct jl_bar_face *face) {
    return face->box.h > face->box.w;
}

/* What the bar may fill, within its outline and beside its marks. */
static struct jl_rect inner(const struct jl_bar_face *face) {
    struct jl_rect area = jl_inset(face->box, 1);
    if (face->divisions && is_upright(face)) {
        area.w = (int16_t)(area.w - MARK);
    } else if (face->divisions) {
        area.h = (int16_t)(area.h - MARK);
    }
    return area;
}

/* The part of it between two lengths. */
static struct jl_rect slice(const struct jl_bar_face *face, int16_t from, int16_t to) {
    struct jl_rect area = inner(face);
    if (is_upright(face)) {
        return (struct jl_rect){area.x, (int16_t)(area.y + area.h - to), area.w,
                                (int16_t)(to - from)};
    }
    return (struct jl_rect){(int16_t)(area.x + from), area.y, (int16_t)(to - from), area.h};
}

static int16_t length_of(const struct jl_bar_face *face) {
    struct jl_rect area = inner(face);
    return is_upright(face) ? area.h : area.w;
}

static jl_color color_of(const struct jl_bar_face *face, int32_t value) {
    uint8_t grade = jl_scale_grade(&face->scale, value);
    return grade == JL_GRADE_GOOD ? face->theme->accent : jl_theme_grade(face->theme, grade);
}

static void draw_marks(struct jl_target *target, const struct jl_bar_face *face) {
    struct jl_rect box = face->box;
    for (uint8_t i = 0; i <= face->divisions; i++) {
        int16_t length = (int16_t)(length_of(face) - 1);
        int16_t at = (int16_t)((int32_t)length * i / face->divisions + 1);
        struct jl_rect mark = {(int16_t)(box.x + at), (int16_t)(box.y + box.h - MARK + 1), 1,
                               MARK - 1};
        if (is_upright(face)) {
            mark = (struct jl_rect){(int16_t)(box.x + box.w - MARK + 1),
                                    (int16_t)(box.y + box.h - 1 - at), MARK - 1, 1};
        }
        jl_fill_rect(target, mark, face->theme->line);
    }
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_bar *bar = instrument;
    const struct jl_bar_face *face = bar->face;
    int16_t length = length_of(face), at = jl_scale_at(&face->scale, bar->value, length);
    struct jl_rect area = inner(face);
    jl_fill_rect(target, face->box, face->theme->face);
    if (face->divisions) {
        draw_marks(target, face);
    }
    jl_stroke_rect(target, jl_inset(area, -1), face->theme->line);
    jl_fill_rect(target, slice(face, 0, at), color_of(face, bar->value));
    jl_fill_rect(target, slice(face, at, length), face->theme->unlit);
}

static void find_changes(const struct jl_bar *bar, struct parts *parts) {
    const struct jl_bar_face *face = bar->face;
    int16_t from = jl_scale_at(&face->scale, bar->shown, length_of(face));
    int16_t to = jl_scale_at(&face->scale, bar->value, length_of(face));
    if (color_of(face, bar->shown) != color_of(face, bar->value)) {
        jl_parts_add(parts, slice(face, 0, from > to ? from : to));
    } else {
        jl_parts_add(parts, from < to ? slice(face, from, to) : slice(face, to, from));
    }
}

bool jl_bar_redraw(struct jl_target *target, struct jl_bar *bar) {
    struct parts parts = {0};
    if (bar->drawn) {
        find_changes(bar, &parts);
    } else {
        jl_parts_add(&parts, bar->face->box);
    }
    bar->shown = bar->value;
    bar->drawn = true;
    return jl_parts_draw(&parts, bar->face->box, target, draw, bar);
}

void jl_bar_draw(struct jl_target *target, const struct jl_bar *bar) {
    jl_instrument_draw(target, bar->face->box, draw, bar);
}
