/*
 * Smooth shapes against a reference that knows nothing of cuts: each pixel is asked at 32 x 32
 * places, in floating point, whether they lie inside by the shape's definition.
 */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>

#include "harness.h"
#include "jadelamp/jadelamp.h"
#include "stage.h"

enum { W = 72, H = 40, FINE_W = W * 16, FINE_H = H * 16, MOST_POINTS = 8 };

enum kind { DISC, RING, ARC, LINE, POLYLINE, POLYGON, STAR, NEEDLE, ROUNDED, FRAME, KINDS };

static const char *const names[KINDS] = {"disc",    "ring", "arc",    "line",    "polyline",
                                         "polygon", "star", "needle", "rounded", "frame"};

struct shape {
    enum kind kind;
    struct jl_point at[MOST_POINTS];
    size_t count;
    int16_t outer, inner, width;
    jl_direction start;
    uint32_t sweep;
    enum jl_ends ends;
};

/* ---- the reference, in pixels ---- */

static double px(int fine) {
    return fine / 16.0;
}

static double far_from(struct jl_point p, double x, double y) {
    return hypot(x - px(p.x), y - px(p.y));
}

/* Along a line, 0 to 1, and how far beside it. */
static void beside(struct jl_point a, struct jl_point b, double x, double y, double *along,
                   double *away) {
    double dx = px(b.x - a.x), dy = px(b.y - a.y), square = dx * dx + dy * dy;
    *along = ((x - px(a.x)) * dx + (y - px(a.y)) * dy) / square;
    *away = fabs((x - px(a.x)) * dy - (y - px(a.y)) * dx) / sqrt(square);
}

static bool in_line(struct jl_point a, struct jl_point b, double half, bool round_a, bool round_b,
                    double x, double y) {
    double along, away;
    if (a.x != b.x || a.y != b.y) {
        beside(a, b, x, y, &along, &away);
        if (along >= 0 && along <= 1 && away <= half) {
            return true;
        }
    }
    return (round_a && far_from(a, x, y) <= half) || (round_b && far_from(b, x, y) <= half);
}

static bool in_polygon(const struct jl_point *p, size_t count, double x, double y) {
    bool in = false;
    for (size_t i = 0; i < count; i++) {
        struct jl_point a = p[i], b = p[(i + 1) % count];
        if ((px(a.y) > y) != (px(b.y) > y)) {
            double at = px(a.x) + (y - px(a.y)) * px(b.x - a.x) / px(b.y - a.y);
            in ^= at > x;
        }
    }
    return in;
}

static bool in_rounded(double left, double top, double right, double bottom, double r, double x,
                       double y) {
    if (x < left || x > right || y < top || y > bottom) {
        return false;
    }
    double cx = fmin(fmax(x, left + r), right - r), cy = fmin(fmax(y, top + r), bottom - r);
    return hypot(x - cx, y - cy) <= r || (cx == x && cy == y);
}

static double turn_of(uint32_t direction) {
    return direction * 2 * acos(-1) / 65536;
}

static bool in_arc(const struct shape *s, double x, double y) {
    double dx = x - px(s->at[0].x), dy = y - px(s->at[0].y), far = hypot(dx, dy);
    double inner = s->inner > 0 ? px(s->inner) : 0;
    double from_start = fmod(atan2(dx, -dy) - turn_of(s->start) + 8 * acos(-1), 2 * acos(-1));
    if (far <= px(s->outer) && far >= inner && from_start <= turn_of(s->sweep)) {
        return true;
    }
    for (int i = 0; i < 2 && s->ends == JL_ENDS_ROUND; i++) {
        double turn = turn_of(s->start) + (i ? turn_of(s->sweep) : 0);
        double middle = (px(s->outer) + inner) / 2;
        if (hypot(dx - middle * sin(turn), dy + middle * cos(turn)) <= (px(s->outer) - inner) / 2) {
            return true;
        }
    }
    return false;
}

