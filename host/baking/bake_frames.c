/* From a film to the rectangles that change. */
#include "jadelamp/host/bake_frames.h"

#include <stdlib.h>
#include <string.h>

/* Changes are looked at by tiles, and tiles that touch become one rectangle. */
enum { TILE = 8, MOST_PARTS_A_STEP = 24 };

static const uint8_t *pixel_at(const struct jl_picture *picture, int x, int y) {
    return jl_picture_at(picture, x, y);
}

/* ---- what differs ---- */

/* Makes a rectangle as small as what differs in it; false: nothing does. */
static bool shrink(const struct jl_picture *before, const struct jl_picture *after,
                   struct jl_rect *area) {
    int left = 32767, top = 32767, right = -1, bottom = -1;
    for (int y = area->y; y < area->y + area->h; y++) {
        for (int x = area->x; x < area->x + area->w; x++) {
            if (memcmp(pixel_at(before, x, y), pixel_at(after, x, y), 3) != 0) {
                left = x < left ? x : left;
                right = x > right ? x : right;
                top = y < top ? y : top;
                bottom = y;
            }
        }
    }
    *area = (struct jl_rect){(int16_t)left, (int16_t)top, (int16_t)(right - left + 1),
                             (int16_t)(bottom - top + 1)};
    return right >= 0;
}

struct rects {
    struct jl_rect at[MOST_PARTS_A_STEP];
    int count;
};

static bool touches(const struct jl_rect *a, const struct jl_rect *b) {
    return a->x <= b->x + b->w && b->x <= a->x + a->w && a->y <= b->y + b->h && b->y <= a->y + a->h;
}

static void join(struct jl_rect *a, const struct jl_rect *b) {
    int right = a->x + a->w > b->x + b->w ? a->x + a->w : b->x + b->w;
    int bottom = a->y + a->h > b->y + b->h ? a->y + a->h : b->y + b->h;
    a->x = a->x < b->x ? a->x : b->x;
    a->y = a->y < b->y ? a->y : b->y;
    a->w = (int16_t)(right - a->x);
    a->h = (int16_t)(bottom - a->y);
}

/* A tile that differs: joined to what it touches, else a rectangle of its own. */
static void add_tile(struct rects *rects, struct jl_rect tile) {
    for (int i = 0; i < rects->count; i++) {
        if (touches(&rects->at[i], &tile)) {
            join(&rects->at[i], &tile);
            return;
        }
    }
    if (rects->count == MOST_PARTS_A_STEP) {
        join(&rects->at[rects->count - 1], &tile);
        return;
    }
    rects->at[rects->count++] = tile;
}

/* Bytes of flash that a rectangle takes: half of its pixels, as packing goes, and its constant. */
static long cost_of(const struct jl_rect *area, int bits) {
    return (long)area->w * area->h * bits / 16 + JL_ANIMATION_PART_BYTES;
}

static bool is_better_joined(const struct jl_rect *a, const struct jl_rect *b, int bits) {
    struct jl_rect joined = *a;
    join(&joined, b);
    return cost_of(&joined, bits) <= cost_of(a, bits) + cost_of(b, bits);
}

/* Until no two are better as one. */
static void join_all(struct rects *rects, int bits) {
    for (int i = 0; i < rects->count; i++) {
        for (int k = i + 1; k < rects->count; k++) {
            if (is_better_joined(&rects->at[i], &rects->at[k], bits)) {
                join(&rects->at[i], &rects->at[k]);
                rects->at[k] = rects->at[--rects->count];
                i = -1;
                break;
            }
        }
    }
}

static void find_changes(const struct jl_picture *before, const struct jl_picture *after, int bits,
                         struct rects *rects) {
    rects->count = 0;
    for (int y = 0; y < after->height; y += TILE) {
        for (int x = 0; x < after->width; x += TILE) {
            int w = after->width - x < TILE ? after->width - x : TILE;
            int h = after->height - y < TILE ? after->height - y : TILE;
            struct jl_rect tile = {(int16_t)x, (int16_t)y, (int16_t)w, (int16_t)h};
            if (shrink(before, after, &tile)) {
                add_tile(rects, tile);
            }
        }
    }
    join_all(rects, bits);
}

