#include "kinds.h"

#include <string.h>

/* ---- the formats, decoded by their description ---- */

typedef const uint8_t *memory;

static jl_color grey(int value, int most) {
    return JL_GREY((unsigned)(value * 255 / most));
}

static jl_color see_columns(memory m, int w, int h, int x, int y) {
    (void)h;
    return grey(m[y / 8 * w + x] >> y % 8 & 1, 1);
}
static jl_color see_columns_msb(memory m, int w, int h, int x, int y) {
    (void)h;
    return grey(m[y / 8 * w + x] >> (7 - y % 8) & 1, 1);
}
static jl_color see_rows(memory m, int w, int h, int x, int y) {
    (void)h;
    return grey(m[(w + 7) / 8 * y + x / 8] >> (7 - x % 8) & 1, 1);
}
static jl_color see_grey2(memory m, int w, int h, int x, int y) {
    (void)h;
    return grey(m[(w + 3) / 4 * y + x / 4] >> (6 - x % 4 * 2) & 3, 3);
}
static jl_color see_grey4(memory m, int w, int h, int x, int y) {
    (void)h;
    return grey(m[(w + 1) / 2 * y + x / 2] >> (x % 2 ? 0 : 4) & 15, 15);
}
static jl_color see_grey4_low(memory m, int w, int h, int x, int y) {
    (void)h;
    return grey(m[(w + 1) / 2 * y + x / 2] >> (x % 2 ? 4 : 0) & 15, 15);
}

/* A channel of n bits as 8 bits: its bits repeated from the top until 8 are full. */
static jl_color widen(int value, int bits) {
    jl_color wide = 0;
    for (int i = 0; i < 8; i++) {
        wide = wide << 1 | (jl_color)(value >> (bits - 1 - i % bits) & 1);
    }
    return wide;
}
static jl_color see_332(memory m, int w, int h, int x, int y) {
    (void)h;
    int v = m[y * w + x];
    return JL_RGB(widen(v >> 5, 3), widen(v >> 2 & 7, 3), widen(v & 3, 2));
}
static jl_color see_565_value(int v) {
    return JL_RGB(widen(v >> 11, 5), widen(v >> 5 & 63, 6), widen(v & 31, 5));
}
static jl_color see_565(memory m, int w, int h, int x, int y) {
    (void)h;
    return see_565_value(m[(y * w + x) * 2] << 8 | m[(y * w + x) * 2 + 1]);
}
static jl_color see_565_cpu(memory m, int w, int h, int x, int y) {
    uint16_t v;
    (void)h;
    memcpy(&v, m + (y * w + x) * 2, 2);
    return see_565_value(v);
}
static jl_color see_666(memory m, int w, int h, int x, int y) {
    (void)h;
    memory p = m + (y * w + x) * 3;
    return JL_RGB(widen(p[0] >> 2, 6), widen(p[1] >> 2, 6), widen(p[2] >> 2, 6));
}
static jl_color see_666_low(memory m, int w, int h, int x, int y) {
    (void)h;
    memory p = m + (y * w + x) * 3;
    return JL_RGB(widen(p[0] & 63, 6), widen(p[1] & 63, 6), widen(p[2] & 63, 6));
}
static jl_color see_888(memory m, int w, int h, int x, int y) {
    (void)h;
    memory p = m + (y * w + x) * 3;
    return JL_RGB(p[0], p[1], p[2]);
}
static jl_color see_x888(memory m, int w, int h, int x, int y) {
    uint32_t v;
    (void)h;
    memcpy(&v, m + (y * w + x) * 4, 4);
    return v & 0xFFFFFF;
}
static jl_color see_bwr(memory m, int w, int h, int x, int y) {
    int plane = (w + 7) / 8 * h, at = (w + 7) / 8 * y + x / 8, bit = 128 >> x % 8;
    return m[plane + at] & bit ? JL_RED : m[at] & bit ? JL_WHITE : JL_BLACK;
}