static bool in_needle(const struct shape *s, double x, double y) {
    double turn = turn_of(s->start), dx = x - px(s->at[0].x), dy = y - px(s->at[0].y);
    double along = dx * sin(turn) - dy * cos(turn), away = fabs(dx * cos(turn) + dy * sin(turn));
    double length = px(s->outer), tail = px(s->inner);
    return along >= -tail && along <= length &&
           away <= px(s->width) / 2 * (length - along) / length;
}

static bool inside(const struct shape *s, double x, double y) {
    double far = far_from(s->at[0], x, y), left = px(s->at[0].x), top = px(s->at[0].y);
    double right = px(s->at[1].x), bottom = px(s->at[1].y), width = px(s->width);
    bool round = s->ends == JL_ENDS_ROUND;
    switch (s->kind) {
    case DISC:
        return far <= px(s->outer);
    case RING:
        return far <= px(s->outer) && far >= px(s->inner);
    case ARC:
        return in_arc(s, x, y);
    case LINE:
        return in_line(s->at[0], s->at[1], width / 2, round, round, x, y);
    case POLYLINE:
        for (size_t i = 0; i + 1 < s->count; i++) {
            if (in_line(s->at[i], s->at[i + 1], width / 2, i > 0 || round,
                        i + 2 < s->count || round, x, y)) {
                return true;
            }
        }
        return false;
    case POLYGON:
    case STAR:
        return in_polygon(s->at, s->count, x, y);
    case NEEDLE:
        return in_needle(s, x, y);
    default: {
        double most = fmin(right - left, bottom - top) / 2, r = fmin(px(s->outer), most);
        return in_rounded(left, top, right, bottom, r, x, y) &&
               (s->kind == ROUNDED || !in_rounded(left + width, top + width, right - width,
                                                  bottom - width, fmax(r - width, 0), x, y));
    }
    }
}

/* Of 1024 places; pixels that look whole at 36 of them, and were drawn so, are taken for whole. */
static double share(const struct shape *s, int x, int y, int seen) {
    int hits = 0;
    for (int i = 0; i < 36; i++) {
        hits += inside(s, x + i % 6 / 5.0, y + i / 6 / 5.0);
    }
    if ((hits == 0 && seen == 0) || (hits == 36 && seen == 255)) {
        return hits ? 1 : 0;
    }
    hits = 0;
    for (int i = 0; i < 1024; i++) {
        hits += inside(s, x + (i % 32 + 0.5) / 32, y + (i / 32 + 0.5) / 32);
    }
    return hits / 1024.0;
}

/* ---- what is tested ---- */

static void draw(struct jl_target *t, const struct shape *s, jl_color ink, jl_color paper) {
    struct jl_rect rect = {s->at[0].x, s->at[0].y, (int16_t)(s->at[1].x - s->at[0].x),
                           (int16_t)(s->at[1].y - s->at[0].y)};
    switch (s->kind) {
    case DISC:
        jl_smooth_disc(t, s->at[0], s->outer, ink, paper);
        break;
    case RING:
        jl_smooth_ring(t, s->at[0], s->outer, s->inner, ink, paper);
        break;
    case ARC:
        jl_smooth_arc(t, s->at[0], s->outer, s->inner, s->start, s->sweep, s->ends, ink, paper);
        break;
    case LINE:
        jl_smooth_line(t, s->at[0], s->at[1], s->width, s->ends, ink, paper);
        break;
    case POLYLINE:
        jl_smooth_polyline(t, s->at, s->count, s->width, s->ends, ink, paper);
        break;
    case NEEDLE:
        jl_smooth_needle(t, s->at[0], s->start, s->outer, s->inner, s->width, ink, paper);
        break;
    case ROUNDED:
        jl_smooth_rounded(t, rect, s->outer, ink, paper);
        break;
    case FRAME:
        jl_smooth_rounded_frame(t, rect, s->outer, s->width, ink, paper);
        break;
    default:
        jl_smooth_polygon(t, s->at, s->count, ink, paper);
    }
}