/* ---- parts ---- */

struct baking {
    struct jl_picture_recipe recipe; /* without size and dither: colours are as stored */
    struct jl_baked_frames *baked;
    int room;
    struct jl_complaint *complaint;
};

static bool make_room(struct baking *b) {
    struct jl_baked_frames *baked = b->baked;
    if (baked->part_count < b->room) {
        return true;
    }
    int room = b->room ? b->room * 2 : 64;
    struct jl_baked_picture *pictures =
        realloc(baked->pictures, (size_t)room * sizeof *baked->pictures);
    if (pictures) {
        baked->pictures = pictures;
    }
    struct jl_animation_part *parts = realloc(baked->parts, (size_t)room * sizeof *baked->parts);
    if (parts) {
        baked->parts = parts;
    }
    b->room = room;
    return (pictures && parts) || jl_complain(b->complaint, "out of memory for %d parts", room);
}

static bool add_part(struct baking *b, const struct jl_picture *from, struct jl_rect area) {
    struct jl_baked_frames *baked = b->baked;
    struct jl_pixmap pixmap;
    if (!make_room(b) || !jl_pixmap_create(&pixmap, area.w, area.h)) {
        return jl_complain(b->complaint, "out of memory for a part");
    }
    for (int y = 0; y < area.h; y++) {
        for (int x = 0; x < area.w; x++) {
            uint8_t *p = pixmap.rgba + ((size_t)y * (size_t)area.w + (size_t)x) * 4;
            memcpy(p, pixel_at(from, area.x + x, area.y + y), 3);
            p[3] = 255;
        }
    }
    struct jl_baked_picture *picture = &baked->pictures[baked->part_count];
    bool good = jl_bake_pixmap(&pixmap, &b->recipe, picture, b->complaint);
    jl_pixmap_free(&pixmap);
    if (good) {
        baked->parts[baked->part_count++] =
            (struct jl_animation_part){.x = area.x, .y = area.y, .image = picture->image};
        baked->pixel_bytes += picture->pixel_bytes;
    }
    return good;
}

/* What makes `after` of `before`; all of it where there is no before. */
static bool add_step(struct baking *b, const struct jl_picture *before,
                     const struct jl_picture *after, int shown_ms, struct jl_animation_step *step) {
    struct rects rects = {.count = 1};
    rects.at[0] = (struct jl_rect){0, 0, (int16_t)after->width, (int16_t)after->height};
    if (before) {
        int bits = b->recipe.format->bits_per_pixel * b->recipe.format->planes;
        find_changes(before, after, bits, &rects);
    }
    *step = (struct jl_animation_step){.part_count = (uint16_t)rects.count,
                                       .shown_ms = (uint16_t)(shown_ms < 1       ? 1
                                                              : shown_ms > 65535 ? 65535
                                                                                 : shown_ms)};
    for (int i = 0; i < rects.count; i++) {
        if (!add_part(b, after, rects.at[i])) {
            return false;
        }
    }
    return true;
}

/* Parts were moved as they grew in number: now they stand. */
static void connect(struct jl_baked_frames *baked) {
    struct jl_animation_part *part = baked->parts;
    for (int i = 0; i < baked->part_count; i++) {
        baked->parts[i].image.palette = baked->palette_count ? baked->palette : NULL;
    }
    for (int i = 0; i < baked->animation.step_count; i++) {
        baked->steps[i].parts = part;
        part += baked->steps[i].part_count;
    }
    baked->animation.again.parts = part;
    baked->animation.steps = baked->steps;
}

/* ---- the whole ---- */

