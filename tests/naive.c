#include "naive.h"

#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

void naive_init(struct naive *n, int width, int height) {
    memset(n, 0, offsetof(struct naive, px));
    for (int y = 0; y < height; y++) {
        memset(n->px[y], 0, (size_t)width * sizeof n->px[y][0]);
    }
    n->width = width;
    n->height = height;
    n->clip = (struct jl_rect){0, 0, (int16_t)width, (int16_t)height};
}

static bool within(int64_t v, int64_t start, int64_t length) {
    return v >= start && v < start + length;
}

static jl_color black_or_white(jl_color c) {
    return (c >> 16 & 255) * 77 + (c >> 8 & 255) * 150 + (c & 255) * 29 >= 128 * 256 ? JL_WHITE
                                                                                     : JL_BLACK;
}

static jl_color mixed(jl_color old, jl_color new, int alpha) {
    jl_color result = 0;
    for (int shift = 0; shift < 24; shift += 8) {
        double from = old >> shift & 255, to = new >> shift & 255;
        result |= (jl_color)floor((from * (255 - alpha) + to * alpha) / 255 + 0.5) << shift;
    }
    return result;
}

void naive_put(struct naive *n, int64_t x, int64_t y, jl_color color) {
    if (color == JL_CLEAR || !within(x, 0, n->width) || !within(y, 0, n->height) ||
        !within(x, n->clip.x, n->clip.w) || !within(y, n->clip.y, n->clip.h)) {
        return;
    }
    naive_quantize_fn quantize = n->quantize ? n->quantize : black_or_white;
    jl_color *at = &n->px[y][x];
    if (n->mode == JL_MODE_INVERT) {
        *at ^= quantize(color);
    } else if (n->mode == JL_MODE_BLEND) {
        *at = quantize(mixed(*at, color, n->alpha));
    } else {
        *at = quantize(color);
    }
}

void naive_fill(struct naive *n, struct jl_rect r, jl_color color) {
    for (int y = 0; y < n->height; y++) {
        for (int x = 0; x < n->width; x++) {
            if (within(x, r.x, r.w) && within(y, r.y, r.h)) {
                naive_put(n, x, y, color);
            }
        }
    }
}

void naive_stroke(struct naive *n, struct jl_rect r, jl_color color) {
    for (int y = 0; y < n->height; y++) {
        for (int x = 0; x < n->width; x++) {
            bool in = within(x, r.x, r.w) && within(y, r.y, r.h);
            bool inner = within(x, r.x + 1, r.w - 2) && within(y, r.y + 1, r.h - 2);
            if (in && !inner) {
                naive_put(n, x, y, color);
            }
        }
    }
}

static int64_t floor_divide(int64_t a, int64_t b) {
    int64_t q = a / b;
    return a % b != 0 && (a < 0) != (b < 0) ? q - 1 : q;
}

/* Nearest to from + (at - at0) * (to - from) / (at1 - at0), a tie to the greater one. */
static int64_t interpolate(int64_t at, int64_t at0, int64_t at1, int64_t from, int64_t to) {
    if (at0 == at1) {
        return from;
    }
    int64_t reach = at1 - at0;
    int64_t twice = 2 * from * reach + 2 * (at - at0) * (to - from) + reach;
    return reach > 0 ? floor_divide(twice, 2 * reach) : interpolate(at, at1, at0, to, from);
}

static bool on_line(int64_t x, int64_t y, int x0, int y0, int x1, int y1) {
    bool by_x = abs(x1 - x0) >= abs(y1 - y0);
    int64_t at = by_x ? x : y;
    int at0 = by_x ? x0 : y0, at1 = by_x ? x1 : y1;
    int from = by_x ? y0 : x0, to = by_x ? y1 : x1;
    return at >= (at0 < at1 ? at0 : at1) && at <= (at0 < at1 ? at1 : at0) &&
           interpolate(at, at0, at1, from, to) == (by_x ? y : x);
}

/* Runs a block for every pixel of the picture. */
#define EACH_PIXEL(n)                                                                              \
    for (int y_ = 0; y_ < (n)->height; y_++)                                                       \
        for (int x_ = 0; x_ < (n)->width; x_++)

void naive_line(struct naive *n, int x0, int y0, int x1, int y1, jl_color color) {
    EACH_PIXEL(n) {
        if (on_line(x_, y_, x0, y0, x1, y1)) {
            naive_put(n, x_, y_, color);
        }
    }
}

