#include "naive.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

void naive_init(struct naive *n, int width, int height) {
    memset(n, 0, sizeof *n);
    n->width = width;
    n->height = height;
    n->clip = (struct jl_rect){0, 0, (int16_t)width, (int16_t)height};
}

static bool within(int64_t v, int64_t start, int64_t length) {
    return v >= start && v < start + length;
}

void naive_put(struct naive *n, int64_t x, int64_t y, jl_color color) {
    if (color != JL_CLEAR && within(x, 0, n->width) && within(y, 0, n->height) &&
        within(x, n->clip.x, n->clip.w) && within(y, n->clip.y, n->clip.h)) {
        /* Only black and white are used with it: any other colour by its brightness. */
        unsigned sum = (color >> 16 & 255) * 77 + (color >> 8 & 255) * 150 + (color & 255) * 29;
        n->lit[y][x] = sum >= 128 * 256;
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

void naive_line(struct naive *n, int x0, int y0, int x1, int y1, jl_color color) {
    bool by_x = abs(x1 - x0) >= abs(y1 - y0);
    for (int y = 0; y < n->height; y++) {
        for (int x = 0; x < n->width; x++) {
            int at = by_x ? x : y, at0 = by_x ? x0 : y0, at1 = by_x ? x1 : y1;
            int from = by_x ? y0 : x0, to = by_x ? y1 : x1;
            bool between = at >= (at0 < at1 ? at0 : at1) && at <= (at0 < at1 ? at1 : at0);
            if (between && interpolate(at, at0, at1, from, to) == (by_x ? y : x)) {
                naive_put(n, x, y, color);
            }
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

void naive_test_card(struct naive *n, const char *title) {
    int w = n->width, h = n->height;
    char size[32];
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            bool border = x == 0 || y == 0 || x == w - 1 || y == h - 1;
            int left = x - 2, right = w - 3 - x, top = y - 2,
                bottom = h - 3 - y; /* 0..4 in a mark */
            bool at_left = left >= 0 && left < 5, at_right = right >= 0 && right < 5;
            bool at_top = top >= 0 && top < 5, at_bottom = bottom >= 0 && bottom < 5;
            bool solid = at_left && at_top;
            bool hollow = at_right && at_top && (right % 4 == 0 || top % 4 == 0);
            bool plus = at_left && at_bottom && (left == 2 || bottom == 2);
            bool cross = at_right && at_bottom && (right == bottom || right + bottom == 4);
            bool band = y >= 12 && y < h - 12;
            int off = abs(x - w / 2);
            bool arrow = band && (off == 0 || (off <= 4 && y - 12 == off));
            int patch = w / 2 - 12 - 10;
            bool checker = band && x >= 10 && x < 10 + patch && (x - 10 + y - 12) % 2 == 0;
            int first_stripe = w - 10 - patch;
            bool stripes = band && x >= first_stripe && x < w - 10 && (x - first_stripe) % 2 == 0;
            n->lit[y][x] =
                border || solid || hollow || plus || cross || arrow || checker || stripes;
        }
    }
    struct jl_rect whole = n->clip;
    n->clip = (struct jl_rect){10, 0, (int16_t)(w - 20), (int16_t)h};
    naive_text(n, 10, 2, title, JL_WHITE, JL_BLACK);
    snprintf(size, sizeof size, "%dx%d", w, h);
    naive_text(n, 10, h - 9, size, JL_WHITE, JL_BLACK);
    n->clip = whole;
}

bool naive_picture(const struct naive *n, struct jl_picture *picture) {
    if (!jl_picture_create(picture, n->width, n->height)) {
        return false;
    }
    for (int y = 0; y < n->height; y++) {
        for (int x = 0; x < n->width; x++) {
            memset(jl_picture_at(picture, x, y), n->lit[y][x] ? 255 : 0, 3);
        }
    }
    return true;
}
