/* A slider: where its knob was and is, and the track between them, is drawn anew. */
#include "jadelamp/instruments/slider.h"

#include "instrument.h"
#include "jadelamp/shapes.h"

static bool is_upright(const struct jl_slider_face *face) {
    return face->box.h > face->box.w;
}

/* Across the track; and the knob's length along it. */
static int16_t knob_of(const struct jl_slider_face *face) {
    int16_t across = is_upright(face) ? face->box.w : face->box.h;
    int16_t along = is_upright(face) ? face->box.h : face->box.w;
    int16_t knob = (int16_t)(across * 2 / 3);
    return knob < along / 3 ? knob : (int16_t)(along / 3);
}

static int16_t length_of(const struct jl_slider_face *face) {
    return (int16_t)((is_upright(face) ? face->box.h : face->box.w) - knob_of(face));
}

/* Where the knob begins: from the left, or from below. */
static int16_t place_of(const struct jl_slider *slider) {
    return jl_scale_at(&slider->face->scale, slider->value, length_of(slider->face));
}

/* From along one length to another: all of the box, or the track in the middle of it. */
static struct jl_rect slice(const struct jl_slider_face *face, int16_t from, int16_t to,
                            bool track) {
    struct jl_rect box = face->box;
    int16_t across = is_upright(face) ? box.w : box.h;
    int16_t thick = track ? (int16_t)(across / 5 > 2 ? across / 5 : 3) : across;
    int16_t in = (int16_t)((across - thick) / 2);
    if (is_upright(face)) {
        return (struct jl_rect){(int16_t)(box.x + in), (int16_t)(box.y + box.h - to), thick,
                                (int16_t)(to - from)};
    }
    return (struct jl_rect){(int16_t)(box.x + from), (int16_t)(box.y + in), (int16_t)(to - from),
                            thick};
}

static int32_t value_at(const struct jl_slider_face *face, const struct jl_event *event) {
    int32_t step = face->step > 0 ? face->step : 1, length = length_of(face);
    int64_t whole = (int64_t)face->scale.to - face->scale.from;
    int64_t at = is_upright(face) ? (int32_t)face->box.y + face->box.h - 1 - event->y
                                  : (int32_t)event->x - face->box.x;
    at -= knob_of(face) / 2;
    at = at < 0 ? 0 : at > length ? length : at;
    int64_t steps =
        length > 0 ? (at * whole + (int64_t)length * step / 2) / ((int64_t)length * step) : 0;
    return (int32_t)(face->scale.from + (steps * step > whole ? whole : steps * step));
}

bool jl_slider_event(struct jl_slider *slider, const struct jl_event *event) {
    const struct jl_slider_face *face = slider->face;
    int32_t before = slider->value;
    bool was_held = slider->grip.held;
    uint8_t finger = slider->grip.finger;
    jl_grip_event(&slider->grip, face->box, event);
    bool came = event->kind == JL_EVENT_PRESS && slider->grip.held &&
                slider->grip.finger == event->which && jl_rect_has(face->box, event->x, event->y);
    bool moved = event->kind == JL_EVENT_DRAG && was_held && finger == event->which;
    if (came || moved) {
        slider->value = value_at(face, event);
    } else if (slider->focused) {
        /* Downwards is more in lists; here it is less. */
        int32_t steps =
            event->kind == JL_EVENT_KEY ? -jl_event_steps(event) : jl_event_steps(event);
        slider->value = jl_scale_step(&face->scale, before, face->step > 0 ? face->step : 1, steps);
    }
    return slider->value != before;
}

enum { HELD = 1, FOCUSED = 2 };
static uint8_t look_of(const struct jl_slider *slider) {
    return (uint8_t)((slider->grip.held ? HELD : 0) | (slider->focused ? FOCUSED : 0));
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_slider *slider = instrument;
    const struct jl_slider_face *face = slider->face;
    const struct jl_theme *theme = face->theme;
    int16_t at = place_of(slider), knob = knob_of(face), end = (int16_t)(length_of(face) + knob);
    struct jl_rect cap = slice(face, at, (int16_t)(at + knob), false);
    int16_t radius = (int16_t)(knob / 4);
    jl_fill_rect(target, face->box, theme->back);
    jl_fill_rect(target, slice(face, 0, end, true), theme->unlit);
    jl_fill_rect(target, slice(face, 0, at, true), theme->accent);
    jl_stroke_rect(target, slice(face, 0, end, true), theme->line);
    jl_fill_rounded(target, cap, radius, slider->grip.held ? theme->accent : theme->face);
    jl_stroke_rounded(target, cap, radius, slider->focused ? theme->accent : theme->ink);
    if (slider->focused) {
        jl_stroke_rounded(target, jl_inset(cap, 2), radius, theme->ink);
    }
}

static void find_changes(const struct jl_slider *slider, struct parts *parts) {
    const struct jl_slider_face *face = slider->face;
    int16_t from = slider->shown, to = place_of(slider), knob = knob_of(face);
    if (from == to && look_of(slider) == slider->shown_look) {
        return;
    }
    int16_t low = from < to ? from : to, high = from < to ? to : from;
    if (high - low <= knob) {
        jl_parts_add(parts, slice(face, low, (int16_t)(high + knob), false));
        return;
    }
    jl_parts_add(parts, slice(face, low, (int16_t)(low + knob), false));
    jl_parts_add(parts, slice(face, (int16_t)(low + knob), high, true));
    jl_parts_add(parts, slice(face, high, (int16_t)(high + knob), false));
}

bool jl_slider_redraw(struct jl_target *target, struct jl_slider *slider) {
    struct parts parts = {0};
    if (slider->drawn) {
        find_changes(slider, &parts);
    } else {
        jl_parts_add(&parts, slider->face->box);
    }
    slider->shown = place_of(slider);
    slider->shown_look = look_of(slider);
    slider->drawn = true;
    return jl_parts_draw(&parts, slider->face->box, target, draw, slider);
}

void jl_slider_draw(struct jl_target *target, const struct jl_slider *slider) {
    jl_instrument_draw(target, slider->face->box, draw, slider);
}