void naive_wide_line(struct naive *n, struct jl_point a, struct jl_point b, int width, jl_color c) {
    int64_t dx = b.x - a.x, dy = b.y - a.y;
    int64_t length = (int64_t)floor(sqrt((double)(dx * dx + dy * dy)));
    EACH_PIXEL(n) {
        int64_t px = x_ - a.x, py = y_ - a.y;
        int64_t along = px * dx + py * dy, across = px * dy - py * dx;
        bool inside = width > 1 && length > 0 && along >= 0 && along <= dx * dx + dy * dy &&
                      2 * llabs(across) <= width * length;
        if (inside || on_line(x_, y_, a.x, a.y, b.x, b.y)) {
            naive_put(n, x_, y_, c);
        }
    }
}

/* Lines from point to point; a pixel of several of them is set once. */
void naive_path(struct naive *n, const struct jl_point *points, int count, bool closed,
                jl_color color) {
    EACH_PIXEL(n) {
        bool on = false;
        for (int i = 0; i < (closed ? count : count - 1); i++) {
            struct jl_point a = points[i], b = points[(i + 1) % count];
            on |= on_line(x_, y_, a.x, a.y, b.x, b.y);
        }
        if (on) {
            naive_put(n, x_, y_, color);
        }
    }
}

void naive_bezier(struct naive *n, const struct jl_point p[4], jl_color c) {
    struct jl_point points[33];
    for (int i = 0; i <= 32; i++) {
        /* Exact in a double: 15 bits of parameter, 16 of coordinate, 3 of the factor. */
        double t = i / 32.0, s = 1 - t;
        double w[4] = {s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t};
        double x = w[0] * p[0].x + w[1] * p[1].x + w[2] * p[2].x + w[3] * p[3].x;
        double y = w[0] * p[0].y + w[1] * p[1].y + w[2] * p[2].y + w[3] * p[3].y;
        points[i] = (struct jl_point){(int16_t)floor(x + 0.5), (int16_t)floor(y + 0.5)};
    }
    naive_path(n, points, 33, false, c);
}

/* In long double all terms up to 2^64 are exact. */
static bool in_ellipse(int64_t dx, int64_t dy, int64_t rx, int64_t ry) {
    if (rx < 0 || ry < 0) {
        return false;
    }
    long double a = (long double)(2 * dx) * (2 * ry + 1), b = (long double)(2 * dy) * (2 * rx + 1);
    long double limit = (long double)(2 * rx + 1) * (2 * ry + 1);
    return fabsl(a) <= limit && fabsl(b) <= limit && a * a <= limit * limit - b * b;
}

void naive_ellipse(struct naive *n, int x, int y, int rx, int ry, bool stroke, jl_color c) {
    EACH_PIXEL(n) {
        bool hole = stroke && in_ellipse(x_ - x - 1, y_ - y, rx, ry) &&
                    in_ellipse(x_ - x + 1, y_ - y, rx, ry) &&
                    in_ellipse(x_ - x, y_ - y - 1, rx, ry) &&
                    in_ellipse(x_ - x, y_ - y + 1, rx, ry);
        if (in_ellipse(x_ - x, y_ - y, rx, ry) && !hole) {
            naive_put(n, x_, y_, c);
        }
    }
}

static bool in_rounded(int64_t x, int64_t y, struct jl_rect r, int radius) {
    int64_t left = r.x, right = (int64_t)r.x + r.w - 1;
    int64_t top = r.y, bottom = (int64_t)r.y + r.h - 1;
    if (x < left || x > right || y < top || y > bottom) {
        return false;
    }
    int64_t dx = x < left + radius    ? left + radius - x
                 : x > right - radius ? x - right + radius
                                      : 0;
    int64_t dy = y < top + radius      ? top + radius - y
                 : y > bottom - radius ? y - bottom + radius
                                       : 0;
    return dx == 0 || dy == 0 || dx * dx + dy * dy <= (int64_t)radius * radius + radius;
}

void naive_rounded(struct naive *n, struct jl_rect r, int radius, bool stroke, jl_color c) {
    int most = ((r.w < r.h ? r.w : r.h) - 1) / 2;
    radius = radius > most ? most : radius < 0 ? 0 : radius;
    EACH_PIXEL(n) {
        bool hole = stroke && in_rounded(x_ - 1, y_, r, radius) &&
                    in_rounded(x_ + 1, y_, r, radius) && in_rounded(x_, y_ - 1, r, radius) &&
                    in_rounded(x_, y_ + 1, r, radius);
        if (r.w > 0 && r.h > 0 && in_rounded(x_, y_, r, radius) && !hole) {
            naive_put(n, x_, y_, c);
        }
    }
}

