/* Painting pixels that differ one by one: rows in chunks, computed and put. */
#include "paint.h"

#include <stddef.h>

#include "lone.h"
#include "jadelamp/frame.h"

void jl_ops_put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    if (jl_ops_of(target)->put) {
        jl_ops_of(target)->put(target, x, y, count, row);
        return;
    }
    /* Runs of one colour as fills. */
    for (int start = 0; start < count;) {
        int end = start + 1;
        while (end < count && row[end] == row[start]) {
            end++;
        }
        if (row[start] != JL_CLEAR) {
            struct jl_rect run = {(int16_t)(x + start), y, (int16_t)(end - start), 1};
            jl_ops_of(target)->fill(target, run, jl_ink(target, row[start]));
        }
        start = end;
    }
}

void jl_shade_settle(struct jl_target *target, int16_t x, int16_t y, int16_t count, jl_color *row) {
    jl_color below[JL_CHUNK];
    bool have_below = false; /* read once for the chunk, and only where it is needed */
    if (jl_ops_of(target)->shades & JL_SHADES_MIXED) {
        return;
    }
    for (int16_t i = 0; i < count; i++) {
        uint8_t transparency = (uint8_t)(row[i] >> 24);
        jl_color solid = row[i] & 0xFFFFFF;
        if (transparency == 0 || row[i] == JL_CLEAR) {
            continue;
        }
        if (!jl_ops_of(target)->get) {
            row[i] = transparency < 128 ? solid : JL_CLEAR;
            continue;
        }
        if (!have_below) {
            jl_ops_of(target)->get(target, x, y, count, below);
            have_below = true;
        }
        row[i] = jl_color_mix(solid, below[i], transparency);
    }
}

/*
 * Takes the damage of a frame away, or gives it back, so that it is told once for many parts. Not
 * of formats without put(), which know better what really changed.
 */
struct jl_damage *jl_paint_swap_damage(struct jl_target *target, struct jl_damage *damage) {
    struct jl_frame *frame = (struct jl_frame *)target; /* what has dots is one */
    if (!jl_ops_of(target) || !jl_ops_of(target)->dot || !jl_ops_of(target)->put) {
        return NULL;
    }
    struct jl_damage *before = frame->damage;
    frame->damage = damage;
    return before;
}

void jl_paint_shade(struct jl_target *target, struct jl_rect area, jl_shade_fn shade,
                    const void *context) {
    if (target->painter) {
        target->painter->shade(target, area, shade, context);
        return;
    }
    struct jl_rect visible = jl_rect_intersect(area, target->clip);
    if (visible.w <= 0) {
        return; /* also a frame that failed to open, and has no operations */
    }
    if (jl_ops_of(target)->shade) {
        jl_ops_of(target)->shade(target, visible, shade, context);
        return;
    }
    struct jl_damage *damage = jl_paint_swap_damage(target, NULL);
    /* Found once: rows are short, and a call for nothing is a good part of one. */
    bool settled = jl_ops_of(target)->shades & JL_SHADES_MIXED;
    void (*put)(struct jl_target *, int16_t, int16_t, int16_t, const jl_color *) =
        jl_ops_of(target)->put ? jl_ops_of(target)->put : jl_ops_put;
    for (int y = visible.y; y < visible.y + visible.h; y++) {
        for (int done = 0; done < visible.w; done += JL_CHUNK) {
            jl_color row[JL_CHUNK];
            int count = visible.w - done < JL_CHUNK ? visible.w - done : JL_CHUNK;
            shade(context, visible.x + done, y, count, row);
            if (!settled) {
                jl_shade_settle(target, (int16_t)(visible.x + done), (int16_t)y, (int16_t)count,
                                row);
            }
            put(target, (int16_t)(visible.x + done), (int16_t)y, (int16_t)count, row);
        }
    }
    jl_paint_swap_damage(target, damage);
    if (damage) {
        damage->add(damage, visible, target->patience_px);
    }
}
