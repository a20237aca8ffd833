/* A level in segments: those that change are drawn anew. */
#include "jadelamp/instruments/level.h"

#include "instrument.h"

void jl_level_set(struct jl_level *level, int32_t value) {
    level->value = value;
    level->peak = value > level->peak ? value : level->peak;
}

/* How many segments are lit. */
static int16_t lit(const struct jl_level_face *face, int32_t value) {
    return jl_scale_at(&face->scale, value, face->segments);
}

static struct jl_rect segment(const struct jl_level_face *face, int16_t from, int16_t to) {
    struct jl_rect box = face->box;
    int16_t count = face->segments, length = box.h > box.w ? box.h : box.w;
    int16_t start = (int16_t)((int32_t)length * from / count);
    int16_t end = (int16_t)((int32_t)length * to / count);
    if (box.h > box.w) {
        return (struct jl_rect){box.x, (int16_t)(box.y + length - end), box.w,
                                (int16_t)(end - start)};
    }
    return (struct jl_rect){(int16_t)(box.x + start), box.y, (int16_t)(end - start), box.h};
}

static jl_color color_of(const struct jl_level_face *face, int16_t index) {
    /* The value in the middle of the segment. */
    int64_t whole = (int64_t)face->scale.to - face->scale.from;
    int32_t value = (int32_t)(face->scale.from + whole * (2 * index + 1) / (2 * face->segments));
    return jl_theme_grade(face->theme, jl_scale_grade(&face->scale, value));
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_level *level = instrument;
    const struct jl_level_face *face = level->face;
    int16_t high = lit(face, level->value), peak = (int16_t)(lit(face, level->peak) - 1);
    jl_fill_rect(target, face->box, face->theme->face);
    for (int16_t i = 0; i < face->segments; i++) {
        struct jl_rect area = segment(face, i, (int16_t)(i + 1));
        if (!jl_instrument_sees(target, area)) {
            continue;
        }
        /* A gap to the next one, where there is room. */
        area = area.w > 2 && area.h > 2 ? jl_inset(area, 1) : area;
        if (i < high || i == peak) {
            jl_fill_rect(target, area, color_of(face, i));
        } else {
            jl_fill_rect(target, area, face->theme->unlit);
        }
    }
}

static void find_changes(const struct jl_level *level, struct parts *parts) {
    const struct jl_level_face *face = level->face;
    int16_t high = lit(face, level->value), peak = lit(face, level->peak);
    if (high != level->shown) {
        jl_parts_add(parts, high > level->shown ? segment(face, level->shown, high)
                                                : segment(face, high, level->shown));
    }
    if (peak != level->shown_peak) {
        jl_parts_add(parts, segment(face, (int16_t)(peak > 0 ? peak - 1 : 0), peak));
        jl_parts_add(parts,
                     segment(face, (int16_t)(level->shown_peak > 0 ? level->shown_peak - 1 : 0),
                             level->shown_peak));
    }
}

bool jl_level_redraw(struct jl_target *target, struct jl_level *level) {
    struct parts parts = {0};
    if (level->drawn) {
        find_changes(level, &parts);
    } else {
        jl_parts_add(&parts, level->face->box);
    }
    level->shown = lit(level->face, level->value);
    level->shown_peak = lit(level->face, level->peak);
    level->drawn = true;
    return jl_parts_draw(&parts, level->face->box, target, draw, level);
}

void jl_level_draw(struct jl_target *target, const struct jl_level *level) {
    jl_instrument_draw(target, level->face->box, draw, level);
}
