/* Every drawing call against the naive reference, with guarded memory. */
#include "harness.h"

#include <math.h>
#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "kinds.h"
#include "naive.h"
#include "naive_packer.h"

enum { GUARD = 64, GUARD_BYTE = 0x5A };

/* ---- a frame between guards, and the reference beside it ---- */

static struct naive reference;

static struct sheet {
    _Alignas(8) uint8_t memory[GUARD + NAIVE_SIDE * NAIVE_SIDE * 4 + GUARD];
    struct jl_frame frame;
    struct jl_damage damage;
    size_t bytes;
    const struct kind *kind;
    int own_width, own_height;
    int turn;
} sheet;

static void sheet_open_as(const struct kind *kind, int width, int height, int turn) {
    sheet.kind = kind;
    sheet.own_width = width;
    sheet.own_height = height;
    sheet.turn = turn;
    sheet.bytes = kind_bytes(kind, width, height);
    memset(sheet.memory, GUARD_BYTE, sizeof sheet.memory);
    EXPECT_INT(jl_frame_init(&sheet.frame, kind->format, (int16_t)width, (int16_t)height,
                             sheet.memory + GUARD, sheet.bytes - 1),
               JL_TOO_SMALL);
    EXPECT_INT(jl_frame_init(&sheet.frame, kind->format, (int16_t)width, (int16_t)height,
                             sheet.memory + GUARD, sheet.bytes),
               JL_OK);
    jl_frame_track(&sheet.frame, &sheet.damage);
    if (turn) {
        jl_target_turn(&sheet.frame.target, (uint8_t)turn);
    }
    naive_init(&reference, turn & 1 ? height : width, turn & 1 ? width : height);
    reference.quantize = kind->store;
    /* Fresh frames are black, but for e-paper, which is white. */
    if (kind->format == &jl_black_white_red || kind->format == &jl_black_white ||
        kind->format == &jl_grey2_planes) {
        naive_fill(&reference,
                   (struct jl_rect){0, 0, (int16_t)reference.width, (int16_t)reference.height},
                   JL_WHITE);
    }
}

static void sheet_open(int width, int height) {
    sheet_open_as(&kinds[0], width, height, 0);
}

/* Where pixel (x, y) of the picture lies: turned as a sheet of paper is turned. */
static jl_color sheet_see(int x, int y) {
    int w = sheet.own_width, h = sheet.own_height;
    int picture_width = sheet.turn & 1 ? h : w;
    int mx = sheet.turn & JL_TURN_MIRROR ? picture_width - 1 - x : x;
    int own_x = mx, own_y = y;
    switch (sheet.turn & 3) {
    case 1: /* the top edge becomes the right one */
        own_x = w - 1 - y;
        own_y = mx;
        break;
    case 2:
        own_x = w - 1 - mx;
        own_y = h - 1 - y;
        break;
    case 3: /* the top edge becomes the left one */
        own_x = y;
        own_y = h - 1 - mx;
        break;
    default:
        break;
    }
    return sheet.kind->see(sheet.memory + GUARD, w, h, own_x, own_y);
}

static bool sheet_equals_reference(void) {
    for (int y = 0; y < reference.height; y++) {
        for (int x = 0; x < reference.width; x++) {
            if (sheet_see(x, y) != reference.px[y][x]) {
                return test_check(false, __FILE__, __LINE__, "pixel %d,%d is %06X, expected %06X",
                                  x, y, (unsigned)sheet_see(x, y), (unsigned)reference.px[y][x]);
            }
        }
    }
    for (int i = 0; i < GUARD; i++) {
        if (sheet.memory[i] != GUARD_BYTE ||
            sheet.memory[GUARD + sheet.bytes + (size_t)i] != GUARD_BYTE) {
            return test_check(false, __FILE__, __LINE__, "memory beside the frame was written");
        }
    }
    return test_check(true, __FILE__, __LINE__, "equal");
}

static jl_color random_color(struct test_random *random) {
    static const jl_color colors[] = {JL_BLACK, JL_WHITE, JL_WHITE, JL_CLEAR, JL_RED, JL_ORANGE};
    int i = test_random_between(random, 0, 7);
    return i < 6 ? colors[i] : test_random_next(random) & 0xFFFFFF;
}

static struct jl_rect random_rect(struct test_random *random) {
    return (struct jl_rect){test_random_coordinate(random, reference.width),
                            test_random_coordinate(random, reference.height),
                            test_random_coordinate(random, reference.width),
                            test_random_coordinate(random, reference.height)};
}

static void call_fill(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_fill_rect(&sheet.frame.target, r, color);
    naive_fill(&reference, r, color);
}

static void call_stroke(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_stroke_rect(&sheet.frame.target, r, color);
    naive_stroke(&reference, r, color);
}

static void call_line(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_draw_line(&sheet.frame.target, r.x, r.y, r.w, r.h, color);
    naive_line(&reference, r.x, r.y, r.w, r.h, color);
}

static void call_pixel(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color color = random_color(random);
    jl_draw_pixel(&sheet.frame.target, r.x, r.y, color);
    naive_put(&reference, r.x, r.y, color);
}

static void call_bitmap(struct test_random *random) {
    static const struct jl_bit_order *const orders[] = {&jl_bits_columns, &jl_bits_rows_msb,
                                                        &jl_bits_rows_lsb};
    uint8_t bits[40 * 5];
    struct jl_bitmap map = {bits, (int16_t)test_random_between(random, 1, 40),
                            (int16_t)test_random_between(random, 1, 40),
                            orders[test_random_between(random, 0, 2)]};
    for (size_t i = 0; i < sizeof bits; i++) {
        bits[i] = (uint8_t)test_random_next(random);
    }
    struct jl_rect r = random_rect(random);
    jl_color ink = random_color(random), paper = random_color(random);
    jl_draw_bitmap(&sheet.frame.target, r.x, r.y, &map, ink, paper);
    naive_bitmap(&reference, r.x, r.y, &map, ink,
                 reference.mode == JL_MODE_INVERT ? JL_CLEAR : paper);
}

