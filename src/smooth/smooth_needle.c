/* Needles: triangles whose corners are finer than sixteenths, since a long side shows it. */
#include "cut.h"

struct needle {
    struct jl_side sides[3];
};

static void cut(const void *context, int32_t y, struct jl_cut *out) {
    const struct needle *needle = context;
    int32_t ends[2] = {0, 0}, x;
    uint8_t count = 0;
    for (uint8_t i = 0; i < 3; i++) {
        if (jl_side_cut(&needle->sides[i], y, &x)) {
            ends[count++ & 1] = x;
        }
    }
    if (count == 2) {
        bool turned = ends[0] > ends[1];
        jl_cut_add(out, ends[turned], ends[!turned]);
    }
}

static int32_t aside(const void *context, int32_t top, int32_t bottom) {
    const struct needle *needle = context;
    for (uint8_t i = 0; i < 3; i++) {
        const struct jl_side *side = &needle->sides[i];
        if ((side->top >= top && side->top <= bottom) ||
            (side->bottom >= top && side->bottom <= bottom)) {
            return JL_CUT_CORNER;
        }
    }
    return JL_CUT_STRAIGHT;
}

/* Sixteenths times a part of 16384, in units of which there are so many in a sixteenth. */
static int32_t part(int32_t sixteenths, int32_t of_16384, int32_t units) {
    int64_t product = (int64_t)sixteenths * of_16384 * units;
    return (int32_t)((product + 8192) >> 14);
}

void jl_smooth_needle(struct jl_target *target, struct jl_point pivot, jl_direction direction,
                      int16_t length, int16_t tail, int16_t width, jl_color ink, jl_color paper) {
    if (length <= 0 || tail < 0 || width <= 0) {
        return;
    }
    int32_t sine = jl_sine(direction), cosine = jl_cosine(direction);
    int32_t x[3], y[3];
    /* The half width at the tail, in halves of a sixteenth. */
    int32_t half =
        (int32_t)((uint32_t)width * (uint32_t)((int32_t)length + tail) / (uint32_t)length);
    half = half < INT16_MAX ? half : INT16_MAX;
    for (uint8_t i = 0; i < 3; i++) {
        int32_t along = i ? -(int32_t)tail : length, across = i == 0 ? 0 : i == 1 ? half : -half;
        x[i] = 16 * (int32_t)pivot.x + part(along, sine, 16) + part(across, cosine, 8);
        y[i] = 2 * (int32_t)pivot.y - part(along, cosine, 2) + part(across, sine, 1);
    }
    struct needle needle;
    struct jl_smooth_shape shape = {.cut = cut,
                                    .aside = aside,
                                    .context = &needle,
                                    .left = x[0],
                                    .right = x[0],
                                    .top = y[0],
                                    .bottom = y[0]};
    for (uint8_t i = 0; i < 3; i++) {
        uint8_t next = i < 2 ? (uint8_t)(i + 1) : 0;
        needle.sides[i] = jl_side_of(x[i], y[i], x[next], y[next]);
        shape.left = x[i] < shape.left ? x[i] : shape.left;
        shape.right = x[i] > shape.right ? x[i] : shape.right;
        shape.top = y[i] < shape.top ? y[i] : shape.top;
        shape.bottom = y[i] > shape.bottom ? y[i] : shape.bottom;
    }
    jl_smooth_paint(target, &shape, ink, paper);
}