static struct jl_point somewhere(struct test_random *random) {
    return (struct jl_point){(int16_t)test_random_between(random, -40, FINE_W + 40),
                             (int16_t)test_random_between(random, -40, FINE_H + 40)};
}

static struct shape random_shape(struct test_random *random, enum kind kind) {
    struct shape s = {.kind = kind};
    for (int i = 0; i < MOST_POINTS; i++) {
        s.at[i] = somewhere(random);
    }
    s.outer = (int16_t)test_random_between(random, 8, 320);
    s.inner = (int16_t)test_random_between(random, 0, s.outer - 8);
    if (s.outer % 4 == 0) {
        s.inner = 0;
    }
    s.width = (int16_t)test_random_between(random, 8, 120);
    s.start = (jl_direction)test_random_next(random);
    s.sweep = (uint32_t)test_random_between(random, 1000, 65536);
    if (kind == ARC && s.outer % 4 == 0) { /* a narrow notch, whose rays meet within a row */
        s.start = JL_DEGREES(100);
        s.sweep = JL_SWEEP(340);
    }
    s.ends = test_random_next(random) & 1 ? JL_ENDS_ROUND : JL_ENDS_FLAT;
    s.count = kind == POLYLINE  ? (size_t)test_random_between(random, 2, 5)
              : kind == POLYGON ? 3
                                : 5;
    if (kind == STAR && s.outer % 3 == 0) { /* tall and narrow: sides cross within a row */
        for (int i = 0; i < 4; i++) {
            static const struct jl_point bow[4] = {{0, 0}, {40, 560}, {0, 560}, {40, 0}};
            s.at[i] = (struct jl_point){(int16_t)(300 + s.width + bow[i].x),
                                        (int16_t)(20 + s.width / 4 + bow[i].y)};
        }
        s.count = 4;
    }
    if (kind == ROUNDED || kind == FRAME) {
        s.at[1] = (struct jl_point){(int16_t)(s.at[0].x + test_random_between(random, 16, 700)),
                                    (int16_t)(s.at[0].y + test_random_between(random, 16, 500))};
        s.outer = (int16_t)test_random_between(random, 0, 160);
        s.width = (int16_t)test_random_between(random, 8, 64);
    }
    return s;
}

static uint8_t pixels[JL_RGB888_BYTES(W, H)], plain_pixels[JL_RGB888_BYTES(W, H)];

static struct jl_frame fresh(void *memory, size_t bytes) {
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, W, H, memory, bytes), JL_OK);
    return frame;
}

static int red_at(const uint8_t *memory, int x, int y) {
    return memory[(y * W + x) * 3];
}

/* The promise is 1/16 of a pixel; the figures that are printed are in docs/drawing.md. */
static void areas(void) {
    struct test_random random = {7};
    for (enum kind kind = 0; kind < KINDS; kind++) {
        double worst = 0, sum = 0;
        int edges = 0;
        for (int round = 0; round < test_cases(80); round++) {
            struct shape s = random_shape(&random, kind);
            struct jl_frame frame = fresh(pixels, sizeof pixels);
            draw(&frame.target, &s, JL_WHITE, JL_CLEAR);
            for (int i = 0; i < W * H; i++) {
                int seen = red_at(pixels, i % W, i / W);
                double expected = share(&s, i % W, i / W, seen);
                double off = fabs(seen / 255.0 - expected);
                if (off > 1.0 / 16) {
                    test_row("%s %d: at %d,%d", names[kind], round, i % W, i / W);
                    EXPECT_INT(seen, lround(expected * 255));
                }
                worst = fmax(worst, off);
                sum += off;
                edges += expected > 0 && expected < 1;
            }
        }
        test_row("%s", names[kind]);
        EXPECT(edges > 60);
        EXPECT(worst <= 1.0 / 16);
        printf("  %-10s largest error %.4f, on average %.4f\n", names[kind], worst, sum / edges);
    }
}