static void call_text(struct test_random *random) {
    char text[12];
    int length = test_random_between(random, 0, 11);
    for (int i = 0; i < length; i++) {
        text[i] = (char)test_random_between(random, 1, 127);
    }
    text[length] = '\0';
    struct jl_rect r = random_rect(random);
    struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = random_color(random), .paper = random_color(random)};
    jl_text(&sheet.frame.target, r.x, r.y, text, &style);
    naive_text(&reference, r.x, r.y, text, style.ink,
               reference.mode == JL_MODE_INVERT ? JL_CLEAR : style.paper);
}

static struct jl_point random_point(struct test_random *random) {
    return (struct jl_point){test_random_coordinate(random, reference.width),
                             test_random_coordinate(random, reference.height)};
}

/* Mostly of a size that can be seen, sometimes as great as it gets. */
static int16_t random_radius(struct test_random *random) {
    static const int16_t ends[] = {-1, 0, 1, 1000, 32767, -32768};
    int kind = test_random_between(random, 0, 9);
    return kind == 0 ? ends[test_random_between(random, 0, 5)]
                     : (int16_t)test_random_between(random, 0, 40);
}

static void call_wide_line(struct test_random *random) {
    struct jl_point a = random_point(random), b = random_point(random);
    int16_t width = random_radius(random);
    jl_color color = random_color(random);
    jl_draw_wide_line(&sheet.frame.target, a, b, width, color);
    naive_wide_line(&reference, a, b, width, color);
}

static void call_bezier(struct test_random *random) {
    struct jl_point p[4] = {random_point(random), random_point(random), random_point(random),
                            random_point(random)};
    jl_color color = random_color(random);
    jl_draw_bezier(&sheet.frame.target, p, color);
    naive_bezier(&reference, p, color);
}

static void call_ellipse(struct test_random *random) {
    struct jl_point at = random_point(random);
    int16_t rx = random_radius(random), ry = random_radius(random);
    jl_color color = random_color(random);
    int which = test_random_between(random, 0, 3);
    if (which < 2) {
        (which ? jl_stroke_circle : jl_fill_circle)(&sheet.frame.target, at.x, at.y, rx, color);
        ry = rx;
    } else {
        (which == 3 ? jl_stroke_ellipse : jl_fill_ellipse)(&sheet.frame.target, at.x, at.y, rx, ry,
                                                           color);
    }
    naive_ellipse(&reference, at.x, at.y, rx, ry, which & 1, color);
}

static void call_rounded(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    int16_t radius = random_radius(random);
    jl_color color = random_color(random);
    bool stroke = test_random_between(random, 0, 1);
    (stroke ? jl_stroke_rounded : jl_fill_rounded)(&sheet.frame.target, r, radius, color);
    naive_rounded(&reference, r, radius, stroke, color);
}

static void call_polygon(struct test_random *random) {
    struct jl_point points[7];
    int count = test_random_between(random, 0, 7);
    jl_color color = random_color(random);
    for (int i = 0; i < 7; i++) {
        points[i] = random_point(random);
    }
    if (test_random_between(random, 0, 3)) {
        jl_fill_polygon(&sheet.frame.target, points, (size_t)count, color);
        naive_polygon(&reference, points, count, color);
        return;
    }
    jl_stroke_polygon(&sheet.frame.target, points, (size_t)count, color);
    naive_path(&reference, points, count, true, color);
}

static void call_ring(struct test_random *random) {
    static const uint32_t sweeps[] = {0, 1, 16384, 32768, 32769, 65535, 65536, UINT32_MAX};
    struct jl_point at = random_point(random);
    int16_t outer = random_radius(random), inner = random_radius(random);
    jl_direction start =
        (jl_direction)(test_random_between(random, 0, 3) ? test_random_next(random)
                                                         : 16384 * test_random_next(random));
    uint32_t sweep = test_random_between(random, 0, 1) ? sweeps[test_random_between(random, 0, 7)]
                                                       : test_random_next(random) & 0xFFFF;
    jl_color color = random_color(random);
    jl_fill_ring(&sheet.frame.target, at.x, at.y, outer, inner, start, sweep, color);
    naive_ring(&reference, at.x, at.y, outer, inner, start, sweep, color);
}

static void call_gradient(struct test_random *random) {
    struct jl_rect r = random_rect(random);
    jl_color from = test_random_next(random) & 0xFFFFFF, to = test_random_next(random) & 0xFFFFFF;
    enum jl_axis axis = test_random_between(random, 0, 1) ? JL_AXIS_X : JL_AXIS_Y;
    const uint8_t *bits =
        test_random_between(random, 0, 1) ? sheet.kind->format->channel_bits : NULL;
    jl_fill_gradient(&sheet.frame.target, r, axis, from, to, bits);
    naive_gradient(&reference, r, axis, from, to, bits);
}

static void call_pattern(struct test_random *random) {
    static const uint8_t *const patterns[] = {jl_pattern_checker, jl_pattern_hatch,
                                              jl_pattern_cross, jl_pattern_dots};
    const uint8_t *pattern = patterns[test_random_between(random, 0, 3)];
    struct jl_rect r = random_rect(random);
    jl_color ink = random_color(random), paper = random_color(random);
    jl_fill_pattern(&sheet.frame.target, r, pattern, ink, paper);
    naive_pattern(&reference, r, pattern, ink, reference.mode == JL_MODE_INVERT ? JL_CLEAR : paper);
}

