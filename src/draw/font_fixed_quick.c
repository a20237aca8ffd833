/*
 * Glyphs of fixed fonts of 8 rows, a byte a column, right into frames of vertical bytes. What does
 * not lie on a page of such a frame, or is cut by the clip, goes the way of all stencils.
 */
#include "../core/flash.h"
#include "../core/lone.h"
#include "font_fixed.h"
#include "jadelamp/damage.h"

/* The frame, if the cell is whole bytes of one; else NULL. */
static struct jl_frame *frame_of(struct jl_target *target, struct jl_rect cell) {
    const struct jl_rect *clip = &target->clip;
    bool inside = cell.x >= clip->x && cell.y >= clip->y && (cell.y & 7) == 0 && cell.h == 8 &&
                  cell.w <= clip->w - (cell.x - clip->x) && 8 <= clip->h - (cell.y - clip->y);
    bool plain = !target->painter && jl_ops_of(target) == &jl_mono_columns.ops;
    return inside && plain ? (struct jl_frame *)target : NULL;
}

static void paint(struct jl_target *target, struct jl_rect cell, int32_t baseline,
                  const struct jl_glyph *glyph, jl_color ink, jl_color paper) {
    struct jl_frame *frame = frame_of(target, cell);
    (void)baseline; /* the cell is as high as the font */
    if (!frame || ink == JL_CLEAR || paper == JL_CLEAR) {
        struct jl_stencil s = {cell, &glyph->map, 0, 0, ink, paper};
        jl_paint_stencil(target, &s);
        return;
    }
    const struct jl_rect *held = &target->bounds;
    uint8_t *to = frame->pixels +
                  (size_t)(unsigned)((cell.y - held->y) >> 3) * frame->stride_bytes +
                  (cell.x - held->x);
    unsigned dark = (unsigned)jl_ink(target, paper); /* all bits or none */
    unsigned turned = (unsigned)jl_ink(target, ink) ^ dark;
    int first = cell.w, last = -1; /* columns that really change */
    for (int i = 0; i < cell.w; i++) {
        unsigned column = i < glyph->map.width ? jl_flash_byte(glyph->map.bits + i) : 0;
        uint8_t byte = (uint8_t)((column & turned) ^ dark);
        if (to[i] != byte) {
            to[i] = byte;
            first = i < first ? i : first;
            last = i;
        }
    }
    if (last >= 0 && frame->damage) {
        struct jl_rect changed = {(int16_t)(cell.x + first), cell.y, (int16_t)(last - first + 1),
                                  8};
        frame->damage->add(frame->damage, changed, target->patience_px);
    }
}

const struct jl_font_kind jl_font_fixed_quick = {.find = jl_font_fixed_find, .paint = paint};