/* Straight edges on sixteenths: the share to the nearest of 255, exactly. */
static void exact_shares(void) {
    for (int16_t width = 1; width <= 16; width++) {
        for (int16_t height = 1; height <= 16; height++) {
            struct jl_frame frame = fresh(pixels, sizeof pixels);
            struct jl_rect rect = {(int16_t)(JL_FINE(6) - width), JL_FINE(7), width, height};
            jl_smooth_rounded(&frame.target, rect, 0, JL_WHITE, JL_CLEAR);
            test_row("%d by %d sixteenths", width, height);
            EXPECT_INT(red_at(pixels, 5, 7), lround(width * height / 256.0 * 255));
            EXPECT_INT(red_at(pixels, 4, 7) + red_at(pixels, 6, 7), 0);
            EXPECT_INT(red_at(pixels, 5, 6) + red_at(pixels, 5, 8), 0);
        }
    }
}

/* Everything of every kind, drawn with a clip on each quarter in turn, on a turned target, with
 * known paper, and through the panel itself: always the same pixels. */
static void same_everywhere(void) {
    struct test_random random = {11};
    for (int round = 0; round < 10 * KINDS; round++) {
        struct shape s = random_shape(&random, (enum kind)(round % KINDS));
        struct jl_frame whole = fresh(pixels, sizeof pixels);
        struct jl_frame other = fresh(plain_pixels, sizeof plain_pixels);
        test_row("%s %d", names[s.kind], round);
        jl_clear(&whole.target, JL_TEAL);
        draw(&whole.target, &s, JL_ORANGE, JL_CLEAR);
        jl_clear(&other.target, JL_TEAL);
        for (int16_t part = 0; part < 4; part++) {
            struct jl_rect quarter = {part % 2 ? 29 : 0, part / 2 ? 17 : 0, part % 2 ? W : 29,
                                      part / 2 ? H : 17};
            struct jl_rect before = jl_target_clip(&other.target, quarter);
            draw(&other.target, &s, JL_ORANGE, JL_CLEAR);
            jl_target_unclip(&other.target, before);
        }
        EXPECT_BYTES(plain_pixels, pixels, sizeof pixels);
        jl_clear(&other.target, JL_TEAL);
        draw(&other.target, &s, JL_ORANGE, JL_TEAL);
        EXPECT_BYTES(plain_pixels, pixels, sizeof pixels);
    }
}

/* Where the middle of a disc or a rounded rectangle is one of pixels or lies between two, its right
 * half is its left one, mirrored; with a clip, each is drawn by itself. On noise, in formats that
 * mix.
 */
static void halves(void) {
    static const enum kind kinds[] = {DISC, RING, ROUNDED, FRAME};
    static const struct jl_format *const formats[] = {&jl_rgb565, &jl_rgb565_cpu, &jl_rgb888,
                                                      &jl_rgb332, &jl_grey4};
    struct test_random random = {17};
    for (int round = 0; round < 4 * test_cases(200); round++) {
        struct shape s = random_shape(&random, kinds[round % 4]);
        int16_t half = (int16_t)test_random_between(&random, 8, FINE_H / 2 - 8);
        int16_t middle_x = (int16_t)(FINE_W / 2 + (round & 8)),
                middle_y = (int16_t)(FINE_H / 2 + (round & 16) / 2);
        const struct jl_format *format = formats[round % 5];
        struct jl_frame whole, other;
        EXPECT_INT(jl_frame_init(&whole, format, W, H, pixels, sizeof pixels), JL_OK);
        EXPECT_INT(jl_frame_init(&other, format, W, H, plain_pixels, sizeof plain_pixels), JL_OK);
        for (size_t i = 0; i < sizeof pixels; i++) {
            pixels[i] = plain_pixels[i] = (uint8_t)test_random_next(&random);
        }
        s.at[0] = (struct jl_point){middle_x, middle_y};
        s.at[1] = (struct jl_point){(int16_t)(middle_x + half), (int16_t)(middle_y + half / 2)};
        s.outer = half;
        s.inner = (int16_t)(half * 3 / 4);
        if (s.kind == ROUNDED || s.kind == FRAME) {
            s.at[0] = (struct jl_point){(int16_t)(middle_x - half), (int16_t)(middle_y - half)};
            s.outer = (int16_t)test_random_between(&random, 0, half);
        }
        test_row("%s %d of %d", names[s.kind], round, half);
        draw(&whole.target, &s, JL_TEAL, round % 3 ? JL_CLEAR : JL_NAVY);
        /* One of the strips begins at the middle, so that no shape lies within one. */
        for (int16_t left = W / 2 - 58; left < W; left = (int16_t)(left + 29)) {
            struct jl_rect before = jl_target_clip(&other.target, (struct jl_rect){left, 0, 29, H});
            draw(&other.target, &s, JL_TEAL, round % 3 ? JL_CLEAR : JL_NAVY);
            jl_target_unclip(&other.target, before);
        }
        EXPECT_BYTES(plain_pixels, pixels, sizeof pixels);
    }
}

