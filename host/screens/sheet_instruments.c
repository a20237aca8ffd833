/* Items that are instruments of the library. */
#include "screen_parts.h"

static const struct jl_theme *theme_of(const struct jl_screen *screen, const struct item *item) {
    return &screen->themes[item->theme].theme;
}

static struct jl_scale scale_of(const struct item *item) {
    return (struct jl_scale){item->from, item->to, item->zone_count ? item->zones : NULL,
                             (uint8_t)item->zone_count};
}

static const char *or_none(const char *text) {
    return *text ? text : NULL;
}

struct jl_slider_face jl_host_slider_face(const struct jl_screen *screen, const struct item *item) {
    return (struct jl_slider_face){.box = item->box,
                                   .theme = theme_of(screen, item),
                                   .scale = scale_of(item),
                                   .step = item->step};
}

void jl_host_instrument_draw(const struct jl_screen *screen, const struct item *item,
                             const struct jl_screen_state *state, struct jl_target *target) {
    const struct jl_theme *theme = theme_of(screen, item);
    const struct jl_scale scale = scale_of(item);
    int32_t number = item->value == NONE ? 0 : state->numbers[item->value];
    uint8_t decimals = item->value == NONE ? 0 : screen->values[item->value].decimals;
    switch (item->kind) {
    case ITEM_BAR: {
        const struct jl_bar_face face = {item->box, theme, scale, (uint8_t)item->divisions};
        jl_bar_draw(target, &(struct jl_bar){.face = &face, .value = number});
        break;
    }
    case ITEM_DIAL: {
        const struct jl_dial_face face = {.box = item->box,
                                          .theme = theme,
                                          .scale = scale,
                                          .start = JL_DEGREES(item->start),
                                          .sweep = JL_SWEEP(item->sweep),
                                          .major = (uint8_t)item->major,
                                          .minor = (uint8_t)item->minor,
                                          .numbers = item->has_numbers,
                                          .decimals = decimals,
                                          .label = or_none(item->label)};
        jl_dial_draw(target, &(struct jl_dial){.face = &face, .value = number});
        break;
    }
    case ITEM_LEVEL: {
        const struct jl_level_face face = {item->box, theme, scale, (uint8_t)item->segments};
        jl_level_draw(target, &(struct jl_level){.face = &face, .value = number});
        break;
    }
    case ITEM_PROGRESS: {
        const struct value *value = &screen->values[item->value];
        const struct jl_progress_face face = {item->box, theme};
        jl_progress_draw(target, &(struct jl_progress){.face = &face,
                                                       .done = number - value->least,
                                                       .all = value->most - value->least});
        break;
    }
    case ITEM_DIGITS: {
        const struct jl_digits_face face = {item->box, theme, (uint8_t)item->places, decimals};
        jl_digits_draw(target, &(struct jl_digits){.face = &face, .value = number});
        break;
    }
    case ITEM_NUMBER: {
        const struct jl_number_face face = {.box = item->box,
                                            .theme = theme,
                                            .label = or_none(item->label),
                                            .unit = or_none(item->unit),
                                            .decimals = decimals,
                                            .is_large = true,
                                            .scale = item->has_scale ? &scale : NULL};
        jl_number_draw(target, &(struct jl_number){.face = &face, .value = number});
        break;
    }
    case ITEM_LAMP: {
        const struct jl_lamp_face face = {item->box, theme, or_none(item->label),
                                          item->zones[0].grade};
        jl_lamp_draw(target, &(struct jl_lamp){.face = &face, .on = number != 0});
        break;
    }
    case ITEM_BUTTON: {
        const struct jl_button_face face = {item->box, theme, or_none(item->label)};
        jl_button_draw(target, &(struct jl_button){.face = &face});
        break;
    }
    case ITEM_SLIDER: {
        const struct jl_slider_face face = jl_host_slider_face(screen, item);
        jl_slider_draw(target, &(struct jl_slider){.face = &face, .value = number});
        break;
    }
    default:
        break;
    }
}
