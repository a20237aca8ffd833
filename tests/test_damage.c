/* Damage: never less than what changed, and little more; and triangles, whose rows are single. */
#include "harness.h"

#include <string.h>

#include "jadelamp/host/rig.h"
#include "jadelamp/jadelamp.h"

enum { WIDTH = 240, HEIGHT = 320, MOST_BYTES = WIDTH * HEIGHT * 4 };

static uint8_t pixels[MOST_BYTES], before[MOST_BYTES];
static struct jl_frame frame;
static struct jl_damage damage;

static void open_frame(const struct jl_format *format, int16_t width, int16_t height) {
    EXPECT_INT(jl_frame_init(&frame, format, width, height, pixels, sizeof pixels), JL_OK);
    jl_frame_track(&frame, &damage);
    jl_damage_clear(&damage);
}

/* ---- all of it ---- */

static bool is_damaged(int x, int y) {
    for (int i = 0; i < damage.count; i++) {
        const struct jl_rect *r = &damage.rects[i];
        if (x >= r->x && x < r->x + r->w && y >= r->y && y < r->y + r->h) {
            return true;
        }
    }
    return false;
}

static struct jl_point random_point(struct test_random *random) {
    return (struct jl_point){test_random_coordinate(random, 200),
                             test_random_coordinate(random, 300)};
}

static void draw_something(struct test_random *random) {
    struct jl_target *t = &frame.target;
    struct jl_point a = random_point(random), b = random_point(random), c = random_point(random);
    int16_t radius = (int16_t)test_random_between(random, 0, 90);
    jl_color color = (jl_color)test_random_next(random) & 0xFFFFFF;
    const struct jl_point path[] = {a, b, c, {a.x, c.y}};
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
    struct jl_point fine = {(int16_t)(a.x * 16 / 2), (int16_t)(a.y * 16 / 2)};
    struct jl_point far = {(int16_t)(b.x * 16 / 2), (int16_t)(b.y * 16 / 2)};
    static const struct jl_text_style soft = {
        .font = &jl_font_sans16, .ink = JL_WHITE, .paper = JL_CLEAR};
    static uint8_t boat[JL_RGB888_BYTES(24, 16)], mask[24 * 16 / 8];
    struct jl_image image = {.format = test_random_next(random) & 1 ? frame.format : &jl_rgb888,
                             .pixels = boat,
                             .width = 24,
                             .height = 16,
                             .mask = mask,
                             .mask_bits = 1};
    boat[a.x & 255] = mask[b.y & 31] = (uint8_t)color;
    switch (test_random_between(random, 0, 15)) {
    case 15:
        jl_draw_image(t, a.x, a.y, &image);
        break;
    case 10:
        jl_smooth_disc(t, fine, (int16_t)(radius * 13), color, JL_CLEAR);
        break;
    case 11:
        jl_smooth_arc(t, fine, (int16_t)(radius * 13), (int16_t)(radius * 9),
                      (jl_direction)(b.x * 99), 40000, JL_ENDS_ROUND, color, JL_CLEAR);
        break;
    case 12:
        jl_smooth_line(t, fine, far, (int16_t)(16 + radius), JL_ENDS_FLAT, color, JL_BLACK);
        break;
    case 13:
        jl_smooth_rounded_frame(t, (struct jl_rect){fine.x, fine.y, 1500, 900}, 200, 60, color,
                                JL_CLEAR);
        break;
    case 14:
        jl_text(t, a.x, a.y, "12.34 m", &soft);
        break;
    case 0:
        jl_draw_line(t, a.x, a.y, b.x, b.y, color);
        break;
    case 1:
        jl_stroke_circle(t, a.x, a.y, radius, color);
        break;
    case 2:
        jl_fill_triangle(t, a, b, c, color);
        break;
    case 3:
        jl_fill_polygon(t, path, 4, color);
        break;
    case 4:
        jl_fill_ring(t, a.x, a.y, radius, (int16_t)(radius / 2), JL_DEGREES(30), JL_SWEEP(200),
                     color);
        break;
    case 5:
        jl_draw_wide_line(t, b, c, 7, color);
        break;
    case 6:
        jl_stroke_rounded(t, (struct jl_rect){a.x, a.y, 80, 50}, 12, color);
        break;
    case 7:
        jl_stroke_ellipse(t, a.x, a.y, radius, 30, color);
        break;
    case 8:
        jl_text(t, a.x, a.y, "12.34 m", &style);
        break;
    default:
        jl_draw_pixel(t, a.x, a.y, color);
        break;
    }
}