/* An image to draw, and how the test reads it by itself. */
struct drawn_image {
    uint8_t bytes[3 * 20 * 20], packed[2 * 3 * 20 * 20 + 64], mask[20 * 20];
    jl_color palette[256];
    const struct kind *kind; /* NULL: indices */
    int bits;                /* of an index */
    struct jl_image image;
};

static jl_color see_image(const struct drawn_image *drawn, int x, int y) {
    int w = drawn->image.width;
    if (drawn->kind) {
        return drawn->kind->see(drawn->bytes, w, drawn->image.height, x, y);
    }
    int stride = (w * drawn->bits + 7) / 8, bit = x * drawn->bits;
    int shift = 8 - drawn->bits - bit % 8;
    return drawn->palette[drawn->bytes[y * stride + bit / 8] >> shift & ((1 << drawn->bits) - 1)];
}

static bool is_masked(const struct drawn_image *drawn, int x, int y) {
    int stride = (drawn->image.width * drawn->image.mask_bits + 7) / 8;
    const uint8_t *row = drawn->mask + y * stride;
    return drawn->image.mask &&
           (drawn->image.mask_bits == 1 ? !(row[x / 8] >> (7 - x % 8) & 1)
                                        : !(row[x / 2] >> (x % 2 ? 0 : 4) & 15));
}

static void pack_image(struct drawn_image *drawn, struct test_random *random) {
    int bits = drawn->kind ? drawn->kind->bits : drawn->bits;
    bool columns = drawn->kind && drawn->kind->columns;
    size_t w = (size_t)drawn->image.width, h = (size_t)drawn->image.height;
    size_t units = columns || bits >= 8 ? w : (w * (size_t)bits + 7) / 8;
    size_t lines = (columns ? (h + 7) / 8 : h) * (drawn->kind ? (size_t)drawn->kind->planes : 1);
    size_t size = pack_lines(drawn->bytes, units, bits > 8 ? (size_t)bits / 8 : 1, lines, random,
                             drawn->packed);
    drawn->image.pixels = drawn->packed;
    drawn->image.packing = &jl_packing_runs;
    EXPECT_INT(jl_image_check(&drawn->image, size), JL_OK);
    EXPECT_INT(jl_image_check(&drawn->image, size - 1), JL_TOO_SMALL);
}

static void make_image(struct drawn_image *drawn, struct test_random *random) {
    static const struct jl_format *const indices[] = {&jl_palette1, &jl_palette2, &jl_palette4,
                                                      &jl_palette8};
    int which = test_random_between(random, 0, KINDS + 3);
    int w = test_random_between(random, 1, 20), h = test_random_between(random, 1, 20);
    /* Runs are likely where neighbours are often the same. */
    int change = test_random_between(random, 0, 3);
    memset(drawn, 0, sizeof *drawn);
    drawn->kind = which < KINDS ? &kinds[which] : NULL;
    drawn->bits = drawn->kind ? 0 : 1 << (which - KINDS);
    drawn->image = (struct jl_image){
        .format = drawn->kind ? drawn->kind->format : indices[which - KINDS],
        .pixels = drawn->bytes,
        .width = (int16_t)w,
        .height = (int16_t)h,
        .palette = drawn->kind ? NULL : drawn->palette,
    };
    bool low_bits = !drawn->kind || drawn->kind->low_bits;
    for (size_t i = 0; i < sizeof drawn->bytes; i++) {
        drawn->bytes[i] = i >= 6 && test_random_between(random, 0, change)
                              ? drawn->bytes[i - (i % 6 ? 3 : 1)]
                              : (uint8_t)(test_random_next(random) & (low_bits ? 0xFF : 0xFC));
    }
    for (int i = 0; i < 256; i++) {
        drawn->palette[i] = test_random_next(random) & 0xFFFFFF;
    }
    if (test_random_between(random, 0, 1)) {
        drawn->image.has_key = true;
        drawn->image.key = see_image(drawn, 0, 0);
    }
    if (test_random_between(random, 0, 1)) {
        drawn->image.mask = drawn->mask;
        drawn->image.mask_bits = test_random_between(random, 0, 1) ? 1 : 4;
        for (size_t i = 0; i < sizeof drawn->mask; i++) { /* there, or not */
            uint32_t bits = test_random_next(random);
            drawn->mask[i] = drawn->image.mask_bits == 1
                                 ? (uint8_t)bits
                                 : (uint8_t)((bits & 1 ? 0xF0 : 0) | (bits & 2 ? 0x0F : 0));
        }
    }
    if (test_random_between(random, 0, 1)) {
        pack_image(drawn, random);
    }
}

static void call_image(struct test_random *random) {
    static struct drawn_image drawn;
    make_image(&drawn, random);
    struct jl_point at = random_point(random);
    jl_draw_image(&sheet.frame.target, at.x, at.y, &drawn.image);
    for (int y = 0; y < drawn.image.height; y++) {
        for (int x = 0; x < drawn.image.width; x++) {
            jl_color c = see_image(&drawn, x, y);
            bool out = (drawn.image.has_key && c == drawn.image.key) || is_masked(&drawn, x, y);
            naive_put(&reference, at.x + x, at.y + y, out ? JL_CLEAR : c);
        }
    }
}

