/* A button. */
#include "jadelamp/instruments/button.h"

#include "instrument.h"

bool jl_button_event(struct jl_button *button, const struct jl_event *event) {
    if (button->disabled) {
        button->grip = (struct jl_grip){false, false, 0};
        return false;
    }
    return jl_grip_event(&button->grip, button->face->box, event) ||
           (button->focused && jl_event_chooses(event));
}

static uint8_t look_of(const struct jl_button *button) {
    return (uint8_t)((button->grip.inside && !button->disabled ? LOOK_PRESSED : 0) |
                     (button->focused ? LOOK_FOCUSED : 0) | (button->disabled ? LOOK_DISABLED : 0));
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_button *button = instrument;
    jl_draw_key_cap(target, button->face->box, button->face->theme, button->face->label,
                    look_of(button));
}

static void find_changes(const struct jl_button *button, struct parts *parts) {
    if (look_of(button) != button->shown) {
        jl_parts_add(parts, button->face->box);
    }
}

bool jl_button_redraw(struct jl_target *target, struct jl_button *button) {
    struct parts parts = {0};
    if (button->drawn) {
        find_changes(button, &parts);
    } else {
        jl_parts_add(&parts, button->face->box);
    }
    button->shown = look_of(button);
    button->drawn = true;
    return jl_parts_draw(&parts, button->face->box, target, draw, button);
}

void jl_button_draw(struct jl_target *target, const struct jl_button *button) {
    jl_instrument_draw(target, button->face->box, draw, button);
}
