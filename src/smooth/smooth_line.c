/* Lines. */
#include "stroke.h"

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    jl_stroke_cut(context, y, out);
}

static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    return jl_stroke_aside(context, top, bottom);
}

void jl_smooth_line(struct jl_target *target, struct jl_point a, struct jl_point b, int16_t width,
                    enum jl_ends ends, jl_color ink, jl_color paper) {
    struct jl_stroke stroke;
    int32_t wide = jl_stroke_width(target, paper, width);
    bool round = ends == JL_ENDS_ROUND;
    if (wide <= 0) {
        return;
    }
    jl_stroke_begin(&stroke, a, b, wide, round, round);
    int32_t left = stroke.end_x[0] < stroke.end_x[1] ? stroke.end_x[0] : stroke.end_x[1];
    int32_t right = stroke.end_x[0] + stroke.end_x[1] - left;
    jl_smooth_paint(target,
                    &(struct jl_smooth_shape){.cut = cut,
                                              .aside = aside,
                                              .context = &stroke,
                                              .left = left - wide * 8,
                                              .right = right + wide * 8,
                                              .top = stroke.top,
                                              .bottom = stroke.bottom},
                    ink, paper);
}