static void call_clip(struct test_random *random) {
    struct jl_rect whole = {0, 0, (int16_t)reference.width, (int16_t)reference.height};
    static struct jl_rect before;
    if (test_random_between(random, 0, 2) == 0) {
        jl_target_unclip(&sheet.frame.target, sheet.frame.target.bounds);
        reference.clip = whole;
        return;
    }
    struct jl_rect r = random_rect(random);
    jl_target_unclip(&sheet.frame.target, sheet.frame.target.bounds);
    before = jl_target_clip(&sheet.frame.target, r);
    EXPECT_BYTES(&before, &sheet.frame.target.bounds, sizeof before);
    reference.clip = r;
}

static void call_mode(struct test_random *random) {
    int mode = test_random_between(random, 0, sheet.kind->inverts ? 2 : 1);
    reference.mode = mode == 0 ? JL_MODE_REPLACE : mode == 1 ? JL_MODE_BLEND : JL_MODE_INVERT;
    reference.alpha = test_random_between(random, 0, 255);
    EXPECT(jl_target_mode(&sheet.frame.target, reference.mode, (uint8_t)reference.alpha));
}

static void (*const calls[])(struct test_random *) = {
    call_fill, call_stroke,  call_line,    call_pixel,   call_bitmap,   call_text,
    call_clip, call_ellipse, call_rounded, call_polygon, call_ring,     call_image,
    call_clip, call_mode,    call_bezier,  call_pattern, call_gradient, call_wide_line};

enum { CALLS = sizeof calls / sizeof calls[0] };

/* Thousands of calls of everything, in every format, turn, mode and clip. */
/* Gradients larger than what is computed at once, in each format, upright, along both axes, with
 * and without a dither: much of them is copied. */
static void large_gradients(void) {
    for (int i = 0; i < KINDS * 4; i++) {
        const struct kind *kind = &kinds[i / 4];
        const uint8_t *bits = i & 1 ? kind->format->channel_bits : NULL;
        enum jl_axis axis = i & 2 ? JL_AXIS_X : JL_AXIS_Y;
        struct jl_rect r = {3, 2, 53, 37};
        sheet_open_as(kind, 64, 48, 0);
        jl_fill_gradient(&sheet.frame.target, r, axis, JL_RGB(9, 99, 250), JL_RGB(240, 20, 60),
                         bits);
        naive_gradient(&reference, r, axis, JL_RGB(9, 99, 250), JL_RGB(240, 20, 60), bits);
        test_row("%s, axis %d, %s", kind->name, (int)axis, bits ? "dithered" : "plain");
        EXPECT(sheet_equals_reference());
    }
}

static void random_calls_equal_reference(void) {
    static const struct {
        int width, height;
    } sizes[] = {{64, 48}, {72, 40}, {33, 57}, {1, 1}, {5, 3}, {9, 17}, {96, 16}};
    for (uint32_t seed = 1; seed <= (uint32_t)test_cases(KINDS * 8 * 12); seed++) {
        struct test_random random = {seed * 2654435761u};
        int size = (int)(seed % 7);
        const struct kind *kind = &kinds[seed % KINDS];
        int turn = (int)(seed / KINDS % 8);
        sheet_open_as(kind, sizes[size].width, sizes[size].height, turn);
        for (int i = 0; i < 24; i++) {
            int call = test_random_between(&random, 0, CALLS - 1);
            test_row("%s, turn %d, seed %u, call %d of kind %d, %d x %d", kind->name, turn,
                     (unsigned)seed, i, call, reference.width, reference.height);
            calls[call](&random);
            if (!sheet_equals_reference()) {
                return;
            }
        }
    }
}

/* A line without length is a pixel, however wide it was to be. */
static void wide_lines_without_length(void) {
    for (int width = -3; width < 40; width += 6) {
        test_row("width %d", width);
        sheet_open(40, 40);
        jl_draw_wide_line(&sheet.frame.target, (struct jl_point){13, 29}, (struct jl_point){13, 29},
                          (int16_t)width, JL_WHITE);
        naive_put(&reference, 13, 29, JL_WHITE);
        sheet_equals_reference();
    }
}

/* The ends of a sweep: nothing, next to nothing, all but nothing, all and more. */
static void ends_of_a_sweep(void) {
    static const uint32_t sweeps[] = {0,     1,     300,   16384, 32768,
                                      32769, 65000, 65535, 65536, UINT32_MAX};
    for (size_t i = 0; i < sizeof sweeps / sizeof sweeps[0]; i++) {
        for (int start = 0; start < 65536; start += 8192) {
            for (int inner = 0; inner <= 12; inner += 6) {
                test_row("sweep %u from %d, inner %d", (unsigned)sweeps[i], start, inner);
                sheet_open(40, 40);
                jl_fill_ring(&sheet.frame.target, 20, 19, 15, (int16_t)inner, (jl_direction)start,
                             sweeps[i], JL_WHITE);
                naive_ring(&reference, 20, 19, 15, inner, (jl_direction)start, sweeps[i], JL_WHITE);
                sheet_equals_reference();
            }
        }
    }
}

/* Every small rectangle, where the special cases live: 13 * 13 * 8 * 8. */
static void small_rectangles(void) {
    for (int i = 0; i < 13 * 13 * 8 * 8; i++) {
        if (!test_turn(i + i / 64)) {
            continue;
        }
        struct jl_rect r = {(int16_t)(i / 832 - 2), (int16_t)(i / 64 % 13 - 2),
                            (int16_t)(i / 8 % 8 - 1), (int16_t)(i % 8 - 1)};
        test_row("%d,%d %d x %d", r.x, r.y, r.w, r.h);
        sheet_open(9, 9);
        jl_stroke_rect(&sheet.frame.target, r, JL_WHITE);
        naive_stroke(&reference, r, JL_WHITE);
        bool good = sheet_equals_reference();
        jl_fill_rect(&sheet.frame.target, r, JL_WHITE);
        naive_fill(&reference, r, JL_WHITE);
        if (!good || !sheet_equals_reference()) {
            return;
        }
    }
}