void naive_polygon(struct naive *n, const struct jl_point *points, int count, jl_color c) {
    EACH_PIXEL(n) {
        bool inside = false, outline = false;
        for (int i = 0; i < count; i++) {
            struct jl_point a = points[i], b = points[(i + 1) % count];
            outline |= on_line(x_, y_, a.x, a.y, b.x, b.y);
            if ((a.y <= y_) != (b.y <= y_)) { /* the edge crosses the row, half open */
                int64_t dx = b.x - a.x, dy = b.y - a.y;
                int64_t cross = (y_ - a.y) * dx - (x_ - a.x) * dy;
                inside ^= dy > 0 ? cross <= 0 : cross >= 0; /* the crossing is at or left of x */
            }
        }
        if (inside || outline) {
            naive_put(n, x_, y_, c);
        }
    }
}

void naive_ring(struct naive *n, int x, int y, int outer, int inner, jl_direction start,
                uint32_t sweep, jl_color c) {
    jl_direction end = (jl_direction)(start + sweep);
    EACH_PIXEL(n) {
        int64_t dx = x_ - x, dy = y_ - y;
        bool in_ring = in_ellipse(dx, dy, outer, outer) &&
                       !(inner > 0 && in_ellipse(dx, dy, inner - 1, inner - 1));
        bool after = dx * jl_cosine(start) + dy * jl_sine(start) >= 0;
        bool before = dx * jl_cosine(end) + dy * jl_sine(end) <= 0;
        bool in = sweep > 32768 ? after || before : after && before;
        if (in_ring && sweep > 0 && (in || sweep >= 65536 || (dx == 0 && dy == 0))) {
            naive_put(n, x_, y_, c);
        }
    }
}

/* The 8x8 matrix as it is printed in the literature. */
static const int bayer[8][8] = {
    {0, 32, 8, 40, 2, 34, 10, 42},  {48, 16, 56, 24, 50, 18, 58, 26},
    {12, 44, 4, 36, 14, 46, 6, 38}, {60, 28, 52, 20, 62, 30, 54, 22},
    {3, 35, 11, 43, 1, 33, 9, 41},  {51, 19, 59, 27, 49, 17, 57, 25},
    {15, 47, 7, 39, 13, 45, 5, 37}, {63, 31, 55, 23, 61, 29, 53, 21},
};

int naive_dithered(int channel, int x, int y, int bits) {
    double step = 255.0 / ((1 << bits) - 1);
    double moved = floor(channel + (bayer[y & 7][x & 7] - 31.5) / 64 * step + 0.5);
    return moved < 0 ? 0 : moved > 255 ? 255 : (int)moved;
}

void naive_gradient(struct naive *n, struct jl_rect r, enum jl_axis axis, jl_color from,
                    jl_color to, const uint8_t *bits) {
    EACH_PIXEL(n) {
        if (!within(x_, r.x, r.w) || !within(y_, r.y, r.h)) {
            continue;
        }
        int64_t i = axis == JL_AXIS_X ? x_ - r.x : y_ - r.y,
                last = (axis == JL_AXIS_X ? r.w : r.h) - 1;
        jl_color c = 0;
        for (int channel = 0; channel < 3; channel++) {
            int shift = 16 - 8 * channel;
            int64_t a = from >> shift & 255, b = to >> shift & 255;
            int64_t v = last ? floor_divide(2 * (a * (last - i) + b * i) + last, 2 * last) : a;
            if (bits) {
                double step = 255.0 / ((1 << bits[channel]) - 1);
                double moved = floor((double)v + (bayer[y_ & 7][x_ & 7] - 31.5) / 64 * step + 0.5);
                v = moved < 0 ? 0 : moved > 255 ? 255 : (int64_t)moved;
            }
            c |= (jl_color)v << shift;
        }
        naive_put(n, x_, y_, c);
    }
}

void naive_pattern(struct naive *n, struct jl_rect r, const uint8_t *pattern, jl_color ink,
                   jl_color paper) {
    EACH_PIXEL(n) {
        if (within(x_, r.x, r.w) && within(y_, r.y, r.h)) {
            naive_put(n, x_, y_, pattern[y_ % 8] & (128 >> x_ % 8) ? ink : paper);
        }
    }
}