enum { WIDE = 250, FINE_MIDDLE = WIDE * 8 };

/* What is wider than the engine's window, up to two of them: drawn whole, by its left half; cut
 * into strips, by both; on noise. Each pixel is what the shape covers of it. */
static void wide_halves(void) {
    static const enum kind kinds[] = {DISC, RING, ROUNDED, FRAME};
    static uint8_t whole[JL_RGB888_BYTES(WIDE, WIDE)], strips[JL_RGB888_BYTES(WIDE, WIDE)];
    struct test_random random = {23};
    for (int round = 0; round < 4 * test_cases(24); round++) {
        int16_t half = (int16_t)test_random_between(&random, 60 * 16, 125 * 16);
        if (round < 8) { /* by less than a pixel more than two windows hold */
            half = 120 * 16 + 11;
        }
        int16_t x = (int16_t)(FINE_MIDDLE + (round & 4) * 2),
                y = (int16_t)(FINE_MIDDLE + round % 16);
        struct shape s = {.kind = kinds[round % 4], .at = {{x, y}}, .outer = half};
        s.inner = (int16_t)(half - test_random_between(&random, 8, half - 8));
        s.width = (int16_t)test_random_between(&random, 8, 400);
        if (s.kind == ROUNDED || s.kind == FRAME) {
            s.at[0] = (struct jl_point){(int16_t)(x - half), (int16_t)(y - 900)};
            s.at[1] = (struct jl_point){(int16_t)(x + half), (int16_t)(y + 900)};
            s.outer = (int16_t)test_random_between(&random, 0, 900);
        }
        bool on_noise = round / 4 % 4;
        for (size_t i = 0; i < sizeof whole; i++) {
            whole[i] = strips[i] = on_noise ? (uint8_t)test_random_next(&random) : 0;
        }
        struct jl_frame frames[2];
        EXPECT_INT(jl_frame_init(&frames[0], &jl_rgb888, WIDE, WIDE, whole, sizeof whole), JL_OK);
        EXPECT_INT(jl_frame_init(&frames[1], &jl_rgb888, WIDE, WIDE, strips, sizeof strips), JL_OK);
        test_row("%s %d of %d", names[s.kind], round, half);
        draw(&frames[0].target, &s, JL_WHITE, JL_CLEAR);
        for (int16_t left = 0; left < WIDE; left = (int16_t)(left + 29)) {
            struct jl_rect strip = {left, 0, 29, WIDE};
            struct jl_rect before = jl_target_clip(&frames[1].target, strip);
            draw(&frames[1].target, &s, JL_WHITE, JL_CLEAR);
            jl_target_unclip(&frames[1].target, before);
        }
        EXPECT_BYTES(strips, whole, sizeof whole);
        double worst = 0;
        for (int i = 0; i < WIDE * WIDE && !on_noise; i++) {
            int seen = whole[3 * i];
            worst = fmax(worst, fabs(seen / 255.0 - share(&s, i % WIDE, i / WIDE, seen)));
        }
        EXPECT(worst <= 1.0 / 16);
    }
}