/* Pixels that differ from what was there at the last clearing, and are not damaged. */
static long missed(void) {
    long count = 0;
    for (int16_t y = 0; y < 300; y++) {
        for (int16_t x = 0; x < 200; x = (int16_t)(x + 8)) {
            struct jl_frame old = frame;
            jl_color then[8], now[8];
            old.pixels = before;
            frame.format->ops.get(&old.target, x, y, 8, then);
            frame.format->ops.get(&frame.target, x, y, 8, now);
            for (int i = 0; i < 8; i++) {
                count += then[i] != now[i] && !is_damaged(x + i, y);
            }
        }
    }
    return count;
}

static void nothing_is_missed(void) {
    static const struct jl_format *const formats[] = {&jl_rgb565, &jl_mono_columns, &jl_grey4,
                                                      &jl_mono_rows, &jl_rgb888};
    struct test_random random = {77};
    for (size_t i = 0; i < sizeof formats / sizeof formats[0]; i++) {
        open_frame(formats[i], 200, 300);
        uint32_t bytes = jl_frame_bytes(formats[i], 200, 300);
        for (int n = 0; n < 301; n++) {
            test_row("format %d, drawing %d", (int)i, n);
            if (n % 3 == 0) {
                EXPECT_INT(n ? missed() : 0, 0);
                jl_damage_clear(&damage); /* else lists are full */
                memcpy(before, pixels, bytes);
            }
            if (n % 50 == 0) {
                jl_target_turn(&frame.target, (uint8_t)(n / 50 % 8));
            }
            jl_target_mode(&frame.target, n % 9 == 4 ? JL_MODE_BLEND : JL_MODE_REPLACE, 120);
            draw_something(&random);
            EXPECT(damage.count <= JL_DAMAGE_RECTS);
        }
    }
}

/* ---- little more ---- */

/* On SPI: two bytes a pixel, and eleven a window. */
static long bytes_to_send(void) {
    long bytes = 0;
    for (int i = 0; i < damage.count; i++) {
        bytes += 11 + 2L * damage.rects[i].w * damage.rects[i].h;
    }
    return bytes;
}

static void diagonal(struct jl_target *t) {
    jl_draw_line(t, 0, 0, WIDTH - 1, HEIGHT - 1, JL_WHITE);
}

static void other_diagonal(struct jl_target *t) {
    jl_draw_line(t, WIDTH - 1, 0, 0, HEIGHT - 1, JL_WHITE);
}

static void circle(struct jl_target *t) {
    jl_stroke_circle(t, 120, 160, 100, JL_WHITE);
}

static void dashboard(struct jl_target *t) {
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_BLACK};
    for (int i = 0; i < 16; i++) {
        jl_text(t, (int16_t)(10 + i % 4 * 58), (int16_t)(12 + i / 4 * 76), "12.34", &style);
    }
}

/* A filled triangle over half of the glass: twelve windows waste a twelfth of its box or so. */
static void half(struct jl_target *t) {
    jl_fill_triangle(t, (struct jl_point){0, 0}, (struct jl_point){WIDTH - 1, HEIGHT - 1},
                     (struct jl_point){0, HEIGHT - 1}, JL_WHITE);
}

/* A shape when all windows are in use: by hand, four for the rows and eight for the line. */
static void dashboard_and_diagonal(struct jl_target *t) {
    dashboard(t);
    diagonal(t);
}

static void twelve_windows_do(void) {
    static const struct {
        const char *name;
        void (*draw)(struct jl_target *t);
        long best; /* bytes with the best twelve windows, worked out by an outside search */
    } rows[] = {{"diagonal", diagonal, 14232},
                {"other diagonal", other_diagonal, 14232},
                {"circle", circle, 15696},
                {"dashboard", dashboard, 8364},
                {"dashboard and diagonal", dashboard_and_diagonal,
                 4 * (204 * 8 * 2 + 11) + 8 * (30 * 40 * 2 + 11)},
                {"half", half, WIDTH * HEIGHT * 13 / 12 + 132}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        for (int turn = 0; turn < 2; turn++) { /* mirrored, too */
            test_row("%s, turn %d", rows[i].name, turn);
            open_frame(&jl_rgb565, WIDTH, HEIGHT);
            jl_target_turn(&frame.target, turn ? JL_TURN_MIRROR : JL_TURN_0);
            rows[i].draw(&frame.target);
            long sent = bytes_to_send();
            EXPECT(10 * sent < 13 * rows[i].best);
            EXPECT(sent > 0);
        }
    }
}