static bool map_bit(const struct jl_bitmap *map, int x, int y) {
    int row_bytes = (map->width + 7) / 8;
    if (map->order == &jl_bits_columns) {
        return map->bits[y / 8 * map->width + x] & (1 << y % 8);
    }
    int bit = map->order == &jl_bits_rows_msb ? 128 >> x % 8 : 1 << x % 8;
    return map->bits[y * row_bytes + x / 8] & bit;
}

void naive_bitmap(struct naive *n, int x, int y, const struct jl_bitmap *map, jl_color ink,
                  jl_color paper) {
    for (int row = 0; row < map->height; row++) {
        for (int column = 0; column < map->width; column++) {
            naive_put(n, (int64_t)x + column, (int64_t)y + row,
                      map_bit(map, column, row) ? ink : paper);
        }
    }
}

/* ---- the font, from its art ---- */

static bool art[NAIVE_GLYPHS][8][5];
static bool art_known[NAIVE_GLYPHS];

static void load_block(FILE *file, const char *codes_text) {
    unsigned codes[8];
    int count = sscanf(codes_text, "= %x %x %x %x %x %x %x %x", &codes[0], &codes[1], &codes[2],
                       &codes[3], &codes[4], &codes[5], &codes[6], &codes[7]);
    char line[128];
    for (int y = 0; y < 8 && fgets(line, sizeof line, file); y++) {
        for (int i = 0; i < count; i++) {
            for (int x = 0; x < 5; x++) {
                art[codes[i]][y][x] = line[i * 6 + x] == '#';
            }
            art_known[codes[i]] = true;
        }
    }
}

static void load_art(void) {
    FILE *file = fopen(TEST_FONT_ART, "r");
    char line[128];
    while (file && fgets(line, sizeof line, file)) {
        if (line[0] == '=') {
            load_block(file, line);
        }
    }
    if (file) {
        fclose(file);
    }
}

bool naive_glyph(unsigned code, bool out[8][5]) {
    if (!art_known['A']) {
        load_art();
    }
    for (int y = 0; y < 8; y++) {
        for (int x = 0; x < 5; x++) {
            bool box = y < 7 && (x == 0 || x == 4 || y == 0 || y == 6);
            out[y][x] = code < NAIVE_GLYPHS && art_known[code] ? art[code][y][x] : box;
        }
    }
    return code < NAIVE_GLYPHS && art_known[code];
}

void naive_text(struct naive *n, int x, int y, const char *text, jl_color ink, jl_color paper) {
    for (; *text; text++, x += 6) {
        bool glyph[8][5];
        naive_glyph((unsigned char)*text, glyph);
        for (int row = 0; row < 8; row++) {
            for (int column = 0; column < 6; column++) {
                naive_put(n, (int64_t)x + column, (int64_t)y + row,
                          column < 5 && glyph[row][column] ? ink : paper);
            }
        }
    }
}

/* Border, marks and arrow: what every kind of card has. */
static bool card_frame(int w, int h, int x, int y) {
    bool border = x == 0 || y == 0 || x == w - 1 || y == h - 1;
    int left = x - 2, right = w - 3 - x, top = y - 2, bottom = h - 3 - y; /* 0..4 in a mark */
    bool at_left = left >= 0 && left < 5, at_right = right >= 0 && right < 5;
    bool at_top = top >= 0 && top < 5, at_bottom = bottom >= 0 && bottom < 5;
    bool solid = at_left && at_top;
    bool hollow = at_right && at_top && (right % 4 == 0 || top % 4 == 0);
    bool plus = at_left && at_bottom && (left == 2 || bottom == 2);
    bool cross = at_right && at_bottom && (right == bottom || right + bottom == 4);
    bool band = y >= 12 && y < h - 12;
    int off = abs(x - w / 2);
    bool arrow = band && (off == 0 || (off <= 4 && y - 12 == off));
    return border || solid || hollow || plus || cross || arrow;
}

static void card_texts(struct naive *n, const char *title) {
    char size[32];
    struct jl_rect whole = n->clip;
    n->clip = (struct jl_rect){10, 0, (int16_t)(n->width - 20), (int16_t)n->height};
    snprintf(size, sizeof size, "%dx%d", n->width, n->height);
    if (n->height >= 20) {
        naive_text(n, 10, 2, title, JL_WHITE, JL_BLACK);
        naive_text(n, 10, n->height - 9, size, JL_WHITE, JL_BLACK);
    } else { /* beside each other, the size to the right, where there is room for both */
        int y = (n->height - 8) / 2, width = 6 * (int)strlen(size);
        naive_text(n, 10, y, title, JL_WHITE, JL_BLACK);
        if (6 * (int)strlen(title) + width < n->width - 20) {
            naive_text(n, n->width - 10 - width, y, size, JL_WHITE, JL_BLACK);
        }
    }
    n->clip = whole;
}

