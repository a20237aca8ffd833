/* Computed pixels, such as pictures and gradients, straight to the panel. */
#include "../core/lone.h"
#include "direct.h"
#include "../core/quotient.h"
#include "panel.h"

/* Computed pixels, and whether one of them was to be left as it is. */
struct computed {
    struct jl_direct *direct;
    jl_shade_fn shade;
    const void *context;
    bool *holes;
};

/* Places left out are background, which counts only where bytes are shared. */
static void draw_computed(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                          const void *context) {
    const struct computed *c = context;
    jl_color row[JL_CHUNK];
    for (int16_t dy = 0; dy < area.h; dy++) {
        for (int16_t dx = 0; dx < area.w; dx = (int16_t)(dx + JL_CHUNK)) {
            int16_t count = area.w - dx < JL_CHUNK ? (int16_t)(area.w - dx) : JL_CHUNK;
            c->shade(c->context, x + dx, y + dy, count, row);
            jl_shade_settle(&c->direct->target, 0, 0, count, row);
            for (int16_t i = 0; i < count; i++) {
                if (row[i] == JL_CLEAR) {
                    *c->holes = true;
                    row[i] = c->direct->background;
                }
            }
            jl_ops_put(&piece->target, (int16_t)(area.x + dx), (int16_t)(area.y + dy), count, row);
        }
    }
}

/* Sent by runs: windows as wide as what is computed at a time, even if the memory holds less. */
static void put_computed(struct jl_direct *direct, struct jl_rect area, const struct computed *c) {
    jl_color row[JL_CHUNK];
    for (int16_t y = area.y; y < area.y + area.h; y++) {
        for (int16_t dx = 0; dx < area.w; dx = (int16_t)(dx + JL_CHUNK)) {
            int16_t count = area.w - dx < JL_CHUNK ? (int16_t)(area.w - dx) : JL_CHUNK;
            c->shade(c->context, area.x + dx, y, count, row);
            jl_shade_settle(&direct->target, 0, 0, count, row);
            jl_ops_of(&direct->target)->put(&direct->target, (int16_t)(area.x + dx), y, count, row);
        }
    }
}

/*
 * Whole pieces in a window each: only when a piece is drawn is it known whether it has holes. Then
 * it is computed again, and sent by runs.
 */
void jl_direct_shade(struct jl_target *target, struct jl_rect area, jl_shade_fn shader,
                     const void *context) {
    struct jl_direct *direct = (struct jl_direct *)target;
    struct jl_panel *panel = direct->panel;
    bool holes = false;
    struct computed c = {direct, shader, context, &holes};
    if (jl_direct_shares_bytes(direct)) {
        jl_direct_stream(direct, area, draw_computed, &c);
        return;
    }
    int fitting = jl_direct_columns(direct);
    if (fitting < JL_CHUNK && fitting < area.w) {
        put_computed(direct, area, &c);
        return;
    }
    int16_t piece_w = fitting < area.w ? (int16_t)fitting : area.w;
    int at_a_time = (int)jl_quotient((uint32_t)fitting, (uint32_t)piece_w);
    int16_t piece_h = at_a_time < area.h ? (int16_t)at_a_time : area.h;
    for (int y = 0; y < area.h && jl_direct_ready(direct); y += piece_h) {
        int16_t h = area.h - y < piece_h ? (int16_t)(area.h - y) : piece_h;
        for (int x = 0; x < area.w && direct->status == JL_OK; x += piece_w) {
            int16_t w = area.w - x < piece_w ? (int16_t)(area.w - x) : piece_w;
            struct jl_rect piece = {(int16_t)(area.x + x), (int16_t)(area.y + y), w, h};
            struct jl_frame frame = jl_direct_piece(direct, w, h);
            holes = false;
            draw_computed(&frame, frame.target.bounds, piece.x, piece.y, &c);
            if (holes) {
                put_computed(direct, piece, &c);
                continue;
            }
            frame.target.bounds = piece;
            jl_direct_sent(direct, jl_area_send(panel, &piece, &frame));
        }
    }
}
