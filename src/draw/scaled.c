/* Pictures in other sizes. */
#include "../core/paint.h"
#include "image_read.h"
#include "jadelamp/transform.h"
#include "mean.h"

struct scaled {
    struct jl_image_reader reader;
    struct jl_rect to, from;
    enum jl_sampling sampling;
    uint8_t flips;
};

/* What a place among `n` takes of `size`: first, and behind the last. */
struct part {
    int32_t first, end;
};

static struct part part_of(int32_t place, int32_t n, int32_t size, const struct scaled *s,
                           bool flipped) {
    uint32_t at = (uint32_t)(flipped ? n - 1 - place : place), of = (uint32_t)n;
    uint32_t wide = (uint32_t)size; /* all below 2^15, so products fit */
    if (s->sampling == JL_SAMPLE_NEAREST) {
        int32_t nearest = (int32_t)((2 * at + 1) * wide / (2 * of));
        return (struct part){nearest, nearest + 1};
    }
    struct part p = {(int32_t)(at * wide / of), (int32_t)((at + 1) * wide / of)};
    p.end = p.end > p.first ? p.end : p.first + 1;
    return p;
}

/* Steps that leave at most 64 places of a part. */
static int32_t step_of(const struct part *p) {
    return (p->end - p->first + 63) / 64;
}

static jl_color color_at(const struct scaled *s, const struct part *columns,
                         const struct part *rows) {
    struct jl_mean mean = {0};
    jl_color color = JL_CLEAR;
    for (int32_t y = rows->first; y < rows->end; y += step_of(rows)) {
        for (int32_t x = columns->first; x < columns->end; x += step_of(columns)) {
            jl_image_read(&s->reader, (int)(s->from.x + x), (int)(s->from.y + y), 1, &color);
            jl_mean_add(&mean, color);
        }
    }
    return mean.count == 1 ? color : jl_mean_of(&mean);
}

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct scaled *s = context;
    struct part rows = part_of((int32_t)y - s->to.y, s->to.h, s->from.h, s, s->flips & JL_FLIP_Y);
    struct part before = {-1, -1};
    for (int i = 0; i < count; i++) {
        struct part columns =
            part_of((int32_t)x + i - s->to.x, s->to.w, s->from.w, s, s->flips & JL_FLIP_X);
        bool same = columns.first == before.first && columns.end == before.end;
        row[i] = same ? row[i - 1] : color_at(s, &columns, &rows);
        before = columns;
    }
}

void jl_draw_scaled(struct jl_target *target, struct jl_rect to, const struct jl_image *image,
                    const struct jl_rect *from, enum jl_sampling sampling, uint8_t flips) {
    struct jl_unpacking planes[2] = {{NULL, NULL, 0, 0}};
    struct jl_rect all = {0, 0, image->width, image->height};
    struct scaled s = {jl_image_open(image, planes), to, from ? jl_rect_intersect(*from, all) : all,
                       sampling, flips};
    if (s.from.w > 0 && s.from.h > 0) {
        jl_paint_shade(target, to, shade, &s);
    }
}
