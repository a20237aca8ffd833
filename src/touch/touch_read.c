/* From a touch controller's points to the picture. */
#include "../core/orientation.h"
#include "touch.h"

/* As far off the glass a point still counts. */
enum { MARGIN = 8 };

/* To the edge when it is near; false: too far off. */
static bool to_edge(int16_t *at, int16_t size) {
    if (*at < -MARGIN || *at >= (int32_t)size + MARGIN) {
        return false;
    }
    *at = *at < 0 ? 0 : *at >= size ? (int16_t)(size - 1) : *at;
    return true;
}

static void exchange(struct jl_point *at) {
    int16_t x = at->x;
    at->x = at->y;
    at->y = x;
}

/* Columns or rows counted from the other end of the upright glass. */
static void mirror(struct jl_point *at, const struct jl_touch_config *config, unsigned axes) {
    if (axes & AXES_MIRROR_X) {
        at->x = (int16_t)(config->width - 1 - at->x);
    }
    if (axes & AXES_MIRROR_Y) {
        at->y = (int16_t)(config->height - 1 - at->y);
    }
}

/* Forwards: from a picture, by its axes, to the upright glass. */
static struct jl_point forwards(const struct jl_touch_config *config, unsigned axes,
                                struct jl_point at) {
    if (axes & AXES_EXCHANGE) {
        exchange(&at);
    }
    mirror(&at, config, axes);
    return at;
}

struct jl_point jl_touch_glass_of_picture(const struct jl_touch *touch, struct jl_point at) {
    return forwards(touch->config, jl_axes_of_turn(touch->turn), at);
}

/* Where a point lies on the upright glass. */
static struct jl_point on_glass(const struct jl_touch *touch, const struct jl_touch_point *raw) {
    struct jl_point at = {raw->x, raw->y};
    return touch->map ? jl_touch_map_apply(touch->map, raw->x, raw->y)
                      : forwards(touch->config, jl_axes_of_turn(touch->config->mounting), at);
}

jl_status jl_touch_read(struct jl_touch *touch, struct jl_touch_point *points, uint8_t most,
                        uint8_t *count) {
    if (count) {
        *count = 0;
    }
    if (!touch || !touch->config || !points || !count) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_touch_config *config = touch->config;
    jl_status status = jl_touch_fetch(touch);
    unsigned axes = jl_axes_of_turn(touch->turn);
    for (uint8_t i = 0; i < touch->raw_count && *count < most; i++) {
        struct jl_point at = on_glass(touch, &touch->raw[i]);
        if (to_edge(&at.x, config->width) && to_edge(&at.y, config->height)) {
            mirror(&at, config, axes);
            if (axes & AXES_EXCHANGE) {
                exchange(&at);
            }
            points[*count] = touch->raw[i];
            points[*count].x = at.x;
            points[(*count)++].y = at.y;
        }
    }
    return status;
}

jl_status jl_touch_read_raw(struct jl_touch *touch, struct jl_point *raw, bool *touching) {
    if (touching) {
        *touching = false;
    }
    if (!touch || !touch->config || !raw || !touching) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = jl_touch_fetch(touch);
    if (touch->raw_count) {
        *raw = (struct jl_point){touch->raw[0].x, touch->raw[0].y};
        *touching = true;
    }
    return status;
}
