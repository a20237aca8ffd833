/* A stepper: the value or the button that changed is drawn anew. */
#include "jadelamp/instruments/stepper.h"

#include "instrument.h"
#include "jadelamp/format.h"

enum { LESS = 1, MORE = 2, FOCUSED = 4, HELD_STEPS = 10 };

static struct jl_rect less_of(const struct jl_stepper_face *face) {
    return (struct jl_rect){face->box.x, face->box.y, face->box.h, face->box.h};
}

static struct jl_rect more_of(const struct jl_stepper_face *face) {
    return (struct jl_rect){(int16_t)(face->box.x + face->box.w - face->box.h), face->box.y,
                            face->box.h, face->box.h};
}

static struct jl_rect value_of(const struct jl_stepper_face *face) {
    return (struct jl_rect){(int16_t)(face->box.x + face->box.h), face->box.y,
                            (int16_t)(face->box.w - 2 * face->box.h), face->box.h};
}

/* Steps that a finger on a button makes. */
static int32_t pressed(struct jl_grip *grip, struct jl_rect box, const struct jl_event *event) {
    bool held = event->kind == JL_EVENT_HOLD && grip->held && grip->finger == event->which;
    if (held) {
        grip->held = grip->inside = false; /* so that its leaving is no further step */
        return HELD_STEPS;
    }
    return jl_grip_event(grip, box, event);
}

bool jl_stepper_event(struct jl_stepper *stepper, const struct jl_event *event) {
    const struct jl_stepper_face *face = stepper->face;
    int32_t before = stepper->value;
    int32_t steps = pressed(&stepper->more, more_of(face), event) -
                    pressed(&stepper->less, less_of(face), event);
    if (stepper->focused) {
        steps += event->kind == JL_EVENT_KEY ? -jl_event_steps(event) : jl_event_steps(event);
    }
    stepper->value = jl_scale_step(&face->scale, before, face->step > 0 ? face->step : 1, steps);
    return stepper->value != before;
}

static uint8_t look_of(const struct jl_stepper *stepper) {
    return (uint8_t)((stepper->less.inside ? LESS : 0) | (stepper->more.inside ? MORE : 0) |
                     (stepper->focused ? FOCUSED : 0));
}

/* The number and the unit as one text, in the middle. */
static void draw_value(struct jl_target *target, const struct jl_stepper *stepper) {
    const struct jl_stepper_face *face = stepper->face;
    struct jl_text_style style = jl_theme_text(face->theme->font, face->theme->ink, JL_CLEAR);
    struct jl_rect area = value_of(face);
    char text[JL_FORMAT_BYTES];
    jl_format_fixed(text, sizeof text, stepper->value, face->decimals);
    int16_t width = jl_text_width(&style, text), unit = 0;
    if (face->unit) {
        unit = (int16_t)(jl_text_width(&style, face->unit) + 3);
    }
    int16_t x = (int16_t)(area.x + (area.w - width - unit) / 2);
    int16_t y = (int16_t)(area.y + (area.h - style.font->height) / 2);
    jl_text(target, x, y, text, &style);
    if (face->unit) {
        style.ink = face->theme->line;
        jl_text(target, (int16_t)(x + width + 3), y, face->unit, &style);
    }
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_stepper *stepper = instrument;
    const struct jl_stepper_face *face = stepper->face;
    uint8_t look = look_of(stepper);
    uint8_t focus = look & FOCUSED ? LOOK_FOCUSED : 0;
    jl_fill_rect(target, face->box, face->theme->back);
    jl_draw_key_cap(target, less_of(face), face->theme, "-",
                    (uint8_t)(focus | (look & LESS ? LOOK_PRESSED : 0)));
    jl_draw_key_cap(target, more_of(face), face->theme, "+",
                    (uint8_t)(focus | (look & MORE ? LOOK_PRESSED : 0)));
    struct jl_rect before = jl_target_clip(target, value_of(face));
    draw_value(target, stepper);
    jl_target_unclip(target, before);
}

static void find_changes(const struct jl_stepper *stepper, struct parts *parts) {
    uint8_t changed = look_of(stepper) ^ stepper->shown_look;
    if (changed & (LESS | FOCUSED)) {
        jl_parts_add(parts, less_of(stepper->face));
    }
    if (changed & (MORE | FOCUSED)) {
        jl_parts_add(parts, more_of(stepper->face));
    }
    if (stepper->value != stepper->shown) {
        jl_parts_add(parts, value_of(stepper->face));
    }
}

bool jl_stepper_redraw(struct jl_target *target, struct jl_stepper *stepper) {
    struct parts parts = {0};
    if (stepper->drawn) {
        find_changes(stepper, &parts);
    } else {
        jl_parts_add(&parts, stepper->face->box);
    }
    stepper->shown = stepper->value;
    stepper->shown_look = look_of(stepper);
    stepper->drawn = true;
    return jl_parts_draw(&parts, stepper->face->box, target, draw, stepper);
}

void jl_stepper_draw(struct jl_target *target, const struct jl_stepper *stepper) {
    jl_instrument_draw(target, stepper->face->box, draw, stepper);
}
