/* A check box. */
#include "jadelamp/instruments/check.h"

#include "instrument.h"

enum { ON = 1, FOCUSED = 2, PRESSED = 4 };

bool jl_check_event(struct jl_check *check, const struct jl_event *event) {
    bool changes = jl_grip_event(&check->grip, check->face->box, event) ||
                   (check->focused && jl_event_chooses(event));
    check->on = check->on != changes;
    return changes;
}

static uint8_t look_of(const struct jl_check *check) {
    return (uint8_t)((check->on ? ON : 0) | (check->focused ? FOCUSED : 0) |
                     (check->grip.inside ? PRESSED : 0));
}

/* The square. */
static struct jl_rect mark_of(const struct jl_check_face *face) {
    int16_t most = (int16_t)(face->theme->font->height + 2);
    int16_t side = most < face->box.h ? most : face->box.h;
    return (struct jl_rect){(int16_t)(face->box.x + 1),
                            (int16_t)(face->box.y + (face->box.h - side) / 2), side, side};
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_check *check = instrument;
    const struct jl_check_face *face = check->face;
    const struct jl_theme *theme = face->theme;
    struct jl_rect mark = mark_of(face);
    jl_fill_rect(target, face->box, theme->back);
    jl_fill_rect(target, mark, check->grip.inside ? theme->unlit : theme->face);
    jl_stroke_rect(target, mark, theme->line);
    if (check->focused) {
        jl_stroke_rect(target, jl_inset(mark, 1), theme->accent);
    }
    if (check->on) {
        int16_t in = (int16_t)(mark.w / 4 > 1 ? mark.w / 4 : 2);
        jl_fill_rect(target, jl_inset(mark, in), theme->accent);
    }
    if (face->label) {
        struct jl_text_style style = jl_theme_text(theme->font, theme->ink, JL_CLEAR);
        jl_text_at(target, (int16_t)(mark.x + mark.w + 4), (int16_t)(face->box.y + face->box.h / 2),
                   JL_ANCHOR_MIDDLE, face->label, &style);
    }
}

static void find_changes(const struct jl_check *check, struct parts *parts) {
    if (look_of(check) != check->shown) {
        jl_parts_add(parts, mark_of(check->face));
    }
}

bool jl_check_redraw(struct jl_target *target, struct jl_check *check) {
    struct parts parts = {0};
    if (check->drawn) {
        find_changes(check, &parts);
    } else {
        jl_parts_add(&parts, check->face->box);
    }
    check->shown = look_of(check);
    check->drawn = true;
    return jl_parts_draw(&parts, check->face->box, target, draw, check);
}

void jl_check_draw(struct jl_target *target, const struct jl_check *check) {
    jl_instrument_draw(target, check->face->box, draw, check);
}