void naive_test_card(struct naive *n, const char *title) {
    int w = n->width, h = n->height;
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            bool band = y >= 12 && y < h - 12;
            int patch = w / 2 - 12 - 10;
            bool checker = band && x >= 10 && x < 10 + patch && (x - 10 + y - 12) % 2 == 0;
            int first_stripe = w - 10 - patch;
            bool stripes = band && x >= first_stripe && x < w - 10 && (x - first_stripe) % 2 == 0;
            n->px[y][x] = card_frame(w, h, x, y) || checker || stripes ? JL_WHITE : JL_BLACK;
        }
    }
    card_texts(n, title);
}

/* Whether row r of a band of h rows is in a line: three each of 1, 2, 3 and 4, over and over. */
static bool in_line(int r, int h) {
    static const int starts[] = {0, 6, 18, 36, 60};
    int thick = 1, at = r % 60;
    while (at >= starts[thick]) {
        thick++;
    }
    int line = (at - starts[thick - 1]) / thick;
    int end = r - at + starts[thick - 1] + (line + 1) * thick;
    return line % 2 == 0 && end <= h;
}

void naive_paper_test_card(struct naive *n, const char *title) {
    static const jl_color colors[] = {JL_BLACK, JL_RED, 0x555555, 0xAAAAAA};
    int w = n->width, h = n->height, box = w / 2 - 12 - 10, band = h - 24;
    naive_test_card(n, title);
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            int r = y - 12;
            bool inside = r >= 0 && r < band;
            jl_color c = n->px[y][x] ^ 0xFFFFFF;
            if (inside && x >= 10 && x < 10 + box) {
                c = in_line(r, band) ? JL_BLACK : JL_WHITE;
            } else if (inside && x >= w - 10 - box && x < w - 10) {
                bool filled = r / (band / 4) < 4 && r % (band / 4) < band / 4 - 2;
                c = filled ? colors[r / (band / 4)] : JL_WHITE;
            }
            n->px[y][x] = n->quantize ? n->quantize(c) : c;
        }
    }
}

void naive_shades_test_card(struct naive *n, const char *title, bool colors) {
    static const char *const letters[2][3] = {{"C", "8", "4"}, {"R", "G", "B"}};
    static const jl_color patches[2][3] = {{0xCCCCCC, 0x888888, 0x444444},
                                           {0xFF0000, 0x00FF00, 0x0000FF}};
    int w = n->width, h = n->height, box = w / 2 - 12 - 10, rows = h - 24;
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            bool band = y >= 12 && y < h - 12;
            /* The last part that begins at or above this row. */
            int third = 2, step = 15;
            while (third > 0 && rows * third / 3 > y - 12) {
                third--;
            }
            while (step > 0 && rows * step / 16 > y - 12) {
                step--;
            }
            jl_color c = card_frame(w, h, x, y) ? JL_WHITE : JL_BLACK;
            if (band && x >= 10 && x < 10 + box) {
                c = patches[colors][third];
            } else if (band && x >= w - 10 - box && x < w - 10) {
                c = JL_GREY((unsigned)(255 - 17 * step));
            }
            n->px[y][x] = n->quantize ? n->quantize(c) : c;
        }
    }
    for (int i = 0; i < 3; i++) {
        int top = rows * i / 3, end = rows * (i + 1) / 3;
        if (end - top >= 8) {
            naive_text(n, 10 + (box - 6) / 2, 12 + top + (end - top - 8) / 2, letters[colors][i],
                       JL_BLACK, JL_CLEAR);
        }
    }
    card_texts(n, title);
}

bool naive_picture(const struct naive *n, struct jl_picture *picture) {
    if (!jl_picture_create(picture, n->width, n->height)) {
        return false;
    }
    for (int y = 0; y < n->height; y++) {
        for (int x = 0; x < n->width; x++) {
            for (int c = 0; c < 3; c++) {
                jl_picture_at(picture, x, y)[c] = (uint8_t)(n->px[y][x] >> (16 - 8 * c));
            }
        }
    }
    return true;
}
