/*
 * Painting on a turned target, or in a mode other than replacing. Linked only where
 * jl_target_turn() or jl_target_mode() is called.
 */
#include "painter.h"

#include <stddef.h>

#include "lone.h"
#include "jadelamp/damage.h"

/* Wider than any coordinate: corners of rectangles may lie past the range before they are cut. */
struct point {
    int32_t x, y;
};

/* The turn without its shift: mirror first, then quarter turns clockwise. */
static struct point rotate(uint8_t turn, int32_t x, int32_t y) {
    if (turn & JL_TURN_MIRROR) {
        x = -x;
    }
    switch (turn & 3) {
    case JL_TURN_90:
        return (struct point){-y, x};
    case JL_TURN_180:
        return (struct point){-x, -y};
    case JL_TURN_270:
        return (struct point){y, -x};
    default:
        return (struct point){x, y};
    }
}

static struct point rotate_back(uint8_t turn, int32_t x, int32_t y) {
    struct point p = rotate((uint8_t)((4 - (turn & 3)) & 3), x, y);
    if (turn & JL_TURN_MIRROR) {
        p.x = -p.x;
    }
    return p;
}

static struct point own_to_picture(const struct jl_target *t, int32_t x, int32_t y) {
    return rotate_back(t->turn, x - t->shift_x, y - t->shift_y);
}

/*
 * Corners in any order to a rectangle, cut to int16_t. Twice the range is enough:
 * what lies further out is cut by the clip in any case.
 */
static struct jl_rect around(struct point a, struct point b) {
    int32_t left = a.x < b.x ? a.x : b.x, right = a.x < b.x ? b.x : a.x;
    int32_t top = a.y < b.y ? a.y : b.y, bottom = a.y < b.y ? b.y : a.y;
    left = left < INT16_MIN ? INT16_MIN : left;
    top = top < INT16_MIN ? INT16_MIN : top;
    if (left > INT16_MAX || top > INT16_MAX || right < left || bottom < top) {
        return (struct jl_rect){0, 0, 0, 0};
    }
    int32_t width = right - left + 1, height = bottom - top + 1;
    return (struct jl_rect){(int16_t)left, (int16_t)top,
                            (int16_t)(width > INT16_MAX ? INT16_MAX : width),
                            (int16_t)(height > INT16_MAX ? INT16_MAX : height)};
}

static struct jl_rect to_own(const struct jl_target *t, struct jl_rect r) {
    if (jl_rect_is_empty(r)) {
        return (struct jl_rect){0, 0, 0, 0};
    }
    struct point a = rotate(t->turn, r.x, r.y);
    struct point b = rotate(t->turn, (int32_t)r.x + r.w - 1, (int32_t)r.y + r.h - 1);
    a.x += t->shift_x;
    b.x += t->shift_x;
    a.y += t->shift_y;
    b.y += t->shift_y;
    return around(a, b);
}

static struct jl_rect to_picture(const struct jl_target *t, struct jl_rect r) {
    if (jl_rect_is_empty(r)) {
        return (struct jl_rect){0, 0, 0, 0};
    }
    return around(own_to_picture(t, r.x, r.y),
                  own_to_picture(t, (int32_t)r.x + r.w - 1, (int32_t)r.y + r.h - 1));
}

/* ---- how new pixels meet old ones ---- */

/* What the target makes of a colour, by trying it on a pixel that is about to change anyway. */
static jl_color as_stored(struct jl_target *t, int16_t x, int16_t y, jl_color color) {
    jl_color before, stored;
    jl_ops_of(t)->get(t, x, y, 1, &before);
    jl_ops_put(t, x, y, 1, &color);
    jl_ops_of(t)->get(t, x, y, 1, &stored);
    jl_ops_put(t, x, y, 1, &before);
    return stored;
}

/* What is left of a colour where only so much of it counts: 0 nothing, 255 all. */
static jl_color thinned(jl_color color, uint8_t alpha) {
    uint32_t transparency = 255 - jl_channel_mix(0, alpha, 255 - (color >> 24));
    return transparency < 255 ? (color & 0xFFFFFF) | transparency << 24 : JL_CLEAR;
}