/* Each of the 95 glyphs, in normal and inverted colours, against the art. */
static void font_equals_its_art(void) {
    for (unsigned code = 0x20; code < 0x7F; code++) {
        bool glyph[8][5];
        char text[2] = {(char)code, '\0'};
        test_row("U+%04X", code);
        EXPECT(naive_glyph(code, glyph));
        sheet_open(6, 8);
        struct jl_text_style normal = {.font = &jl_font_6x8, .ink = JL_WHITE};
        struct jl_text_style inverted = {.font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
        EXPECT_INT(jl_text(&sheet.frame.target, 0, 0, text, &normal), 0);
        naive_text(&reference, 0, 0, text, JL_WHITE, JL_BLACK);
        sheet_equals_reference();
        jl_text(&sheet.frame.target, 0, 0, text, &inverted);
        naive_text(&reference, 0, 0, text, JL_BLACK, JL_WHITE);
        sheet_equals_reference();
    }
    bool glyph[8][5];
    EXPECT(!naive_glyph(0x7F, glyph));
}

/* Clips nest: each unclip brings back what was before, and none reaches past the bounds. */
static void clips_nest(void) {
    sheet_open(64, 48);
    struct jl_target *t = &sheet.frame.target;
    struct jl_rect whole = jl_target_clip(t, (struct jl_rect){10, 10, 30, 20});
    struct jl_rect outer = jl_target_clip(t, (struct jl_rect){0, 0, 20, 48});
    jl_clear(t, JL_WHITE); /* 10..19 x 10..29 */
    jl_target_unclip(t, outer);
    jl_fill_rect(t, (struct jl_rect){30, 0, 60, 60}, JL_WHITE); /* 30..39 x 10..29 */
    jl_target_unclip(t, whole);
    jl_draw_pixel(t, 63, 47, JL_WHITE);
    jl_target_unclip(t, (struct jl_rect){-100, -100, 1000, 1000});
    EXPECT_BYTES(&t->clip, &t->bounds, sizeof t->clip);
    naive_fill(&reference, (struct jl_rect){10, 10, 10, 20}, JL_WHITE);
    naive_fill(&reference, (struct jl_rect){30, 10, 10, 20}, JL_WHITE);
    naive_put(&reference, 63, 47, JL_WHITE);
    sheet_equals_reference();
}

/* A sprite on a target of its own format: the key stays out although rows could be copied. */
static void sprites_keep_their_key_out(void) {
    for (int k = 0; k < KINDS; k++) {
        _Alignas(4) uint8_t bytes[JL_XRGB8888_BYTES(10, 8)];
        struct jl_frame art;
        test_row("%s", kinds[k].name);
        EXPECT_INT(jl_frame_init(&art, kinds[k].format, 10, 8, bytes, sizeof bytes), JL_OK);
        jl_clear(&art.target, JL_WHITE);
        jl_fill_rect(&art.target, (struct jl_rect){3, 2, 5, 4}, JL_BLACK);
        sheet_open_as(&kinds[k], 64, 48, 0);
        jl_clear(&sheet.frame.target, JL_WHITE);
        naive_fill(&reference, (struct jl_rect){0, 0, 64, 48}, JL_WHITE);
        struct jl_image sprite = jl_image_of_frame(&art);
        jl_draw_image(&sheet.frame.target, 1, 1, &sprite);
        naive_fill(&reference, (struct jl_rect){4, 3, 5, 4}, JL_BLACK);
        sprite.has_key = true;
        sprite.key = JL_WHITE;
        jl_draw_image(&sheet.frame.target, 5, 4,
                      &sprite); /* over the first: white must not cover it */
        naive_fill(&reference, (struct jl_rect){8, 6, 5, 4}, JL_BLACK);
        sheet_equals_reference();
    }
}

/* All 65536 directions against the C library. */
static void directions_are_exact(void) {
    double worst = 0;
    for (int d = 0; d < 65536; d++) {
        double angle = d * 3.14159265358979323846 / 32768;
        worst = fmax(worst, fabs(jl_sine((jl_direction)d) - 16384 * sin(angle)));
        worst = fmax(worst, fabs(jl_cosine((jl_direction)d) - 16384 * cos(angle)));
    }
    test_row("worst error %.3f", worst);
    EXPECT(worst <= 2.0);
    EXPECT_INT(jl_sine(JL_DEGREES(90)), 16384);
    EXPECT_INT(jl_cosine(JL_DEGREES(180)), -16384);
    EXPECT_INT(JL_DEGREES(360), 0);
}

/* ---- properties that any right rasteriser has, whatever its exact definition ---- */

typedef void (*shape_fn)(struct test_random *random, bool stroke);

static void shape_circle(struct test_random *random, bool stroke) {
    int16_t r = (int16_t)test_random_between(random, 0, 22);
    (stroke ? jl_stroke_circle : jl_fill_circle)(&sheet.frame.target, 32, 24, r, JL_WHITE);
}
static void shape_ellipse(struct test_random *random, bool stroke) {
    int16_t rx = (int16_t)test_random_between(random, 0, 30),
            ry = (int16_t)test_random_between(random, 0, 22);
    (stroke ? jl_stroke_ellipse : jl_fill_ellipse)(&sheet.frame.target, 32, 24, rx, ry, JL_WHITE);
}
static void shape_rounded(struct test_random *random, bool stroke) {
    int16_t half_w = (int16_t)test_random_between(random, 0, 30),
            half_h = (int16_t)test_random_between(random, 0, 22);
    struct jl_rect r = {(int16_t)(32 - half_w), (int16_t)(24 - half_h), (int16_t)(2 * half_w + 1),
                        (int16_t)(2 * half_h + 1)};
    int16_t radius = (int16_t)test_random_between(random, 0, 30);
    (stroke ? jl_stroke_rounded : jl_fill_rounded)(&sheet.frame.target, r, radius, JL_WHITE);
}
static void shape_triangle(struct test_random *random, bool stroke) {
    struct jl_point p[3];
    for (int i = 0; i < 3; i++) {
        p[i] = (struct jl_point){(int16_t)test_random_between(random, 1, 62),
                                 (int16_t)test_random_between(random, 1, 46)};
    }
    (stroke ? jl_stroke_triangle : jl_fill_triangle)(&sheet.frame.target, p[0], p[1], p[2],
                                                     JL_WHITE);
}

/* Dark pixels that cannot be reached from the edge by steps to the four sides. */
static int enclosed(bool lit[48][64]) {
    static bool reached[48][64];
    memset(reached, 0, sizeof reached);
    int found = 48 * 64;
    for (bool more = true; more;) {
        more = false;
        for (int y = 0; y < 48; y++) {
            for (int x = 0; x < 64; x++) {
                bool touch = x == 0 || y == 0 || x == 63 || y == 47 || reached[y - 1][x] ||
                             reached[y + 1][x] || reached[y][x - 1] || reached[y][x + 1];
                if (!lit[y][x] && !reached[y][x] && touch) {
                    reached[y][x] = more = true;
                }
            }
        }
    }
    for (int y = 0; y < 48; y++) {
        for (int x = 0; x < 64; x++) {
            found -= reached[y][x] || lit[y][x];
        }
    }
    return found;
}

static void draw_shape(shape_fn shape, uint32_t seed, bool stroke, bool lit[48][64]) {
    struct test_random random = {seed * 2654435761u};
    sheet_open(64, 48);
    shape(&random, stroke);
    for (int y = 0; y < 48; y++) {
        for (int x = 0; x < 64; x++) {
            lit[y][x] = sheet_see(x, y) == JL_WHITE;
        }
    }
}

static void shapes_have_their_properties(void) {
    static const struct {
        const char *name;
        shape_fn shape;
        bool symmetric;
    } shapes[] = {{"circle", shape_circle, true},
                  {"ellipse", shape_ellipse, true},
                  {"rounded", shape_rounded, true},
                  {"triangle", shape_triangle, false}};
    static bool fill[48][64], stroke[48][64];
    for (uint32_t i = 0; i < 4 * 120; i++) {
        test_row("%s, seed %u", shapes[i % 4].name, (unsigned)i);
        draw_shape(shapes[i % 4].shape, i, false, fill);
        draw_shape(shapes[i % 4].shape, i, true, stroke);
        int outside = 0, lopsided = 0, inside = 0;
        for (int y = 1; y < 48; y++) {
            for (int x = 1; x < 64; x++) {
                outside += stroke[y][x] && !fill[y][x];
                inside += fill[y][x] && !stroke[y][x];
                lopsided += fill[y][x] != fill[48 - y][x] || fill[y][x] != fill[y][64 - x] ||
                            stroke[y][x] != stroke[48 - y][x] || stroke[y][x] != stroke[y][64 - x];
            }
        }
        EXPECT_INT(enclosed(fill), 0);        /* a fill has no holes */
        EXPECT_INT(outside, 0);               /* a stroke is part of its fill */
        EXPECT_INT(enclosed(stroke), inside); /* and closes around all the rest of it */
        EXPECT(!shapes[i % 4].symmetric || lopsided == 0);
    }
}

static void line_is_the_same_both_ways(void) {
    struct test_random random = {7};
    for (int i = 0; i < 500; i++) {
        struct jl_rect r = random_rect(&random);
        uint8_t forth[JL_MONO_COLUMNS_BYTES(64, 64)];
        sheet_open(64, 64);
        jl_draw_line(&sheet.frame.target, r.x, r.y, r.w, r.h, JL_WHITE);
        memcpy(forth, sheet.memory + GUARD, sizeof forth);
        sheet_open(64, 64);
        jl_draw_line(&sheet.frame.target, r.w, r.h, r.x, r.y, JL_WHITE);
        test_row("%d,%d to %d,%d", r.x, r.y, r.w, r.h);
        EXPECT_BYTES(sheet.memory + GUARD, forth, sizeof forth);
    }
}

/* Damage covers every changed pixel, and redrawing the same is no damage. */
static void damage_follows_changes(void) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    static const struct {
        const char *first, *second;
        int rects;
        struct jl_rect area;
    } rows[] = {
        {"12.34", "12.34", 0, {0, 0, 0, 0}},
        {"12.34", "12.84", 1, {28, 16, 2, 8}}, /* '3' and '8' differ in columns 0 and 1 */
        {"AAAAAAAAAAAA", "BAAAAAAAAAAB", 2, {0, 0, 0, 0}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s to %s", rows[i].first, rows[i].second);
        sheet_open(128, 64);
        jl_text(&sheet.frame.target, 10, 16, rows[i].first, &style);
        jl_damage_clear(&sheet.damage);
        jl_text(&sheet.frame.target, 10, 16, rows[i].second, &style);
        EXPECT_INT(sheet.damage.count, rows[i].rects);
        if (rows[i].area.w) {
            EXPECT_BYTES(&sheet.damage.rects[0], &rows[i].area, sizeof rows[i].area);
        }
    }
    struct test_random random = {99};
    for (int round = 0; round < 300; round++) {
        uint8_t before[JL_MONO_COLUMNS_BYTES(128, 64)];
        if (round % 30 == 0) {
            sheet_open(128, 64);
        }
        memcpy(before, sheet.frame.pixels, sizeof before);
        jl_damage_clear(&sheet.damage);
        call_text(&random);
        call_line(&random);
        call_fill(&random);
        for (int i = 0; i < sheet.damage.count; i++) {
            struct jl_rect r = sheet.damage.rects[i];
            for (int page = r.y / 8; page <= (r.y + r.h - 1) / 8; page++) {
                memcpy(before + page * 128 + r.x, sheet.frame.pixels + page * 128 + r.x,
                       (size_t)r.w);
            }
        }
        test_row("round %d", round);
        EXPECT_BYTES(sheet.frame.pixels, before, sizeof before);
    }
}

/* Images from elsewhere, by hand: what jl_image_check() lets through and what not. */
static void checked_images(void) {
    static const jl_color palette[16] = {0};
    static const uint8_t mask[4] = {0};
    static const struct {
        struct jl_image image;
        uint8_t bytes[8];
        size_t count;
        jl_status status;
    } rows[] = {
        {{.format = &jl_rgb332, .width = 3, .height = 1, .packing = &jl_packing_runs},
         {2, 1, 2, 3},
         4,
         JL_OK},
        {{.format = &jl_rgb332, .width = 3, .height = 1, .packing = &jl_packing_runs},
         {129, 7},
         2,
         JL_OK},
        {{.format = &jl_rgb332, .width = 3, .height = 1, .packing = &jl_packing_runs},
         {130, 7},
         2,
         JL_TOO_SMALL}, /* a run of four in a line of three */
        {{.format = &jl_rgb332, .width = 3, .height = 2, .packing = &jl_packing_runs},
         {129, 7},
         2,
         JL_TOO_SMALL},
        {{.format = &jl_rgb565, .width = 2, .height = 1, .packing = &jl_packing_runs},
         {128, 7},
         2,
         JL_TOO_SMALL}, /* half a pixel */
        {{.format = &jl_rgb332, .width = 3, .height = 2}, {0}, 6, JL_OK},
        {{.format = &jl_rgb332, .width = 3, .height = 2}, {0}, 5, JL_TOO_SMALL},
        {{.format = &jl_mono_columns, .width = 4, .height = 9}, {0}, 7, JL_TOO_SMALL},
        {{.format = &jl_palette4, .width = 3, .height = 2}, {0}, 4, JL_BAD_ARGUMENT},
        {{.format = &jl_palette4, .width = 3, .height = 2, .palette = palette}, {0}, 4, JL_OK},
        {{.format = &jl_rgb332, .width = 3, .height = 2, .mask = mask, .mask_bits = 2},
         {0},
         6,
         JL_BAD_ARGUMENT},
        {{.format = &jl_rgb332, .width = 0, .height = 2}, {0}, 6, JL_BAD_ARGUMENT},
        {{.format = NULL, .width = 3, .height = 2}, {0}, 6, JL_BAD_ARGUMENT},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_image image = rows[i].image;
        image.pixels = rows[i].bytes;
        test_row("row %d", (int)i);
        EXPECT_INT(jl_image_check(&image, rows[i].count), rows[i].status);
    }
    EXPECT_INT(jl_image_check(NULL, 3), JL_BAD_ARGUMENT);
    static const uint8_t few[1];
    struct jl_image wide = {.format = &jl_rgb888, .pixels = few, .width = 21846, .height = 1};
    EXPECT_INT(jl_image_check(&wide, SIZE_MAX), JL_OUT_OF_RANGE);
    wide.width = 21845;
    EXPECT_INT(jl_image_check(&wide, SIZE_MAX), JL_OK);
}

static void checked_masks(void) {
    static const uint8_t mask[16];
    static const struct {
        int width, height, bits;
        size_t bytes;
        jl_status status;
    } rows[] = {{9, 3, 1, 6, JL_OK},
                {9, 3, 1, 5, JL_TOO_SMALL},
                {9, 3, 4, 15, JL_OK},
                {9, 3, 4, 14, JL_TOO_SMALL},
                {8, 1, 1, 1, JL_OK},
                {9, 3, 2, 99, JL_BAD_ARGUMENT},
                {0, 3, 1, 99, JL_BAD_ARGUMENT},
                {3, 0, 4, 99, JL_BAD_ARGUMENT},
                {32767, 32767, 4, 99, JL_TOO_SMALL}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_image image = {.width = (int16_t)rows[i].width,
                                 .height = (int16_t)rows[i].height,
                                 .mask = mask,
                                 .mask_bits = (uint8_t)rows[i].bits};
        test_row("%d x %d of %d bits", rows[i].width, rows[i].height, rows[i].bits);
        EXPECT_INT(jl_image_check_mask(&image, rows[i].bytes), rows[i].status);
        image.mask = NULL;
        EXPECT_INT(jl_image_check_mask(&image, rows[i].bytes), JL_BAD_ARGUMENT);
    }
    EXPECT_INT(jl_image_check_mask(NULL, 9), JL_BAD_ARGUMENT);
}

/* On indices, too, inverting is seen in every pixel and comes back. */
static void inverted_palettes(void) {
    static const struct jl_format *const formats[] = {&jl_palette1, &jl_palette2, &jl_palette4,
                                                      &jl_palette8};
    static jl_color palette[256];
    static uint8_t pixels[32 * 16], before[32 * 16], whole[32 * 16];
    struct test_random random = {7};
    for (int i = 0; i < 256; i++) {
        palette[i] = test_random_next(&random) & 0xFFFFFF;
    }
    for (int f = 0; f < 4; f++) {
        struct jl_frame frame;
        int bits = 1 << f;
        EXPECT_INT(
            jl_frame_init_palette(&frame, formats[f], palette, 32, 16, pixels, sizeof pixels),
            JL_OK);
        for (size_t i = 0; i < sizeof pixels; i++) {
            before[i] = pixels[i] = (uint8_t)test_random_next(&random);
        }
        EXPECT(jl_target_mode(&frame.target, JL_MODE_INVERT, 0));
        for (int ink = 0; ink < 1 << bits; ink += 1 + ink / 16) {
            test_row("%d bits, ink %d", bits, ink);
            jl_fill_rect(&frame.target, (struct jl_rect){3, 1, 21, 9}, palette[ink]);
            memcpy(whole, pixels, sizeof whole);
            int same = 0;
            for (int y = 0; y < 16; y++) {
                for (int x = 0; x < 32; x++) {
                    size_t at = (size_t)(y * 32 + x) * (size_t)bits / 8;
                    int shift = 8 - bits - x * bits % 8;
                    bool inside = x >= 3 && x < 24 && y >= 1 && y < 10;
                    bool changed = (pixels[at] ^ before[at]) >> shift & ((1 << bits) - 1);
                    same += changed != inside;
                }
            }
            EXPECT_INT(same, 0);
            jl_fill_rect(&frame.target, (struct jl_rect){3, 1, 21, 9}, palette[ink]);
            EXPECT_BYTES(pixels, before, sizeof before);
        }
    }
}

/* A colour by the matrix, as a format with such channels keeps it. */
static jl_color dithered(const struct kind *kind, jl_color color, int x, int y) {
    const uint8_t *bits = kind->format->channel_bits;
    bool grey = kind->bits < 8 && kind->format != &jl_black_white_red;
    int r = (int)(color >> 16 & 255), g = (int)(color >> 8 & 255), b = (int)(color & 255);
    if (grey) {
        r = g = b = (r * 77 + g * 150 + b * 29) / 256;
    }
    return kind->store(JL_RGB((jl_color)naive_dithered(r, x, y, bits[0]),
                              (jl_color)naive_dithered(g, x, y, bits[1]),
                              (jl_color)naive_dithered(b, x, y, bits[2])));
}

/* All that is drawn through a dithered target: fills, runs, stencils; turned and cut as the frame.
 */
static void dithered_colors(void) {
    static const jl_color colors[] = {JL_BLACK,     JL_WHITE, JL_GREY(128), JL_GREY(60),
                                      JL_GREY(200), JL_RED,   0x3366CC,     0xFF8080};
    static const uint8_t dots[] = {0x55, 0xAA, 0x0F};
    const struct jl_bitmap map = {dots, 3, 8, &jl_bits_columns};
    for (int k = 0; k < KINDS; k++) {
        for (size_t c = 0; c < sizeof colors / sizeof colors[0]; c++) {
            struct jl_dithered target;
            jl_color color = colors[c];
            test_row("%s, %06lX", kinds[k].name, (unsigned long)color);
            sheet_open_as(&kinds[k], 40, 30, 0);
            jl_target_clip(&sheet.frame.target, (struct jl_rect){0, 0, 38, 30});
            jl_dither(&target, &sheet.frame);
            jl_fill_rect(&target.target, (struct jl_rect){3, 2, 40, 9}, color);
            jl_draw_bitmap(&target.target, 5, 13, &map, color, JL_CLEAR);
            jl_fill_gradient(&target.target, (struct jl_rect){2, 22, 30, 5}, JL_AXIS_X, color,
                             color, NULL);
            int wrong = 0;
            for (int y = 0; y < 30; y++) {
                for (int x = 0; x < 40; x++) {
                    bool filled = x >= 3 && x < 38 && y >= 2 && y < 11;
                    bool dot = x >= 5 && x < 8 && y >= 13 && y < 21 && dots[x - 5] >> (y - 13) & 1;
                    bool shaded = x >= 2 && x < 32 && y >= 22 && y < 27;
                    jl_color seen = kinds[k].see(sheet.frame.pixels, 40, 30, x, y);
                    jl_color fresh = kinds[k].format->clear[0] ? JL_WHITE : JL_BLACK;
                    wrong += seen !=
                             (filled || dot || shaded ? dithered(&kinds[k], color, x, y) : fresh);
                }
            }
            EXPECT_INT(wrong, 0);
        }
    }
}

const struct test_group test_groups[] = {
    {"large_gradients", large_gradients},
    {"dithered_colors", dithered_colors},
    {"checked_images", checked_images},
    {"checked_masks", checked_masks},
    {"inverted_palettes", inverted_palettes},
    {"random_calls", random_calls_equal_reference},
    {"wide_lines_without_length", wide_lines_without_length},
    {"ends_of_a_sweep", ends_of_a_sweep},
    {"small_rectangles", small_rectangles},
    {"font_art", font_equals_its_art},
    {"clips_nest", clips_nest},
    {"sprites_keep_key_out", sprites_keep_their_key_out},
    {"directions_are_exact", directions_are_exact},
    {"shape_properties", shapes_have_their_properties},
    {"line_both_ways", line_is_the_same_both_ways},
    {"damage_follows", damage_follows_changes},
    {NULL, NULL},
};
