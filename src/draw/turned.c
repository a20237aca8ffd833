/* Pictures turned by any angle. */
#include "../core/paint.h"
#include "image_read.h"
#include "jadelamp/transform.h"
#include "mean.h"

/*
 * Places in the picture are kept in 1/2^18 of a pixel: a sixteenth times a cosine. They wrap when
 * they leave 32 bits, which is more than 8000 pixels away: what is so far is not asked for.
 */
enum { PIXEL_LOG2 = 18 };

struct turned {
    struct jl_image_reader reader;
    struct jl_point at, pivot;
    int32_t cosine, sine;
    enum jl_sampling sampling;
};

static jl_color color_at(const struct turned *t, int32_t x, int32_t y) {
    jl_color color = JL_CLEAR;
    /* What is negative is too great, too. */
    uint32_t column = (uint32_t)x >> PIXEL_LOG2, row = (uint32_t)y >> PIXEL_LOG2;
    if (column < (uint32_t)t->reader.image->width && row < (uint32_t)t->reader.image->height) {
        jl_image_read(&t->reader, (int)column, (int)row, 1, &color);
    }
    return color;
}

/* Four places, a quarter of a pixel from the middle in both directions of the target. */
static jl_color mean_at(const struct turned *t, int32_t x, int32_t y) {
    struct jl_mean mean = {0};
    int32_t c = t->cosine * 4, s = t->sine * 4;
    jl_mean_add(&mean, color_at(t, x - c - s, y + s - c));
    jl_mean_add(&mean, color_at(t, x + c - s, y - s - c));
    jl_mean_add(&mean, color_at(t, x - c + s, y + s + c));
    jl_mean_add(&mean, color_at(t, x + c + s, y - s + c));
    return jl_mean_of(&mean);
}

/* A step right on the target is cos right and sin up in the picture. */
static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct turned *t = context;
    int32_t dx = (int32_t)x * 16 + 8 - t->at.x, dy = (int32_t)y * 16 + 8 - t->at.y;
    int32_t u = t->pivot.x * 16384 + dx * t->cosine + dy * t->sine;
    int32_t v = t->pivot.y * 16384 - dx * t->sine + dy * t->cosine;
    for (int i = 0; i < count; i++) {
        row[i] = t->sampling == JL_SAMPLE_BOX ? mean_at(t, u, v) : color_at(t, u, v);
        u += t->cosine * 16;
        v -= t->sine * 16;
    }
}

/* Widens an area by where a corner of the picture comes to lie, in pixels. */
static void include(const struct turned *t, int32_t x, int32_t y, int32_t box[4]) {
    int32_t dx = x * 16 - t->pivot.x, dy = y * 16 - t->pivot.y;
    int32_t to_x = (t->at.x + ((dx * t->cosine - dy * t->sine) >> 14)) >> 4;
    int32_t to_y = (t->at.y + ((dx * t->sine + dy * t->cosine) >> 14)) >> 4;
    box[0] = to_x < box[0] ? to_x : box[0];
    box[1] = to_y < box[1] ? to_y : box[1];
    box[2] = to_x > box[2] ? to_x : box[2];
    box[3] = to_y > box[3] ? to_y : box[3];
}

void jl_draw_turned(struct jl_target *target, struct jl_point at, const struct jl_image *image,
                    struct jl_point pivot, jl_direction turn, enum jl_sampling sampling) {
    struct jl_unpacking planes[2] = {{NULL, NULL, 0, 0}};
    struct turned t = {
        jl_image_open(image, planes), at, pivot, jl_cosine(turn), jl_sine(turn), sampling};
    int32_t box[4] = {INT16_MAX, INT16_MAX, INT16_MIN, INT16_MIN};
    enum { MOST = 2048 }; /* pixels of a side, and from the pivot: products stay within 32 bits */
    if (image->width > MOST || image->height > MOST) {
        return;
    }
    include(&t, 0, 0, box);
    include(&t, image->width, 0, box);
    include(&t, 0, image->height, box);
    include(&t, image->width, image->height, box);
    jl_paint_shade(target,
                   (struct jl_rect){(int16_t)(box[0] - 1), (int16_t)(box[1] - 1),
                                    (int16_t)(box[2] - box[0] + 3), (int16_t)(box[3] - box[1] + 3)},
                   shade, &t);
}
