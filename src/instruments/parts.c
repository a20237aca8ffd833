/* Drawing only parts of an instrument. */
#include "../core/paint.h"
#include "instrument.h"

void jl_parts_add(struct parts *parts, struct jl_rect part) {
    if (jl_rect_is_empty(part)) {
        return;
    }
    if (parts->count < MOST_PARTS) {
        parts->list[parts->count++] = part;
    } else {
        struct jl_rect *last = &parts->list[MOST_PARTS - 1];
        *last = jl_rect_around(*last, part);
    }
}

void jl_instrument_draw(struct jl_target *target, struct jl_rect through,
                        void (*draw)(struct jl_target *target, const void *instrument),
                        const void *instrument) {
    struct jl_rect before = jl_target_clip(target, through);
    draw(target, instrument);
    jl_target_unclip(target, before);
}

bool jl_parts_draw(const struct parts *parts, struct jl_rect box, struct jl_target *target,
                   void (*draw)(struct jl_target *target, const void *instrument),
                   const void *instrument) {
    for (uint8_t i = 0; i < parts->count; i++) {
        jl_instrument_draw(target, jl_rect_intersect(parts->list[i], box), draw, instrument);
    }
    return parts->count > 0;
}

bool jl_instrument_sees(const struct jl_target *target, struct jl_rect area) {
    return !jl_rect_is_empty(jl_rect_intersect(jl_paint_visible(target), area));
}
