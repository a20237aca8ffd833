/* A photo of a glass, straightened and compared. */
#include "jadelamp/host/seen.h"

#include <math.h>
#include <string.h>

/*
 * Both are seen through the same grid: its cells are larger than dots, so that the gaps between
 * dots, the pixels of the camera and a small error of the corners do not count.
 */
enum { GRID = 48, POINTS = 4, LEAST_SIDE = 24, LEAST_CONTRAST = 24 };

#define FLAT      0.12 /* a deviation that is less of the mean than this is noise and glare */
#define FITS      0.60
#define IS_SURE   0.80
#define STANDS_BY 0.05 /* how much less alike the second must be */

struct view {
    double cells[3][GRID * GRID];
};

struct quad {
    double x[4], y[4]; /* top left, top right, bottom right, bottom left */
};

static int light_at(const struct jl_picture *picture, int x, int y) {
    const uint8_t *p = jl_picture_at(picture, x, y);
    return p[0] > p[1] ? (p[0] > p[2] ? p[0] : p[2]) : (p[1] > p[2] ? p[1] : p[2]);
}

/* Half of the way from what is dark to what is light: without the extremes. -1: all is alike. */
static int threshold_of(const struct jl_picture *picture) {
    long long counts[256] = {0}, all = (long long)picture->width * picture->height;
    for (int y = 0; y < picture->height; y++) {
        for (int x = 0; x < picture->width; x++) {
            counts[light_at(picture, x, y)]++;
        }
    }
    long long below = 0;
    int dark = 0, light = 255;
    for (; dark < 255 && (below += counts[dark]) * 20 < all; dark++) {
    }
    below = 0;
    for (; light > 0 && (below += counts[light]) * 200 < all; light--) {
    }
    return light - dark < LEAST_CONTRAST ? -1 : (light + dark) / 2;
}

/* A pixel that is lit, and not alone. */
static bool is_lit(const struct jl_picture *picture, int x, int y, int threshold) {
    int lit = 0;
    for (int dy = -1; dy <= 1; dy++) {
        for (int dx = -1; dx <= 1; dx++) {
            lit += light_at(picture, x + dx, y + dy) > threshold;
        }
    }
    return lit >= 3 && light_at(picture, x, y) > threshold;
}

/* The outermost lit pixels along the diagonals: the corners of a border, tilted or not. */
static bool find_lit(const struct jl_picture *picture, struct quad *quad) {
    int threshold = threshold_of(picture);
    bool found = false;
    double best[4] = {-1e9, -1e9, -1e9, -1e9};
    for (int y = 1; y < picture->height - 1 && threshold >= 0; y++) {
        for (int x = 1; x < picture->width - 1; x++) {
            if (!is_lit(picture, x, y, threshold)) {
                continue;
            }
            const double out[4] = {-x - y, x - y, x + y, y - x};
            for (int i = 0; i < 4; i++) {
                if (out[i] > best[i]) {
                    best[i] = out[i];
                    quad->x[i] = x + 0.5;
                    quad->y[i] = y + 0.5;
                }
            }
            found = true;
        }
    }
    return found;
}

static bool is_large(const struct quad *quad) {
    for (int i = 0; i < 4; i++) {
        int next = (i + 1) % 4;
        if (hypot(quad->x[next] - quad->x[i], quad->y[next] - quad->y[i]) < LEAST_SIDE) {
            return false;
        }
    }
    return true;
}

/* The perspective that takes the unit square to four corners. */
struct lens {
    double a, b, c, d, e, f, g, h;
};

static bool lens_of(const struct quad *q, struct lens *lens) {
    double dx1 = q->x[1] - q->x[2], dx2 = q->x[3] - q->x[2];
    double dy1 = q->y[1] - q->y[2], dy2 = q->y[3] - q->y[2];
    double sx = q->x[0] - q->x[1] + q->x[2] - q->x[3];
    double sy = q->y[0] - q->y[1] + q->y[2] - q->y[3];
    double whole = dx1 * dy2 - dx2 * dy1;
    if (fabs(whole) < 1) {
        return false;
    }
    double g = (sx * dy2 - dx2 * sy) / whole, h = (dx1 * sy - sx * dy1) / whole;
    *lens = (struct lens){.a = q->x[1] - q->x[0] + g * q->x[1],
                          .b = q->x[3] - q->x[0] + h * q->x[3],
                          .c = q->x[0],
                          .d = q->y[1] - q->y[0] + g * q->y[1],
                          .e = q->y[3] - q->y[0] + h * q->y[3],
                          .f = q->y[0],
                          .g = g,
                          .h = h};
    return true;
}

