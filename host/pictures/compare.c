/* What differs, and what would make it equal. */
#include "jadelamp/host/compare.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

enum { SAMPLES = 48 };

static int channel_difference(const uint8_t *a, const uint8_t *b) {
    int most = 0;
    for (int i = 0; i < 3; i++) {
        int difference = abs(a[i] - b[i]);
        most = difference > most ? difference : most;
    }
    return most;
}

static const uint8_t *pixel(const struct jl_picture *picture, int x, int y) {
    return picture->rgb + 3 * ((size_t)y * (size_t)picture->width + (size_t)x);
}

/* ---- what can have happened to a picture ---- */

enum change {
    NOTHING,
    MIRROR_X,
    MIRROR_Y,
    TURN_90,
    TURN_180,
    TURN_270,
    INVERT,
    EXCHANGE_RED_BLUE,
    EXCHANGE_BYTES,
    CHANGES,
};

static const char *const change_words[CHANGES] = {
    "",
    "mirrored left to right",
    "mirrored top to bottom",
    "turned by 90 degrees",
    "turned by 180 degrees",
    "turned by 270 degrees",
    "inverted",
    "with red and blue exchanged",
    "with the two bytes of 5-6-5 pixels exchanged",
};

static void exchange_bytes(uint8_t *rgb) {
    unsigned v = (unsigned)(rgb[0] >> 3) << 11 | (unsigned)(rgb[1] >> 2) << 5 | rgb[2] >> 3;
    v = (v << 8 & 0xFF00) | v >> 8;
    unsigned r = v >> 11, g = v >> 5 & 63, b = v & 31;
    rgb[0] = (uint8_t)(r << 3 | r >> 2);
    rgb[1] = (uint8_t)(g << 2 | g >> 4);
    rgb[2] = (uint8_t)(b << 3 | b >> 2);
}

static void recolor(enum change change, uint8_t *rgb) {
    if (change == INVERT) {
        for (int i = 0; i < 3; i++) {
            rgb[i] = (uint8_t)(255 - rgb[i]);
        }
    } else if (change == EXCHANGE_RED_BLUE) {
        uint8_t red = rgb[0];
        rgb[0] = rgb[2];
        rgb[2] = red;
    } else if (change == EXCHANGE_BYTES) {
        exchange_bytes(rgb);
    }
}

/* Where a pixel of the changed picture comes from. */
static void source_of(enum change change, int width, int height, int *x, int *y) {
    int from_x = *x, from_y = *y;
    switch (change) {
    case MIRROR_X:
        *x = width - 1 - from_x;
        break;
    case MIRROR_Y:
        *y = height - 1 - from_y;
        break;
    case TURN_90: /* clockwise */
        *x = from_y;
        *y = height - 1 - from_x;
        break;
    case TURN_180:
        *x = width - 1 - from_x;
        *y = height - 1 - from_y;
        break;
    case TURN_270:
        *x = width - 1 - from_y;
        *y = from_x;
        break;
    default:
        break;
    }
}

static bool apply(enum change change, const struct jl_picture *from, struct jl_picture *to) {
    bool turned = change == TURN_90 || change == TURN_270;
    if (!jl_picture_create(to, turned ? from->height : from->width,
                           turned ? from->width : from->height)) {
        return false;
    }
    for (int y = 0; y < to->height; y++) {
        for (int x = 0; x < to->width; x++) {
            int from_x = x, from_y = y;
            uint8_t *out = jl_picture_at(to, x, y);
            source_of(change, from->width, from->height, &from_x, &from_y);
            memcpy(out, pixel(from, from_x, from_y), 3);
            recolor(change, out);
        }
    }
    return true;
}

/* ---- how well one fits on the other ---- */

/* Pixels that differ when A is shifted; what has no counterpart does not count. Gives up beyond. */
static long differing(const struct jl_picture *a, const struct jl_picture *b, int dx, int dy,
                      int tolerance, long beyond) {
    long count = 0;
    for (int y = dy > 0 ? dy : 0; y < b->height && y - dy < a->height; y++) {
        for (int x = dx > 0 ? dx : 0; x < b->width && x - dx < a->width; x++) {
            count += channel_difference(pixel(a, x - dx, y - dy), pixel(b, x, y)) > tolerance;
        }
        if (count > beyond) {
            return count;
        }
    }
    return count;
}