/* One palette for all: of the pictures below each other, as many as fit. */
static bool choose_palette(const struct jl_film *film, const struct jl_picture_recipe *recipe,
                           struct jl_baked_frames *baked) {
    const struct jl_pixmap *first = &film->pictures[0];
    int fitting = JL_PIXMAP_SIDE / first->height, most = JL_PIXMAP_PIXELS / first->width;
    int count = film->count < fitting ? film->count : fitting;
    count = (long)count * first->height > most ? 1 : count;
    struct jl_pixmap tall;
    baked->palette_count = 1 << recipe->format->bits_per_pixel;
    if (!jl_pixmap_create(&tall, first->width, first->height * count)) {
        return false;
    }
    size_t bytes = (size_t)first->width * (size_t)first->height * 4;
    for (int i = 0; i < count; i++) {
        memcpy(tall.rgba + (size_t)i * bytes, film->pictures[i * film->count / count].rgba, bytes);
    }
    bool good = jl_pixmap_palette(&tall, baked->palette_count, baked->palette) > 0;
    jl_pixmap_free(&tall);
    return good;
}

/* A picture of the film as the format shows it. */
static bool see(struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe,
                struct jl_picture *seen, struct jl_complaint *complaint) {
    struct jl_baked_picture whole;
    if (!jl_bake_pixmap(pixmap, recipe, &whole, complaint)) {
        return false;
    }
    bool good = jl_baked_preview(&whole, recipe->background, seen) ||
                jl_complain(complaint, "out of memory for a picture");
    jl_baked_picture_free(&whole);
    return good;
}

static bool bake_steps(struct baking *b, struct jl_film *film,
                       const struct jl_picture_recipe *whole) {
    struct jl_baked_frames *baked = b->baked;
    struct jl_picture first = {0, 0, NULL}, before = {0, 0, NULL}, seen = {0, 0, NULL};
    bool good = true;
    for (int i = 0; i < film->count && good; i++) {
        good = see(&film->pictures[i], whole, &seen, b->complaint) &&
               add_step(b, i ? &before : NULL, &seen, film->shown_ms[i], &baked->steps[i]);
        if (i == 0 && good) {
            good = jl_picture_create(&first, seen.width, seen.height) ||
                   jl_complain(b->complaint, "out of memory for a picture");
        }
        if (i == 0 && good) {
            memcpy(first.rgb, seen.rgb, (size_t)seen.width * (size_t)seen.height * 3);
        }
        jl_picture_free(&before);
        before = seen;
        seen = (struct jl_picture){0, 0, NULL};
    }
    baked->animation.width = (int16_t)before.width;
    baked->animation.height = (int16_t)before.height;
    baked->animation.step_count = (uint16_t)film->count;
    if (good) {
        good = add_step(b, &before, &first, film->shown_ms[0], &baked->animation.again);
    }
    jl_picture_free(&first);
    jl_picture_free(&before);
    return good;
}

bool jl_bake_frames(struct jl_film *film, const struct jl_picture_recipe *recipe,
                    struct jl_baked_frames *baked, struct jl_complaint *complaint) {
    struct jl_picture_recipe whole = *recipe;
    struct baking b = {.recipe = {.format = recipe->format, .plain = recipe->plain},
                       .baked = baked,
                       .complaint = complaint};
    memset(baked, 0, sizeof *baked);
    baked->format = recipe->format;
    whole.clear = JL_BAKE_BACKGROUND;
    baked->steps = calloc((size_t)film->count, sizeof *baked->steps);
    bool good = baked->steps != NULL;
    if (good && recipe->format->layout == JL_LAYOUT_PALETTE) {
        good = choose_palette(film, recipe, baked);
        whole.palette = b.recipe.palette = baked->palette;
    }
    good = good ? bake_steps(&b, film, &whole)
                : jl_complain(complaint, "out of memory for %d pictures", film->count);
    if (!good) {
        jl_baked_frames_free(baked);
        return false;
    }
    connect(baked);
    baked->plain_bytes = baked->pictures[0].plain_bytes * (size_t)film->count;
    return true;
}

void jl_baked_frames_free(struct jl_baked_frames *baked) {
    for (int i = 0; i < baked->part_count; i++) {
        jl_baked_picture_free(&baked->pictures[i]);
    }
    free(baked->pictures);
    free(baked->parts);
    free(baked->steps);
    memset(baked, 0, sizeof *baked);
}