static bool look(const struct jl_picture *picture, const struct quad *quad, struct view *view) {
    struct lens lens;
    memset(view, 0, sizeof *view);
    if (!is_large(quad) || !lens_of(quad, &lens)) {
        return false;
    }
    for (int i = 0; i < GRID * POINTS * GRID * POINTS; i++) {
        int row = i / (GRID * POINTS), column = i % (GRID * POINTS);
        double u = (column + 0.5) / (GRID * POINTS), v = (row + 0.5) / (GRID * POINTS);
        double w = lens.g * u + lens.h * v + 1;
        double x = (lens.a * u + lens.b * v + lens.c) / w;
        double y = (lens.d * u + lens.e * v + lens.f) / w;
        /* Corners that a user typed can cross, and then lie anywhere. */
        x = x >= 0 ? fmin(x, picture->width - 1) : 0;
        y = y >= 0 ? fmin(y, picture->height - 1) : 0;
        const uint8_t *pixel = jl_picture_at(picture, (int)x, (int)y);
        for (int c = 0; c < 3; c++) {
            view->cells[c][row / POINTS * GRID + column / POINTS] += pixel[c];
        }
    }
    return true;
}

/* ---- likeness ---- */

struct spread {
    double mean, deviation;
};

static struct spread spread_of(const double *cells) {
    double sum = 0, squares = 0;
    for (int i = 0; i < GRID * GRID; i++) {
        sum += cells[i];
        squares += cells[i] * cells[i];
    }
    double mean = sum / (GRID * GRID);
    return (struct spread){mean, sqrt(fmax(0, squares / (GRID * GRID) - mean * mean))};
}

/* Of one colour; a correlation, so that gain and offset of the camera do not count. */
static double likeness_of(const double *a, const double *b) {
    struct spread one = spread_of(a), other = spread_of(b);
    bool flat_one = one.deviation <= FLAT * one.mean,
         flat_other = other.deviation <= FLAT * other.mean;
    double sum = 0;
    if (flat_one || flat_other) {
        return flat_one && flat_other ? 1 : 0;
    }
    for (int i = 0; i < GRID * GRID; i++) {
        sum += (a[i] - one.mean) * (b[i] - other.mean);
    }
    return sum / (GRID * GRID) / (one.deviation * other.deviation);
}

/* Colours that vary more on the suspect's glass count more. */
static double compare(const struct view *photo, const struct view *suspect) {
    double sum = 0, weights = 0;
    for (int c = 0; c < 3; c++) {
        double weight = spread_of(suspect->cells[c]).deviation + 1;
        sum += weight * likeness_of(photo->cells[c], suspect->cells[c]);
        weights += weight;
    }
    return sum / weights;
}

/* ---- ranking ---- */

static void take(struct jl_seen *seen, int suspect, double likeness) {
    int at = seen->count;
    while (at > 0 && seen->best[at - 1].likeness < likeness) {
        at--;
    }
    if (at == JL_SEEN_BEST) {
        return;
    }
    seen->count += seen->count < JL_SEEN_BEST;
    for (int i = seen->count - 1; i > at; i--) {
        seen->best[i] = seen->best[i - 1];
    }
    seen->best[at] = (struct jl_seen_match){suspect, likeness};
}

/* All that can light up of a photo that the board made: what its bezel goes around. */
static struct quad inside_bezel(const struct jl_suspects *suspects) {
    double left = suspects->bezel, right = suspects->right.width - left;
    double top = left, bottom = suspects->right.height - top;
    return (struct quad){{left, right, right, left}, {top, top, bottom, bottom}};
}

bool jl_suspects_compare(const struct jl_suspects *suspects, const struct jl_seen_request *request,
                         struct jl_seen *seen, struct jl_complaint *complaint) {
    struct quad quad = {{0}, {0}};
    struct view photo, other;
    memset(seen, 0, sizeof *seen);
    for (int i = 0; i < 4 && request->has_corners; i++) {
        quad.x[i] = request->corners[i][0];
        quad.y[i] = request->corners[i][1];
    }
    if (!request->has_corners && suspects->has_no_border) {
        return jl_complain(complaint, "a character module has no lit border to find: say where its "
                                      "corners are");
    }
    if (!request->has_corners && !find_lit(request->photo, &quad)) {
        return jl_complain(complaint, "nothing is lit in the picture: the mistakes that leave the "
                                      "glass dark are those marked dark");
    }
    if (!look(request->photo, &quad, &photo)) {
        return jl_complain(complaint,
                           "no glass in the picture: expected four corners, and sides of %d pixels "
                           "and more",
                           LEAST_SIDE);
    }
    for (int i = -1; i < suspects->count; i++) {
        const struct jl_picture *tile = i < 0 ? &suspects->right : &suspects->photos[i];
        bool lit = i < 0 || !suspects->dark[i];
        struct quad where = inside_bezel(suspects);
        if (lit && (request->has_corners || find_lit(tile, &where)) && look(tile, &where, &other)) {
            take(seen, i, compare(&photo, &other));
        }
    }
    seen->fits = seen->count && seen->best[0].likeness >= FITS;
    seen->is_sure =
        seen->count && seen->best[0].likeness >= IS_SURE &&
        (seen->count == 1 || seen->best[0].likeness - seen->best[1].likeness >= STANDS_BY);
    return true;
}