/* Exclusive or with what is there; soft edges become hard. */
static void invert_row(struct jl_target *t, int16_t x, int16_t y, int16_t count, jl_color *row) {
    jl_color old[JL_CHUNK], ink = JL_CLEAR, ink_stored = 0;
    for (int16_t i = 0; i < count; i++) {
        row[i] = row[i] >> 24 < 128 ? row[i] & 0xFFFFFF : JL_CLEAR;
    }
    if (jl_ops_of(t)->invert) {
        jl_ops_of(t)->invert(t, x, y, count, row);
        return;
    }
    jl_ops_of(t)->get(t, x, y, count, old);
    for (int16_t i = 0; i < count; i++) {
        if (row[i] == JL_CLEAR) {
            continue;
        }
        if (row[i] != ink) {
            ink = row[i];
            ink_stored = as_stored(t, (int16_t)(x + i), y, ink);
        }
        row[i] = old[i] ^ ink_stored;
    }
    jl_ops_put(t, x, y, count, row);
}

static void put_in_mode(struct jl_target *t, int16_t x, int16_t y, int16_t count, jl_color *row) {
    if (t->mode == JL_MODE_INVERT) {
        invert_row(t, x, y, count, row);
        return;
    }
    for (int16_t i = 0; i < count && t->mode == JL_MODE_BLEND; i++) {
        row[i] = thinned(row[i], t->alpha);
    }
    jl_shade_settle(t, x, y, count, row);
    jl_ops_put(t, x, y, count, row);
}

/* ---- the three ways of painting ---- */

/* A shader of the picture, asked for the target's own pixels. */
struct turned {
    const struct jl_target *target;
    jl_shade_fn shader;
    const void *context;
};

static void shade_turned(const void *context, int x, int y, int count, jl_color *row) {
    const struct turned *turned = context;
    const struct jl_target *t = turned->target;
    if (t->turn == JL_TURN_0) {
        turned->shader(turned->context, x - t->shift_x, y - t->shift_y, count, row);
        return;
    }
    for (int i = 0; i < count; i++) {
        struct point p = own_to_picture(t, x + i, y);
        turned->shader(turned->context, (int)p.x, (int)p.y, 1, &row[i]);
    }
}

static void shade(struct jl_target *t, struct jl_rect area, jl_shade_fn shader,
                  const void *context) {
    struct jl_rect own = jl_rect_intersect(to_own(t, area), t->clip);
    struct turned turned = {t, shader, context};
    if (own.w > 0 && jl_ops_of(t)->shade && t->mode == JL_MODE_REPLACE) {
        jl_ops_of(t)->shade(t, own, shade_turned, &turned);
        return;
    }
    for (int y = own.y; y < own.y + own.h; y++) {
        for (int done = 0; done < own.w; done += JL_CHUNK) {
            jl_color row[JL_CHUNK];
            int x = own.x + done;
            int count = own.w - done < JL_CHUNK ? own.w - done : JL_CHUNK;
            shade_turned(&turned, x, y, count, row);
            put_in_mode(t, (int16_t)x, (int16_t)y, (int16_t)count, row);
        }
    }
}

static void shade_plain(const void *context, int x, int y, int count, jl_color *row) {
    (void)x;
    (void)y;
    for (int i = 0; i < count; i++) {
        row[i] = *(const jl_color *)context;
    }
}