/* Turned by a half: the picture's last row is the memory's first. */
static void turned(void) {
    struct test_random random = {13};
    for (int round = 0; round < 2 * KINDS; round++) {
        struct shape s = random_shape(&random, (enum kind)(round % KINDS));
        struct jl_frame upright = fresh(pixels, sizeof pixels);
        struct jl_frame other = fresh(plain_pixels, sizeof plain_pixels);
        draw(&upright.target, &s, JL_WHITE, JL_CLEAR);
        jl_target_turn(&other.target, JL_TURN_180);
        draw(&other.target, &s, JL_WHITE, JL_CLEAR);
        int differ = 0;
        for (int i = 0; i < W * H; i++) {
            differ +=
                red_at(pixels, i % W, i / W) != red_at(plain_pixels, W - 1 - i % W, H - 1 - i / W);
        }
        test_row("%s", names[s.kind]);
        EXPECT_INT(differ, 0);
    }
}

static uint8_t lit[JL_MONO_ROWS_BYTES(W, H)], lit_too[JL_MONO_ROWS_BYTES(W, H)];

static struct jl_frame mono(void *memory) {
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_rows, W, H, memory, sizeof lit), JL_OK);
    return frame;
}

/* Without shades they are the hard shapes of the same middle and size. */
static void hard_without_shades(void) {
    struct test_random random = {17};
    for (int round = 0; round < 300; round++) {
        struct jl_frame smooth = mono(lit), hard = mono(lit_too);
        int16_t x = (int16_t)test_random_between(&random, -10, W + 10);
        int16_t y = (int16_t)test_random_between(&random, -10, H + 10);
        int16_t r = (int16_t)test_random_between(&random, 0, 30), inner = (int16_t)(r - round % 7);
        struct jl_point middle = jl_fine_middle(x, y);
        struct jl_rect rect = {x, y, (int16_t)(2 * r + 1 + round % 5), (int16_t)(2 * r + 1)};
        struct jl_rect fine = {JL_FINE(rect.x), JL_FINE(rect.y), JL_FINE(rect.w), JL_FINE(rect.h)};
        switch (round % 3) {
        case 0:
            jl_smooth_disc(&smooth.target, middle, (int16_t)(JL_FINE(r) + 8), JL_WHITE, JL_CLEAR);
            jl_fill_circle(&hard.target, x, y, r, JL_WHITE);
            break;
        case 1:
            jl_smooth_ring(&smooth.target, middle, (int16_t)(JL_FINE(r) + 8),
                           (int16_t)(JL_FINE(inner) - 8), JL_WHITE, JL_CLEAR);
            jl_fill_ring(&hard.target, x, y, r, inner, 0, JL_SWEEP(360), JL_WHITE);
            break;
        default:
            jl_smooth_rounded(&smooth.target, fine, (int16_t)(JL_FINE(inner > 0 ? inner : 0) + 8),
                              JL_WHITE, JL_CLEAR);
            jl_fill_rounded(&hard.target, rect, inner, JL_WHITE);
        }
        test_row("%d: %d,%d radius %d", round, x, y, r);
        EXPECT_BYTES(lit, lit_too, sizeof lit);
    }
}

/* A hair is a whole pixel there: one in each column, or more. */
static void hard_lines_have_no_gaps(void) {
    for (int16_t rise = -30; rise <= 30; rise++) {
        struct jl_frame frame = mono(lit);
        jl_smooth_line(&frame.target, jl_fine_middle(0, 20),
                       jl_fine_middle(W - 1, (int16_t)(20 + rise / 2)), 3, JL_ENDS_ROUND, JL_WHITE,
                       JL_CLEAR);
        for (int16_t x = 0; x < W; x++) {
            int set = 0;
            for (int16_t y = 0; y < H; y++) {
                set += lit[y * (W / 8) + x / 8] >> (7 - x % 8) & 1;
            }
            test_row("rise %d, column %d", rise, x);
            EXPECT(set >= 1 && set <= 2);
        }
    }
}

