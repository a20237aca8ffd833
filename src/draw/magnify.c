/* A target that draws squares for pixels. */
#include "jadelamp/magnify.h"

#include "../core/lone.h"
#include "../core/paint.h"

/* An area in pixels of the other target, cut to what its coordinates can name. */
static struct jl_rect squares(const struct jl_magnified *m, struct jl_rect area) {
    int32_t x = m->x + (int32_t)area.x * m->factor, y = m->y + (int32_t)area.y * m->factor;
    int32_t right = x + (int32_t)area.w * m->factor, bottom = y + (int32_t)area.h * m->factor;
    right = right > INT16_MAX ? INT16_MAX : right;
    bottom = bottom > INT16_MAX ? INT16_MAX : bottom;
    return (struct jl_rect){(int16_t)x, (int16_t)y, (int16_t)(right - x), (int16_t)(bottom - y)};
}

static void fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    const struct jl_magnified *m = (const struct jl_magnified *)target;
    jl_fill_rect(m->to, squares(m, area), ink);
}

/* A bitmap whose pixels are squares of another one's; its `bits` are this. */
struct enlarged {
    const struct jl_bitmap *map;
    int map_x, map_y; /* what its (0, 0) is */
    uint8_t factor;
};

/* Eight rows of squares lie in at most eight rows of the map, which are one column of it. */
static uint8_t column(const struct jl_bitmap *map, int x, int y) {
    const struct enlarged *e = (const struct enlarged *)(const void *)map->bits;
    if (x < 0 || y < 0 || x >= map->width || y >= map->height) {
        return 0;
    }
    unsigned from = (unsigned)y / e->factor, rest = (unsigned)y % e->factor, bits = 0;
    unsigned source = e->map->order->column(e->map, e->map_x + (int)((unsigned)x / e->factor),
                                            e->map_y + (int)from);
    for (unsigned bit = 1; bit < 256; bit <<= 1) {
        bits |= source & 1 ? bit : 0;
        if (++rest == e->factor) {
            rest = 0;
            source >>= 1;
        }
    }
    return (uint8_t)bits;
}

static const struct jl_bit_order order = {.column = column};

static void stencil(struct jl_target *target, const struct jl_stencil *s) {
    const struct jl_magnified *m = (const struct jl_magnified *)target;
    struct jl_rect to = squares(m, s->area);
    const struct enlarged enlarged = {s->map, s->map_x, s->map_y, m->factor};
    const struct jl_bitmap large = {(const uint8_t *)(const void *)&enlarged, to.w, to.h, &order};
    jl_paint_stencil(m->to, &(struct jl_stencil){to, &large, 0, 0, s->ink, s->paper});
}

struct wide_row {
    const jl_color *row;
    int x, factor;
};

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct wide_row *wide = context;
    (void)y;
    const jl_color *color = wide->row + (x - wide->x) / wide->factor;
    int rest = (x - wide->x) % wide->factor;
    for (int i = 0; i < count; i++) {
        row[i] = *color;
        if (++rest == wide->factor) {
            rest = 0;
            color++;
        }
    }
}

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    const struct jl_magnified *m = (const struct jl_magnified *)target;
    struct jl_rect to = squares(m, (struct jl_rect){x, y, count, 1});
    const struct wide_row wide = {row, to.x, m->factor};
    jl_paint_shade(m->to, to, shade, &wide);
}

#define MAGNIFIED_OPS .fill = fill, .stencil = stencil, .put = put

static const struct jl_target_ops hard_ops = {MAGNIFIED_OPS};
static const struct jl_target_ops soft_ops = {MAGNIFIED_OPS,
                                              .shades = JL_SHADES_SHOWN | JL_SHADES_MIXED};

/* Squares that it takes to reach an edge. */
static int16_t squares_to(int16_t size, int16_t from, uint8_t factor) {
    int32_t left = (int32_t)size - from;
    int32_t squares = left > 0 ? (left + factor - 1) / factor : 0;
    return (int16_t)(squares > INT16_MAX ? INT16_MAX : squares);
}

void jl_magnify(struct jl_magnified *magnified, struct jl_target *to, int16_t x, int16_t y,
                uint8_t factor) {
    *magnified = (struct jl_magnified){.to = to, .x = x, .y = y, .factor = factor ? factor : 1};
    bool soft = jl_ops_of(to) && (jl_ops_of(to)->shades & JL_SHADES_SHOWN);
    jl_target_init(&magnified->target, soft ? &soft_ops : &hard_ops,
                   squares_to(to->width, x, magnified->factor),
                   squares_to(to->height, y, magnified->factor));
}
