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

/* The rectangle around two. Both lie in a frame and are not empty, so that jl_rect_around() would
 * ask too much. */
static void join(struct jl_rect *a, const struct jl_rect *b) {
    int32_t right = a->x + (int32_t)a->w, other_right = b->x + (int32_t)b->w;
    int32_t bottom = a->y + (int32_t)a->h, other_bottom = b->y + (int32_t)b->h;
    a->x = a->x < b->x ? a->x : b->x;
    a->y = a->y < b->y ? a->y : b->y;
    a->w = (int16_t)((right > other_right ? right : other_right) - a->x);
    a->h = (int16_t)((bottom > other_bottom ? bottom : other_bottom) - a->y);
}

/*
 * The one of the first `count` rectangles whose join with an area is cheapest, and the pixels that
 * the join would send in vain; negative when the two overlap much. Or the last one of the last four
 * whose join wastes no more than `enough`: parts of a shape come near one of these.
 */
static int32_t cheapest(struct jl_damage *damage, const struct jl_rect *area, uint8_t count,
                        int32_t enough, struct jl_rect **best) {
    int32_t left = area->x, top = area->y, right = left + area->w, bottom = top + area->h;
    int32_t px = area_px(area), best_waste = INT32_MAX;
    struct jl_rect *last = &damage->rects[count];
    /* While a place is free a join is only taken for the price of a window, or for `enough`; each
     * row between the two would cost a pixel or more. */
    int32_t price = window_price(damage), far = UINT16_MAX;
    if (damage->count < JL_DAMAGE_RECTS) {
        far = enough > price ? enough : price;
    }
    int32_t highest = top - far, lowest = bottom + far;
    int32_t line_price = damage->window_price_px & JL_WINDOW_A_LINE ? price : 0;
    for (struct jl_rect *r = last; r != damage->rects;) {
        r--;
        /* Nothing in a frame is below 0, and a small core reads it so in one instruction. */
        int32_t h = (uint16_t)r->h, at = (uint16_t)r->y, end = at + h;
        if (at > lowest || end < highest) {
            continue;
        }
        int32_t height = (end > bottom ? end : bottom) - (at < top ? at : top);
        int32_t w = (uint16_t)r->w;
        at = (uint16_t)r->x;
        end = at + w;
        int32_t width = (end > right ? end : right) - (at < left ? at : left);
        int32_t waste = width * height - w * h - px;
        if (line_price) {
            /* What the lines cost; less the window that add() takes a join to save. */
            int32_t lines = (height - h - area->h) >> damage->row_unit_log2;
            waste += (lines + 1) * line_price;
        }
        if (waste <= best_waste) {
            best_waste = waste;
            *best = r;
            if (waste <= enough && r + 4 >= last) {
                break;
            }
        }
    }
    return best_waste;
}

#define NEVER_ENOUGH INT32_MIN

/* All places are taken: makes one free by the cheapest join of any two, if that costs less. */
static bool join_two(struct jl_damage *damage, int32_t limit) {
    struct jl_rect *other = NULL, *best_other = NULL, *best = NULL;
    for (uint8_t i = 1; i < damage->count; i++) {
        struct jl_rect *rect = &damage->rects[i];
        int32_t waste = cheapest(damage, rect, i, NEVER_ENOUGH, &other);
        if (waste < limit) {
            limit = waste;
            best = rect;
            best_other = other;
        }
    }
    if (!best) {
        return false;
    }
    join(best_other, best);
    put_rect(best, &damage->rects[--damage->count]);
    return true;
}

static void add(struct jl_damage *damage, struct jl_rect area, uint8_t patience_px) {
    int32_t enough = patience_px ? patience_px : NEVER_ENOUGH;
    if (area.w <= 0 || area.h <= 0) {
        return;
    }
    while (damage->count) {
        struct jl_rect *best = NULL;
        int32_t waste = cheapest(damage, &area, damage->count, enough, &best);
        if (waste <= enough && best + 4 >= &damage->rects[damage->count]) {
            join(best, &area);
            return;
        }
        /* More parts of a shape will come beside this one, and cost as much again each. */
        if (waste > window_price(damage) && (damage->count < JL_DAMAGE_RECTS ||
                                             join_two(damage, patience_px ? waste * 16 : waste))) {
            break;
        }
        /* Taken out and tried again: the greater rectangle may now reach others. */
        join(&area, best);
        put_rect(best, &damage->rects[--damage->count]);
        enough = NEVER_ENOUGH;
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