static jl_color see_grey2_planes(memory m, int w, int h, int x, int y) {
    int plane = (w + 7) / 8 * h, at = (w + 7) / 8 * y + x / 8, bit = 128 >> x % 8;
    return grey((m[at] & bit ? 2 : 0) + (m[plane + at] & bit ? 1 : 0), 3);
}

/* ---- and what they make of a colour ---- */

static int luminance(jl_color c) {
    return (int)((c >> 16 & 255) * 77 + (c >> 8 & 255) * 150 + (c & 255) * 29) / 256;
}
static int nearest(int value, int most) {
    return (value * most * 2 + 255) / 510;
}
static jl_color store_mono(jl_color c) {
    return luminance(c) >= 128 ? JL_WHITE : JL_BLACK;
}
static jl_color store_grey2(jl_color c) {
    return grey(nearest(luminance(c), 3), 3);
}
static jl_color store_grey4(jl_color c) {
    return grey(nearest(luminance(c), 15), 15);
}
static jl_color store_channels(jl_color c, int r, int g, int b) {
    return JL_RGB(widen(nearest(c >> 16 & 255, (1 << r) - 1), r),
                  widen(nearest(c >> 8 & 255, (1 << g) - 1), g),
                  widen(nearest(c & 255, (1 << b) - 1), b));
}
static jl_color store_332(jl_color c) {
    return store_channels(c, 3, 3, 2);
}
static jl_color store_565(jl_color c) {
    return store_channels(c, 5, 6, 5);
}
static jl_color store_666(jl_color c) {
    return store_channels(c, 6, 6, 6);
}
static jl_color store_888(jl_color c) {
    return c;
}
static jl_color store_bwr(jl_color c) {
    bool red = (c >> 16 & 255) >= 128 && (c >> 8 & 255) < 128 && (c & 255) < 128;
    return red ? JL_RED : store_mono(c);
}

const struct kind kinds[KINDS] = {
    {"mono_columns", &jl_mono_columns, see_columns, store_mono, 1, 1, true, true, true},
    {"mono_columns_msb", &jl_mono_columns_msb, see_columns_msb, store_mono, 1, 1, true, true, true},
    {"mono_rows", &jl_mono_rows, see_rows, store_mono, 1, 1, false, true, true},
    {"grey2", &jl_grey2, see_grey2, store_grey2, 2, 1, false, true, true},
    {"grey4", &jl_grey4, see_grey4, store_grey4, 4, 1, false, true, true},
    {"grey4_low", &jl_grey4_low, see_grey4_low, store_grey4, 4, 1, false, true, true},
    {"rgb332", &jl_rgb332, see_332, store_332, 8, 1, false, true, true},
    {"rgb565", &jl_rgb565, see_565, store_565, 16, 1, false, true, true},
    {"rgb565_cpu", &jl_rgb565_cpu, see_565_cpu, store_565, 16, 1, false, true, true},
    {"rgb666", &jl_rgb666, see_666, store_666, 24, 1, false, true, false},
    {"rgb666_low", &jl_rgb666_low, see_666_low, store_666, 24, 1, false, true, false},
    {"rgb888", &jl_rgb888, see_888, store_888, 24, 1, false, true, true},
    {"xrgb8888", &jl_xrgb8888, see_x888, store_888, 32, 1, false, true, true},
    {"black_white", &jl_black_white, see_rows, store_mono, 1, 1, false, true, true},
    {"grey2_planes", &jl_grey2_planes, see_grey2_planes, store_grey2, 1, 2, false, true, true},
    {"black_white_red", &jl_black_white_red, see_bwr, store_bwr, 1, 2, false, false, true},
};

size_t kind_bytes(const struct kind *kind, int width, int height) {
    size_t line = (size_t)(kind->columns ? width : (width * kind->bits + 7) / 8);
    size_t lines = (size_t)(kind->columns ? (height + 7) / 8 : height);
    return line * lines * (size_t)kind->planes;
}

const struct kind *kind_of(const struct jl_format *format) {
    for (int i = 0; i < KINDS; i++) {
        if (kinds[i].format == format) {
            return &kinds[i];
        }
    }
    return NULL;
}