/* A picture of one colour fits anywhere, and says nothing. */
static bool says_something(const struct jl_picture *picture, int left, int top, int right,
                           int bottom) {
    for (int y = top; y < bottom; y++) {
        for (int x = left; x < right; x++) {
            if (memcmp(pixel(picture, x, y), pixel(picture, left, top), 3) != 0) {
                return true;
            }
        }
    }
    return false;
}

/* A few places, all over: most shifts are out after some of them. */
static bool may_fit(const struct jl_picture *a, const struct jl_picture *b, int dx, int dy,
                    int tolerance) {
    int left = dx > 0 ? dx : 0, top = dy > 0 ? dy : 0;
    int right = b->width < a->width + dx ? b->width : a->width + dx;
    int bottom = b->height < a->height + dy ? b->height : a->height + dy;
    int wrong = 0;
    unsigned place = 12345;
    for (int i = 0; i < SAMPLES; i++) {
        place = place * 1664525u + 1013904223u;
        int x = left + (int)((place >> 8) % (unsigned)(right - left));
        place = place * 1664525u + 1013904223u;
        int y = top + (int)((place >> 8) % (unsigned)(bottom - top));
        wrong += channel_difference(pixel(a, x - dx, y - dy), pixel(b, x, y)) > tolerance;
        if (wrong > SAMPLES / 12) {
            return false;
        }
    }
    return true;
}

struct search {
    const struct jl_picture *b;
    int tolerance;
    long best; /* differing pixels that a relation must fall below */
    struct jl_comparison *comparison;
};

static void note(struct search *search, long count, enum change first, enum change second, int dx,
                 int dy) {
    char *out = search->comparison->relation;
    size_t room = sizeof search->comparison->relation;
    int length = snprintf(out, room, "%s%s%s", change_words[first], second ? ", then " : "",
                          second ? change_words[second] : "");
    if (dx || dy) {
        snprintf(out + length, room - (size_t)length, "%sshifted by %d,%d",
                 first || second ? ", then " : "", dx, dy);
    }
    search->best = count;
    search->comparison->differing_then = count;
}

static void try_shifts(struct search *search, const struct jl_picture *a, enum change change) {
    const struct jl_picture *b = search->b;
    /* Half of the picture has to be there, and less of a shift is likelier than more. */
    int most_x = b->width / 2, most_y = b->height / 2;
    for (int reach = 1; reach <= (most_x > most_y ? most_x : most_y); reach++) {
        for (int dy = -reach; dy <= reach; dy++) {
            int step = dy == -reach || dy == reach ? 1 : 2 * reach;
            for (int dx = -reach; dx <= reach; dx += step) {
                if (abs(dx) > most_x || abs(dy) > most_y ||
                    !may_fit(a, b, dx, dy, search->tolerance)) {
                    continue;
                }
                long count = differing(a, b, dx, dy, search->tolerance, search->best);
                if (count < search->best &&
                    says_something(b, dx > 0 ? dx : 0, dy > 0 ? dy : 0,
                                   b->width + (dx < 0 ? dx : 0), b->height + (dy < 0 ? dy : 0))) {
                    note(search, count, change, NOTHING, dx, dy);
                }
            }
        }
    }
}

static bool fits_size(const struct jl_picture *a, const struct jl_picture *b) {
    return a->width == b->width && a->height == b->height;
}

static void try_as_it_is(struct search *search, const struct jl_picture *a, enum change first,
                         enum change second) {
    if (fits_size(a, search->b)) {
        long count = differing(a, search->b, 0, 0, search->tolerance, search->best);
        if (count < search->best) {
            note(search, count, first, second, 0, 0);
        }
    }
}

/* What is simple comes first: one change, a shift alone, two changes, a change and a shift. */
enum look { ONE_CHANGE, ONE_SHIFT, TWO_CHANGES, CHANGE_AND_SHIFT, LOOKS };