static void fill(struct jl_target *t, struct jl_rect area, jl_color color) {
    bool mixed = t->mode == JL_MODE_BLEND && (jl_ops_of(t)->shades & JL_SHADES_MIXED);
    if (t->mode != JL_MODE_REPLACE && !mixed) {
        shade(t, area, shade_plain, &color);
        return;
    }
    struct jl_rect own = jl_rect_intersect(to_own(t, area), t->clip);
    if (own.w <= 0) {
        return;
    }
    if (!mixed) {
        jl_ops_of(t)->fill(t, own, jl_ink(t, color));
        return;
    }
    /* As much as a stack bears. Processors of 64 bits have room, and mix eight pixels at a time. */
    enum { ROW = UINTPTR_MAX > UINT32_MAX ? 16 * JL_CHUNK : JL_CHUNK };
    jl_color row[ROW], thin = thinned(color, t->alpha);
    struct jl_damage *damage = jl_paint_swap_damage(t, NULL);
    shade_plain(&thin, 0, 0, ROW, row);
    for (int16_t y = own.y; y < own.y + own.h; y++) {
        for (int16_t done = 0; done < own.w; done = (int16_t)(done + ROW)) {
            int16_t count = own.w - done < ROW ? (int16_t)(own.w - done) : ROW;
            jl_ops_of(t)->put(t, (int16_t)(own.x + done), y, count, row);
        }
    }
    jl_paint_swap_damage(t, damage);
    if (damage) {
        damage->add(damage, own, t->patience_px);
    }
}

struct placed_map {
    const struct jl_bitmap *map;
    int x, y; /* where the map's (0, 0) lies */
    jl_color ink, paper;
};

static void shade_stencil(const void *context, int x, int y, int count, jl_color *row) {
    const struct placed_map *p = context;
    for (int i = 0; i < count; i++) {
        bool set = p->map->order->column(p->map, x + i - p->x, y - p->y) & 1;
        row[i] = set ? p->ink : p->paper;
    }
}

static void stencil(struct jl_target *t, const struct jl_stencil *s) {
    struct placed_map placed = {s->map, s->area.x - s->map_x, s->area.y - s->map_y, s->ink,
                                s->paper};
    if (t->mode == JL_MODE_INVERT) {
        placed.paper = JL_CLEAR;
    }
    shade(t, s->area, shade_stencil, &placed);
}

const struct jl_painter jl_painter_full = {
    .fill = fill,
    .stencil = stencil,
    .shade = shade,
    .to_own = to_own,
    .to_picture = to_picture,
};

/* ---- setting it ---- */

static void choose_painter(struct jl_target *t) {
    bool upright = t->turn == JL_TURN_0 && t->shift_x == 0 && t->shift_y == 0;
    t->painter = upright && t->mode == JL_MODE_REPLACE ? NULL : &jl_painter_full;
}

bool jl_target_mode(struct jl_target *t, enum jl_mode mode, uint8_t alpha) {
    if (mode > JL_MODE_BLEND || (mode != JL_MODE_REPLACE && !(jl_ops_of(t) && jl_ops_of(t)->get))) {
        return false;
    }
    t->mode = (uint8_t)mode;
    t->alpha = alpha;
    choose_painter(t);
    return true;
}

void jl_target_turn(struct jl_target *t, uint8_t turn) {
    bool was_odd = t->turn & 1;
    int own_width = was_odd ? t->height : t->width;
    int own_height = was_odd ? t->width : t->height;
    t->turn = turn & (3 | JL_TURN_MIRROR);
    t->width = (int16_t)(turn & 1 ? own_height : own_width);
    t->height = (int16_t)(turn & 1 ? own_width : own_height);
    /* The corner of the picture that lands on the own (0, 0) says how far to shift. */
    struct point a = rotate(t->turn, 0, 0);
    struct point b = rotate(t->turn, t->width - 1, t->height - 1);
    t->shift_x = (int16_t) - (a.x < b.x ? a.x : b.x);
    t->shift_y = (int16_t) - (a.y < b.y ? a.y : b.y);
    t->clip = t->bounds;
    choose_painter(t);
}

void jl_painter_turn_about(struct jl_target *t, int16_t x, int16_t y, uint8_t quarter_turns) {
    struct point p = rotate(t->turn, x, y);
    t->shift_x = (int16_t)(t->shift_x + p.x);
    t->shift_y = (int16_t)(t->shift_y + p.y);
    /* After a mirror, turning clockwise is turning back. */
    int quarter = t->turn & JL_TURN_MIRROR ? t->turn - quarter_turns : t->turn + quarter_turns;
    t->turn = (uint8_t)((t->turn & JL_TURN_MIRROR) | (quarter & 3));
    choose_painter(t);
}
