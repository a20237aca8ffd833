/* A lamp with a label. */
#include "jadelamp/instruments/lamp.h"

#include "instrument.h"
#include "jadelamp/shapes.h"

static int16_t radius_of(const struct jl_lamp_face *face) {
    int16_t most = (int16_t)((face->theme->font->height + 2) / 2),
            fits = (int16_t)(face->box.h / 2);
    return (int16_t)((most < fits ? most : fits) - 1);
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_lamp *lamp = instrument;
    const struct jl_lamp_face *face = lamp->face;
    const struct jl_theme *theme = face->theme;
    int16_t radius = radius_of(face), x = (int16_t)(face->box.x + radius + 1);
    int16_t y = (int16_t)(face->box.y + face->box.h / 2);
    jl_fill_rect(target, face->box, theme->back);
    jl_fill_circle(target, x, y, radius,
                   lamp->on ? jl_theme_grade(theme, face->grade) : theme->unlit);
    jl_stroke_circle(target, x, y, radius, theme->line);
    if (face->label) {
        struct jl_text_style style = jl_theme_text(theme->font, theme->ink, JL_CLEAR);
        jl_text_at(target, (int16_t)(x + radius + 4), y, JL_ANCHOR_MIDDLE, face->label, &style);
    }
}

static void find_changes(const struct jl_lamp *lamp, struct parts *parts) {
    int16_t side = (int16_t)(2 * radius_of(lamp->face) + 2);
    if (lamp->on != lamp->shown_on) {
        jl_parts_add(parts, (struct jl_rect){lamp->face->box.x,
                                             (int16_t)(lamp->face->box.y + lamp->face->box.h / 2 -
                                                       radius_of(lamp->face)),
                                             side, side});
    }
}

bool jl_lamp_redraw(struct jl_target *target, struct jl_lamp *lamp) {
    struct parts parts = {0};
    if (lamp->drawn) {
        find_changes(lamp, &parts);
    } else {
        jl_parts_add(&parts, lamp->face->box);
    }
    lamp->shown_on = lamp->on;
    lamp->drawn = true;
    return jl_parts_draw(&parts, lamp->face->box, target, draw, lamp);
}

void jl_lamp_draw(struct jl_target *target, const struct jl_lamp *lamp) {
    jl_instrument_draw(target, lamp->face->box, draw, lamp);
}
