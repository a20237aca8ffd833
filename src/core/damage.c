/*
 * Damage rectangles. Invariant: no two of them can be joined for the price of a
 * window, unless all places were taken at some moment, or a shape was drawn in parts.
 */
#include "jadelamp/damage.h"

#include <stddef.h>

/* Field by field: compilers for size call memcpy() for eight bytes that may lie at odd places. */
static void put_rect(struct jl_rect *to, const struct jl_rect *from) {
    to->x = from->x;
    to->y = from->y;
    to->w = from->w;
    to->h = from->h;
}

static int32_t area_px(const struct jl_rect *r) {
    return (int32_t)r->w * r->h;
}

static int32_t window_price(const struct jl_damage *damage) {
    return damage->window_price_px & (JL_WINDOW_A_LINE - 1);
}

/*
 * Pixels that a join would send in vain; negative when the two overlap much. Both lie in a frame
 * and are not empty, so that jl_rect_around() would ask too much.
 */
static inline int32_t waste_of(const struct jl_damage *damage, const struct jl_rect *a,
                               const struct jl_rect *b, struct jl_rect *join) {
    int32_t left = a->x < b->x ? a->x : b->x, top = a->y < b->y ? a->y : b->y;
    int32_t right = a->x + (int32_t)a->w, other_right = b->x + (int32_t)b->w;
    int32_t bottom = a->y + (int32_t)a->h, other_bottom = b->y + (int32_t)b->h;
    int32_t width = (right > other_right ? right : other_right) - left;
    int32_t height = (bottom > other_bottom ? bottom : other_bottom) - top;
    *join = (struct jl_rect){(int16_t)left, (int16_t)top, (int16_t)width, (int16_t)height};
    int32_t waste = width * height - area_px(a) - area_px(b);
    if (damage->window_price_px & JL_WINDOW_A_LINE) {
        /* What the lines cost; less the window that add() takes a join to save. */
        int32_t lines = (height - a->h - b->h) >> damage->row_unit_log2;
        waste += (lines + 1) * window_price(damage);
    }
    return waste;
}

/* The place whose join with an area is cheapest. */
static int32_t cheapest(const struct jl_damage *damage, const struct jl_rect *area, uint8_t count,
                        uint8_t *best, struct jl_rect *best_join) {
    int32_t best_waste = INT32_MAX;
    for (uint8_t i = 0; i < count; i++) {
        struct jl_rect join;
        int32_t waste = waste_of(damage, &damage->rects[i], area, &join);
        if (waste < best_waste) {
            best_waste = waste;
            *best_join = join;
            *best = i;
        }
    }
    return best_waste;
}

/* All places are taken: makes one free by the cheapest join of any two, if that costs less. */
static bool join_two(struct jl_damage *damage, int32_t limit) {
    struct jl_rect join = {0}, best_join = {0};
    uint8_t other = 0, best_other = 0, best = 0;
    for (uint8_t i = 1; i < damage->count; i++) {
        int32_t waste = cheapest(damage, &damage->rects[i], i, &other, &join);
        if (waste < limit) {
            limit = waste;
            best = i;
            best_other = other;
            best_join = join;
        }
    }
    if (!best) {
        return false;
    }
    put_rect(&damage->rects[best_other], &best_join);
    put_rect(&damage->rects[best], &damage->rects[--damage->count]);
    return true;
}

/* Parts of a shape come near one of the last few: there they are taken without looking further. */
static bool extend(struct jl_damage *damage, const struct jl_rect *area, uint8_t patience_px) {
    for (uint8_t i = damage->count; i > 0 && i + 4 > damage->count; i--) {
        struct jl_rect join;
        if (waste_of(damage, &damage->rects[i - 1], area, &join) <= patience_px) {
            put_rect(&damage->rects[i - 1], &join);
            return true;
        }
    }
    return false;
}

static void add(struct jl_damage *damage, struct jl_rect area, uint8_t patience_px) {
    if (jl_rect_is_empty(area) || (patience_px && extend(damage, &area, patience_px))) {
        return;
    }
    while (damage->count) {
        struct jl_rect join;
        uint8_t best = 0;
        put_rect(&join, &area);
        int32_t waste = cheapest(damage, &area, damage->count, &best, &join);
        /* More parts of a shape will come beside this one, and cost as much again each. */
        int32_t limit = patience_px ? waste * 16 : waste;
        if (waste > window_price(damage) &&
            (damage->count < JL_DAMAGE_RECTS || join_two(damage, limit))) {
            break;
        }
        /* Taken out and tried again: the greater rectangle may now reach others. */
        put_rect(&area, &join);
        put_rect(&damage->rects[best], &damage->rects[--damage->count]);
    }
    put_rect(&damage->rects[damage->count++], &area);
}

void jl_damage_init(struct jl_damage *damage, uint16_t window_price_px, uint8_t row_unit_log2) {
    damage->add = add;
    damage->window_price_px = window_price_px;
    damage->row_unit_log2 = row_unit_log2;
    damage->count = 0;
    damage->second_plane = true;
    damage->panel = NULL;
    damage->shadow = NULL;
}

void jl_damage_clear(struct jl_damage *damage) {
    damage->count = 0;
}

void jl_damage_add(struct jl_damage *damage, struct jl_rect area) {
    int32_t unit = (int32_t)1 << damage->row_unit_log2;
    /* No frame has more: so no join is wider than a rectangle can be. */
    area = jl_rect_intersect(area, (struct jl_rect){0, 0, INT16_MAX, INT16_MAX});
    int32_t top = area.y & -unit;
    int32_t end = ((int32_t)area.y + area.h + unit - 1) & -unit;
    if (!jl_rect_is_empty(area)) {
        damage->second_plane = true; /* nobody said which plane it is */
        area.y = (int16_t)top;
        area.h = (int16_t)(end - top < INT16_MAX ? end - top : INT16_MAX);
        add(damage, area, 0);
    }
}