/* Each pixel once: a second inversion takes the first one back, and a blend is not doubled. */
static void once(void) {
    struct test_random random = {19};
    for (int round = 0; round < 3 * KINDS; round++) {
        struct shape s = random_shape(&random, (enum kind)(round % KINDS));
        struct jl_frame frame = fresh(pixels, sizeof pixels);
        struct jl_frame solid = fresh(plain_pixels, sizeof plain_pixels);
        test_row("%s", names[s.kind]);
        EXPECT(jl_target_mode(&frame.target, JL_MODE_INVERT, 0));
        draw(&frame.target, &s, JL_WHITE, JL_CLEAR);
        draw(&frame.target, &s, JL_WHITE, JL_CLEAR);
        int left = 0;
        for (size_t i = 0; i < sizeof pixels; i++) {
            left += pixels[i] != 0;
        }
        EXPECT_INT(left, 0);
        EXPECT(jl_target_mode(&frame.target, JL_MODE_BLEND, 102));
        draw(&frame.target, &s, JL_WHITE, JL_CLEAR);
        draw(&solid.target, &s, JL_WHITE, JL_CLEAR);
        int off = 0;
        for (int i = 0; i < W * H; i++) { /* 102 of 255 are two fifths */
            off +=
                abs(5 * red_at(pixels, i % W, i / W) - 2 * red_at(plain_pixels, i % W, i / W)) > 5;
        }
        EXPECT_INT(off, 0);
    }
}

/* What makes no sense draws nothing; what is absurd ends, and stays within the frame. */
static void odd_and_absurd(void) {
    static const struct shape nothing[] = {
        {.kind = DISC, .outer = 0},
        {.kind = DISC, .outer = -5},
        {.kind = RING, .outer = 50, .inner = 50},
        {.kind = ARC, .outer = 50, .inner = 60, .sweep = 100},
        {.kind = ARC, .outer = 50, .inner = 20, .sweep = 0},
        {.kind = LINE, .at = {{20, 20}, {300, 300}}, .width = 0},
        {.kind = LINE, .at = {{200, 200}, {200, 200}}, .width = 30, .ends = JL_ENDS_FLAT},
        {.kind = POLYLINE, .at = {{200, 200}}, .count = 1, .width = 30},
        {.kind = POLYLINE, .at = {{20, 20}, {300, 300}, {300, 20}}, .count = 3, .width = 0},
        {.kind = POLYLINE, .at = {{20, 20}, {300, 300}, {300, 20}}, .count = 3, .width = -16},
        {.kind = POLYGON, .at = {{0, 0}, {900, 300}}, .count = 2},
        {.kind = NEEDLE, .at = {{300, 300}}, .outer = 0, .inner = 10, .width = 20},
        {.kind = NEEDLE, .at = {{300, 300}}, .outer = 100, .inner = -1, .width = 20},
        {.kind = ROUNDED, .at = {{100, 100}, {100, 300}}, .outer = 20},
        {.kind = FRAME, .at = {{100, 100}, {300, 300}}, .outer = 20, .width = 0},
    };
    struct jl_frame frame = fresh(pixels, sizeof pixels);
    static const uint8_t black[sizeof pixels];
    for (size_t i = 0; i < sizeof nothing / sizeof nothing[0]; i++) {
        draw(&frame.target, &nothing[i], JL_WHITE, JL_CLEAR);
        test_row("%s", names[nothing[i].kind]);
        EXPECT_BYTES(pixels, black, sizeof black);
    }
    struct shape disc = {.kind = DISC, .at = {{300, 300}}, .outer = 90};
    draw(&frame.target, &disc, JL_CLEAR, JL_WHITE);
    EXPECT_BYTES(pixels, black, sizeof black);
    struct test_random random = {23};
    for (int round = 0; round < 40 * KINDS; round++) {
        struct shape s = {.kind = (enum kind)(round % KINDS), .count = MOST_POINTS};
        for (int i = 0; i < MOST_POINTS; i++) {
            s.at[i] = (struct jl_point){test_random_coordinate(&random, FINE_W),
                                        test_random_coordinate(&random, FINE_H)};
        }
        s.outer = test_random_coordinate(&random, FINE_W);
        s.inner = test_random_coordinate(&random, FINE_W);
        s.width = test_random_coordinate(&random, FINE_W);
        s.start = (jl_direction)test_random_next(&random);
        s.sweep = test_random_next(&random);
        s.ends = round & 1 ? JL_ENDS_ROUND : JL_ENDS_FLAT;
        draw(&frame.target, &s, JL_WHITE, JL_CLEAR);
    }
    struct shape all = {.kind = DISC, .at = {{600, 300}}, .outer = INT16_MAX};
    draw(&frame.target, &all, JL_RED, JL_CLEAR);
    EXPECT_INT(red_at(pixels, 3, 3), 255);
    EXPECT_INT(pixels[(3 * W + 3) * 3 + 1], 0);
}

