/* Line buffers that are filled from a frame. */
#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/paint.h"
#include "jadelamp/scanout.h"

static void copy(const struct jl_frame *from, struct jl_frame *to) {
    const struct jl_rect *rows = &to->target.bounds;
    memcpy(to->pixels, from->pixels + (size_t)(uint16_t)rows->y * from->stride_bytes,
           (size_t)(uint16_t)rows->h * to->stride_bytes);
}

/* Some colours at a time. */
static void convert(const struct jl_frame *from, struct jl_frame *to) {
    const struct jl_rect *rows = &to->target.bounds;
    jl_color row[JL_CHUNK];
    for (int16_t dy = 0; dy < rows->h; dy++) {
        int16_t y = (int16_t)(rows->y + dy);
        for (int16_t x = 0; x < rows->w; x = (int16_t)(x + JL_CHUNK)) {
            int16_t count = rows->w - x < JL_CHUNK ? (int16_t)(rows->w - x) : (int16_t)JL_CHUNK;
            jl_ops_of(&from->target)->get(&from->target, x, y, count, row);
            jl_ops_put(&to->target, x, y, count, row);
        }
    }
}

void jl_scanout_from_frame(void *context, struct jl_target *target) {
    const struct jl_frame *from = context;
    struct jl_frame *to = (struct jl_frame *)target; /* its first member */
    if (from->target.bounds.w != target->bounds.w || from->target.bounds.h < target->height ||
        !jl_ops_of(&from->target)->get) {
        return;
    }
    if (from->format == to->format && from->stride_bytes == to->stride_bytes) {
        copy(from, to);
    } else {
        convert(from, to);
    }
}