static bool try_change(struct search *search, const struct jl_picture *a, enum change first,
                       enum look look) {
    struct jl_picture changed, twice;
    if ((first == NOTHING) != (look == ONE_SHIFT)) {
        return true;
    }
    bool good = apply(first, a, &changed);
    if (!good) {
        return false;
    }
    if (look == ONE_CHANGE) {
        try_as_it_is(search, &changed, first, NOTHING);
    }
    for (int second = (int)first + 1; good && look == TWO_CHANGES && second < CHANGES; second++) {
        good = apply((enum change)second, &changed, &twice);
        if (good) {
            try_as_it_is(search, &twice, first, (enum change)second);
            jl_picture_free(&twice);
        }
    }
    if ((look == ONE_SHIFT || look == CHANGE_AND_SHIFT) && fits_size(&changed, search->b)) {
        try_shifts(search, &changed, first);
    }
    jl_picture_free(&changed);
    return good;
}

static void box_of(const struct jl_picture *a, const struct jl_picture *b, int tolerance,
                   struct jl_comparison *out) {
    out->left = out->top = INT32_MAX;
    out->right = out->bottom = -1;
    for (int y = 0; y < a->height && y < b->height; y++) {
        for (int x = 0; x < a->width && x < b->width; x++) {
            int difference = channel_difference(pixel(a, x, y), pixel(b, x, y));
            out->most = difference > out->most ? difference : out->most;
            if (difference > tolerance) {
                out->differing++;
                out->left = x < out->left ? x : out->left;
                out->right = x > out->right ? x : out->right;
                out->top = y < out->top ? y : out->top;
                out->bottom = y > out->bottom ? y : out->bottom;
            }
        }
    }
    if (!out->differing) {
        out->left = out->top = 0;
    }
}

bool jl_compare(const struct jl_picture *a, const struct jl_picture *b, int tolerance,
                struct jl_comparison *comparison) {
    memset(comparison, 0, sizeof *comparison);
    comparison->same_size = fits_size(a, b);
    box_of(a, b, tolerance, comparison);
    if (comparison->same_size && !comparison->differing) {
        return true;
    }
    long allowed = (long)b->width * b->height / 50;
    if (comparison->same_size && comparison->differing / 4 < allowed) {
        allowed = comparison->differing / 4; /* else the change explains little */
    }
    struct search search = {b, tolerance, allowed + 1, comparison};
    bool good = true;
    for (int look = 0; look < LOOKS && !comparison->relation[0]; look++) {
        for (int first = NOTHING; first < CHANGES && good; first++) {
            good = try_change(&search, a, (enum change)first, (enum look)look);
        }
    }
    return good;
}

static bool inside(const struct jl_picture *picture, int x, int y) {
    return x < picture->width && y < picture->height;
}

long jl_picture_compare(const struct jl_picture *a, const struct jl_picture *b, int tolerance,
                        struct jl_picture *difference) {
    int width = a->width > b->width ? a->width : b->width;
    int height = a->height > b->height ? a->height : b->height;
    long differing = 0;
    bool draw = difference && jl_picture_create(difference, width, height);
    for (int y = 0; y < height; y++) {
        for (int x = 0; x < width; x++) {
            static const uint8_t outside[3] = {0, 0, 0};
            const uint8_t *pa = inside(a, x, y) ? jl_picture_at(a, x, y) : outside;
            const uint8_t *pb = inside(b, x, y) ? jl_picture_at(b, x, y) : outside;
            bool same =
                inside(a, x, y) && inside(b, x, y) && channel_difference(pa, pb) <= tolerance;
            differing += !same;
            if (draw) {
                uint8_t *out = jl_picture_at(difference, x, y);
                bool first_lighter = pa[0] + pa[1] + pa[2] > pb[0] + pb[1] + pb[2];
                for (int c = 0; c < 3; c++) {
                    out[c] = same ? pa[c] / 3 : 0;
                }
                if (!same) {
                    out[first_lighter ? 0 : 1] = 255;
                }
            }
        }
    }
    return differing;
}