/* A comb of strokes, more than fit one window's list: what is lost are gaps, never strokes. */
static void many_strokes(void) {
    enum { TEETH = 36 };
    struct jl_point comb[2 * TEETH];
    struct jl_frame frame = fresh(pixels, sizeof pixels);
    for (int16_t i = 0; i < TEETH; i++) {
        comb[2 * i] = jl_fine_middle((int16_t)(2 * i), i % 2 ? 39 : 0);
        comb[2 * i + 1] = jl_fine_middle((int16_t)(2 * i), i % 2 ? 0 : 39);
    }
    jl_smooth_polyline(&frame.target, comb, 2 * TEETH, 8, JL_ENDS_FLAT, JL_WHITE, JL_CLEAR);
    for (int i = 0; i < TEETH; i++) {
        EXPECT(red_at(pixels, 2 * i, 20) >= 127);
    }
}

/* The panel itself as the target: with known paper the same as a frame, without it hard. */
static void straight_to_the_panel(void) {
    struct test_random random = {29};
    for (int round = 0; round < 2 * KINDS; round++) {
        struct shape s = random_shape(&random, (enum kind)(round % KINDS));
        jl_color paper = round < KINDS ? JL_NAVY : JL_CLEAR;
        struct stage stage;
        struct jl_direct direct;
        uint8_t buffer[128];
        const struct make *make = make_named("st7735 128x160 strapped");
        stage_open(&stage, make, &(struct wish){0});
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_direct_init(&direct, &stage.panel, buffer, sizeof buffer), JL_OK);
        jl_clear(&direct.target, JL_NAVY);
        draw(&direct.target, &s, JL_YELLOW, paper);
        EXPECT_INT(direct.status, JL_OK);
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_clear(&frame.target, JL_NAVY);
        if (paper == JL_CLEAR) { /* pixels that a hard edge takes: black and white tell them */
            static uint8_t memory[JL_MONO_ROWS_BYTES(240, 320)];
            struct jl_frame bits;
            EXPECT_INT(jl_frame_init(&bits, &jl_mono_rows, frame.target.width, frame.target.height,
                                     memory, sizeof memory),
                       JL_OK);
            draw(&bits.target, &s, JL_WHITE, JL_CLEAR);
            struct jl_bitmap map = {memory, frame.target.width, frame.target.height,
                                    &jl_bits_rows_msb};
            jl_draw_bitmap(&frame.target, 0, 0, &map, JL_YELLOW, JL_CLEAR);
        } else {
            draw(&frame.target, &s, JL_YELLOW, paper);
        }
        test_row("%s on %s", names[s.kind], round < KINDS ? "paper" : "what is there");
        stage_expect_shown(&stage, make, &frame);
        stage_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"areas", areas},
    {"exact_shares", exact_shares},
    {"same_everywhere", same_everywhere},
    {"halves", halves},
    {"wide_halves", wide_halves},
    {"turned", turned},
    {"hard_without_shades", hard_without_shades},
    {"hard_lines_have_no_gaps", hard_lines_have_no_gaps},
    {"once", once},
    {"odd_and_absurd", odd_and_absurd},
    {"many_strokes", many_strokes},
    {"straight_to_the_panel", straight_to_the_panel},
    {NULL, NULL},
};