/* Two pixels and the room between them: one window when that costs no more than another. */
static void windows_are_joined_by_their_price(void) {
    for (int price = 0; price < 40; price++) {
        for (int room = 0; room < 44; room++) {
            test_row("price %d, %d pixels apart", price, room);
            jl_damage_init(&damage, (uint16_t)price, 0);
            EXPECT(damage.second_plane); /* who knows what was drawn before */
            jl_damage_add(&damage, (struct jl_rect){3, 5, 1, 1});
            jl_damage_add(&damage, (struct jl_rect){(int16_t)(4 + room), 5, 1, 1});
            EXPECT_INT(damage.count, room > price ? 2 : 1);
            jl_damage_init(&damage, (uint16_t)price, 0);
            jl_damage_add(&damage, (struct jl_rect){5, (int16_t)(4 + room), 1, 1});
            jl_damage_add(&damage, (struct jl_rect){5, 3, 1, 1});
            EXPECT_INT(damage.count, room > price ? 2 : 1);
        }
    }
}

/* Pages without windows: a part of the price for each of them. Four bytes of 8 on the bus. */
static void corners_of_pages(void) {
    static const struct {
        const char *card;
        uint64_t most;
    } rows[] = {{"sh1106-128x64-i2c", 32}, {"ssd1306-128x64-i2c", 64}, {"st7565-128x64-spi", 16}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        static struct jl_rig rig;
        static struct jl_card card;
        struct jl_complaint complaint = {""};
        test_row("%s", rows[i].card);
        EXPECT(jl_card_find(rows[i].card, &card, &complaint) &&
               jl_rig_open(&rig, &card, &complaint));
        EXPECT_INT(jl_rig_wake(&rig), JL_OK);
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        struct jl_target *t = &rig.frame.target;
        for (int corner = 0; corner < 4; corner++) {
            jl_draw_pixel(t, (int16_t)(corner & 1 ? t->width - 1 : 0),
                          (int16_t)(corner & 2 ? t->height - 1 : 0), JL_WHITE);
        }
        uint64_t bytes = jl_rig_bus_bytes(&rig);
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        bytes = jl_rig_bus_bytes(&rig) - bytes;
        EXPECT(bytes > 0 && bytes <= rows[i].most);
        jl_rig_close(&rig);
    }
}

/* ---- triangles ---- */

/* They are polygons of three points, by another way. */
static void triangles_are_polygons(void) {
    static uint8_t other_pixels[100 * 80], own_pixels[100 * 80];
    struct jl_frame own, other;
    struct test_random random = {5};
    int wrong = 0;
    EXPECT_INT(jl_frame_init(&own, &jl_rgb332, 100, 80, own_pixels, sizeof own_pixels), JL_OK);
    EXPECT_INT(jl_frame_init(&other, &jl_rgb332, 100, 80, other_pixels, sizeof other_pixels),
               JL_OK);
    for (int n = 0; n < 30000; n++) {
        struct jl_point p[3];
        int span = n % 3 == 0 ? 10 : n % 3 == 1 ? 110 : 400;
        for (int i = 0; i < 3; i++) {
            p[i].x = (int16_t)(test_random_between(&random, 0, span) - (span > 200 ? 150 : 5));
            p[i].y = (int16_t)(test_random_between(&random, 0, span) - (span > 200 ? 160 : 5));
        }
        if (n % 100 == 7) { /* as far as coordinates go */
            p[n % 3] =
                (struct jl_point){n & 1 ? INT16_MIN : INT16_MAX, n & 2 ? INT16_MIN : INT16_MAX};
        }
        p[1].y = n % 11 == 0 ? p[0].y : p[1].y;
        p[2] = n % 13 == 0 ? (struct jl_point){(int16_t)((p[0].x + p[1].x) / 2),
                                               (int16_t)((p[0].y + p[1].y) / 2)}
                           : p[2];
        memset(own_pixels, 0, sizeof own_pixels);
        memset(other_pixels, 0, sizeof other_pixels);
        jl_fill_triangle(&own.target, p[0], p[1], p[2], JL_WHITE);
        jl_fill_polygon(&other.target, p, 3, JL_WHITE);
        wrong += memcmp(own_pixels, other_pixels, sizeof own_pixels) != 0;
    }
    EXPECT_INT(wrong, 0);
}

const struct test_group test_groups[] = {
    {"windows_are_joined_by_their_price", windows_are_joined_by_their_price},
    {"nothing_is_missed", nothing_is_missed},
    {"twelve_windows_do", twelve_windows_do},
    {"corners_of_pages", corners_of_pages},
    {"triangles_are_polygons", triangles_are_polygons},
    {NULL, NULL},
};
