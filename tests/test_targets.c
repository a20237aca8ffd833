/*
 * Bands, drawing without a frame, tracking, shadows and scrolling: whatever way a picture
 * takes to the panel, it is the picture of a full frame.
 */
#include "harness.h"

#include <string.h>

#include "bench_panel.h"
#include "fake_panel.h"
#include "naive.h"

static const struct jl_format *const byte_formats[] = {
    &jl_mono_columns, &jl_mono_columns_msb, &jl_rgb332, &jl_rgb565,
    &jl_rgb565_cpu,   &jl_rgb666,           &jl_rgb888};
enum { BYTE_FORMATS = 7 };

/* Something of every drawing call. Opaque where `solid`, on rows of 8 where `aligned`. */
static void draw_scene(struct jl_target *t, uint32_t seed, bool solid, bool aligned) {
    static const uint8_t bits[] = {0x3C, 0x7E, 0xFF, 0x99, 0xFF, 0x7E, 0x3C, 0x18, 0x81, 0x42};
    struct test_random random = {seed * 747796405u};
    for (int i = 0; i < 12; i++) {
        int16_t x = test_random_coordinate(&random, t->width),
                y = test_random_coordinate(&random, t->height);
        int16_t w = (int16_t)test_random_between(&random, 1, 40),
                h = (int16_t)test_random_between(&random, 1, 40);
        jl_color ink = test_random_next(&random) & 0xFFFFFF;
        jl_color paper = solid || i % 2 ? JL_NAVY : JL_CLEAR;
        struct jl_text_style style = {.font = &jl_font_6x8, .ink = ink, .paper = paper};
        struct jl_bitmap map = {bits, 10, 8, &jl_bits_columns};
        struct jl_point p[4] = {{x, y}, {w, h}, {(int16_t)(x / 2 + 30), h}, {20, (int16_t)(y / 2)}};
        if (aligned) {
            y = (int16_t)(y / 8 * 8);
            h = (int16_t)(h / 8 * 8 + 8);
        }
        int kind =
            aligned ? test_random_between(&random, 0, 2) : test_random_between(&random, 0, 13);
        switch (kind) {
        case 0:
            jl_fill_rect(t, (struct jl_rect){x, y, w, h}, ink);
            break;
        case 1:
            jl_text(t, x, y, "Tide 3.91", &style);
            break;
        case 2:
            jl_draw_bitmap(t, x, y, &map, ink, paper);
            break;
        case 3:
            jl_draw_line(t, x, y, w, h, ink);
            break;
        case 4:
            jl_stroke_circle(t, x, y, w, ink);
            break;
        case 5:
            jl_fill_ellipse(t, x, y, w, h, ink);
            break;
        case 6:
            jl_stroke_rounded(t, (struct jl_rect){x, y, w, h}, 9, ink);
            break;
        case 7:
            jl_fill_polygon(t, p, 4, ink);
            break;
        case 8:
            jl_draw_bezier(t, p, ink);
            break;
        case 9:
            jl_fill_ring(t, x, y, w, 5, (jl_direction)(seed * 999), (uint32_t)seed * 77, ink);
            break;
        case 10:
            jl_fill_gradient(t, (struct jl_rect){x, y, w, h}, JL_AXIS_X, ink, JL_WHITE, NULL);
            break;
        case 11:
            jl_fill_pattern(t, (struct jl_rect){x, y, w, h}, jl_pattern_hatch, ink, paper);
            break;
        case 12:
            jl_draw_wide_line(t, p[0], p[1], 7, ink);
            break;
        default:
            jl_stroke_rect(t, (struct jl_rect){x, y, w, h}, ink);
            break;
        }
    }
}

static uint8_t full[128 * 64 * 3];
static struct jl_frame frame;

static void draw_full(const struct jl_format *format, int width, int height, uint32_t seed,
                      bool solid, bool aligned, uint8_t turn) {
    EXPECT_INT(jl_frame_init(&frame, format, (int16_t)width, (int16_t)height, full, sizeof full),
               JL_OK);
    jl_target_turn(&frame.target, turn);
    draw_scene(&frame.target, seed, solid, aligned);
}

static size_t frame_size(const struct jl_format *format, int width, int height) {
    unsigned shift = format->line_rows_log2;
    return (size_t)width * format->bits_per_pixel * (1u << shift) / 8 *
           (((size_t)height + (1u << shift) - 1) >> shift);
}

/* Any format, any band memory from one line on, any turn. */
static void bands_equal_a_frame(void) {
    static struct fake_panel fake;
    static uint8_t memory[4000];
    for (uint32_t seed = 1; seed <= 350; seed++) {
        const struct jl_format *format = byte_formats[seed % BYTE_FORMATS];
        int width = seed % 3 ? 96 : 61, height = seed % 2 ? 64 : 43;
        uint8_t turn = (uint8_t)(seed / 7 % 8);
        size_t line = (size_t)width * format->bits_per_pixel * (1u << format->line_rows_log2) / 8;
        size_t bytes = line + seed * 13 % 1500;
        struct jl_bands bands;
        int count = 0;
        test_row("seed %u, %zu bytes, turn %d", (unsigned)seed, bytes, turn);
        fake_open(&fake, format, width, height);
        draw_full(format, width, height, seed, false, false, turn);
        memset(memory + bytes, 0x5A, sizeof memory - bytes);
        EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, bytes), JL_OK);
        jl_target_turn(&bands.frame.target, turn);
        while (jl_bands_next(&bands)) {
            draw_scene(&bands.frame.target, seed, false, false);
            count++;
        }
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        EXPECT(!jl_bands_next(&bands)); /* there is no band after the end */
        EXPECT_INT(memory[bytes], 0x5A);
        EXPECT(!fake.broken && count > 0);
        EXPECT_BYTES(fake.ram, full, frame_size(format, width, height));
    }
}

/* On the emulated ssd1306: one band of 128 bytes, the glass of a full frame. */
static void one_page_of_memory_on_the_oled(void) {
    for (uint32_t seed = 1; seed <= 40; seed++) {
        struct bench_panel with_frame, with_band;
        struct jl_panel_config usual = bench_usual_config();
        uint8_t band[128];
        struct jl_bands bands;
        test_row("seed %u", (unsigned)seed);
        bench_open_usual(&with_frame, &usual);
        bench_open_usual(&with_band, &usual);
        EXPECT_INT(jl_panel_wake(&with_frame.panel), JL_OK);
        EXPECT_INT(jl_panel_wake(&with_band.panel), JL_OK);
        draw_scene(&with_frame.frame.target, seed, false, false);
        EXPECT_INT(jl_panel_present(&with_frame.panel, &with_frame.frame), JL_OK);
        EXPECT_INT(jl_bands_begin(&bands, &with_band.panel, band, sizeof band), JL_OK);
        while (jl_bands_next(&bands)) {
            draw_scene(&bands.frame.target, seed, false, false);
        }
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        struct jl_picture expected = bench_look(&with_frame), seen = bench_look(&with_band);
        EXPECT_PICTURE(&seen, &expected, "bands");
        jl_picture_free(&expected);
        jl_picture_free(&seen);
        bench_close(&with_frame);
        bench_close(&with_band);
    }
}

static void bands_refuse(void) {
    static struct fake_panel fake;
    struct jl_bands bands;
    uint8_t memory[200];
    fake_open(&fake, &jl_rgb565, 100, 20);
    EXPECT_INT(jl_bands_begin(NULL, &fake.panel, memory, 200), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_bands_begin(&bands, NULL, memory, 200), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_bands_begin(&bands, &fake.panel, NULL, 200), JL_BAD_ARGUMENT);
    EXPECT(!jl_bands_next(&bands));
    EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, 199), JL_TOO_SMALL);
    EXPECT(!jl_bands_next(&bands));
    EXPECT_INT(jl_bands_end(&bands), JL_TOO_SMALL);
    EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, 200), JL_OK);
    fake.fail_after = 5; /* one window for all: the data of the fifth band fails */
    int count = 0;
    while (jl_bands_next(&bands)) {
        count++;
    }
    EXPECT_INT(count, 5);
    EXPECT_INT(jl_bands_end(&bands), JL_BUS_ERROR);
    EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, 200), JL_NOT_AWAKE);
    fake_open(&fake, &jl_black_white_red, 96, 20);
    EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, 2 * 12 - 1), JL_TOO_SMALL);
    EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, 2 * 12), JL_OK);
}

/* Without any frame: the RAM is what a full frame would have sent. */
static void direct_equals_a_frame(void) {
    static struct fake_panel fake;
    static const size_t buffers[] = {8, 9, 30, 64, 256, 1000};
    uint8_t buffer[1000 + 1];
    for (uint32_t seed = 1; seed <= 280; seed++) {
        const struct jl_format *format = byte_formats[seed % BYTE_FORMATS];
        bool pages = format->line_rows_log2 > 0;
        size_t bytes = buffers[seed % 6];
        struct jl_direct direct;
        test_row("seed %u, %zu bytes", (unsigned)seed, bytes);
        fake_open(&fake, format, 90, 64);
        buffer[bytes] = 0x5A;
        draw_full(format, 90, 64, seed, pages, pages, 0);
        EXPECT_INT(jl_direct_init(&direct, &fake.panel, buffer, bytes), JL_OK);
        draw_scene(&direct.target, seed, pages, pages);
        EXPECT_INT(direct.status, JL_OK);
        EXPECT_INT(buffer[bytes], 0x5A);
        EXPECT(!fake.broken);
        EXPECT_BYTES(fake.ram, full, frame_size(format, 90, 64));
    }
}

/* One window for a fill, one for each opaque character; never a transaction a pixel. */
static void direct_is_frugal(void) {
    static struct fake_panel fake;
    struct jl_direct direct;
    uint8_t line[90 * 2];
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    fake_open(&fake, &jl_rgb565, 90, 64);
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, line, sizeof line), JL_OK);
    fake.windows = fake.transfers = fake.data_bytes = 0;
    jl_fill_rect(&direct.target, (struct jl_rect){10, 10, 45, 20}, JL_RED);
    EXPECT_INT(fake.windows, 1);
    EXPECT_INT(fake.transfers, 1 + 10); /* two rows of 90 bytes at a time */
    EXPECT_INT(fake.data_bytes, 45 * 20 * 2);
    fake.windows = fake.transfers = fake.data_bytes = 0;
    jl_text(&direct.target, 0, 0, "1234", &style);
    EXPECT_INT(fake.windows, 4);
    EXPECT_INT(fake.transfers, 8);
    EXPECT_INT(fake.data_bytes, 4 * 6 * 8 * 2);
    EXPECT(!jl_target_mode(&direct.target, JL_MODE_BLEND, 128));
    EXPECT(!jl_target_mode(&direct.target, JL_MODE_INVERT, 0));
    EXPECT(jl_target_mode(&direct.target, JL_MODE_REPLACE, 0));
    fake.fail_after = 3;
    jl_text(&direct.target, 0, 0, "1234", &style);
    EXPECT_INT(direct.status, JL_BUS_ERROR);
    fake.fail_after = -1;
    fake.transfers = 0;
    jl_text(&direct.target, 0, 0, "1234", &style);
    EXPECT_INT(fake.transfers, 0); /* nothing after an error */
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, line, sizeof line), JL_NOT_AWAKE);
    fake_open(&fake, &jl_rgb565, 90, 64);
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, line, 1), JL_TOO_SMALL);
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, NULL, 9), JL_BAD_ARGUMENT);
    fake_open(&fake, &jl_grey4, 90, 64);
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, line, 90), JL_UNSUPPORTED);
}

/* Bytes of 8 rows cannot be written in part: the other rows become background. */
static void direct_on_pages_fills_with_background(void) {
    static struct fake_panel fake;
    uint8_t buffer[16];
    struct jl_direct direct;
    fake_open(&fake, &jl_mono_columns, 90, 64);
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, buffer, sizeof buffer), JL_OK);
    jl_fill_rect(&direct.target, (struct jl_rect){20, 10, 30, 9}, JL_WHITE); /* rows 10..18 */
    for (int x = 0; x < 90; x++) {
        bool in = x >= 20 && x < 50;
        test_row("column %d", x);
        EXPECT_INT(fake.ram[90 + x], in ? 0xFC : 0);
        EXPECT_INT(fake.ram[180 + x], in ? 0x07 : 0);
    }
    direct.background = JL_WHITE;
    jl_fill_rect(&direct.target, (struct jl_rect){20, 10, 1, 1}, JL_BLACK);
    EXPECT_INT(fake.ram[90 + 20], 0xFB);
}

/* A glyph of coverages 0..15 with clear paper: half and more is ink where nothing can be read. */
static void soft_edges_become_hard_without_reading(void) {
    static const uint8_t blob[] = {
        'J', 'L', 'F', '1', 4, 1,  1, 0, 1, 0,  1,    0,    'A',  0,    0,    0,    1,    0,
        0,   0,   0,   0,   0, 16, 1, 0, 1, 16, 0x01, 0x23, 0x45, 0x67, 0x89, 0xAB, 0xCD, 0xEF};
    static struct fake_panel fake;
    uint8_t buffer[90 * 3];
    struct jl_direct direct;
    struct jl_font font;
    fake_open(&fake, &jl_rgb888, 90, 64);
    EXPECT_INT(jl_font_open(&font, blob, sizeof blob), JL_OK);
    EXPECT_INT(jl_font_open(&font, blob, sizeof blob - 1), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_font_open(&font, blob, sizeof blob), JL_OK);
    EXPECT_INT(jl_direct_init(&direct, &fake.panel, buffer, sizeof buffer), JL_OK);
    struct jl_text_style style = {.font = &font, .ink = JL_RGB(9, 8, 7), .paper = JL_CLEAR};
    jl_text(&direct.target, 30, 20, "A", &style);
    for (int x = 0; x < 16; x++) {
        test_row("coverage %d", x);
        EXPECT_INT(fake.ram[(20 * 90 + 30 + x) * 3], x >= 8 ? 9 : 0);
    }
    /* On a frame, in the other modes: inverting takes the same half, blending the product. */
    static uint8_t pixels[90 * 64 * 3];
    struct jl_frame readable;
    EXPECT_INT(jl_frame_init(&readable, &jl_rgb888, 90, 64, pixels, sizeof pixels), JL_OK);
    EXPECT(jl_target_mode(&readable.target, JL_MODE_INVERT, 0));
    jl_text(&readable.target, 30, 20, "A", &style);
    EXPECT(jl_target_mode(&readable.target, JL_MODE_BLEND, 100));
    style.ink = JL_RGB(255, 255, 255);
    jl_text(&readable.target, 30, 21, "A", &style);
    for (int x = 0; x < 16; x++) {
        test_row("coverage %d", x);
        EXPECT_INT(pixels[(20 * 90 + 30 + x) * 3], x >= 8 ? 9 : 0);
        EXPECT_INT(pixels[(21 * 90 + 30 + x) * 3],
                   (100 * x * 2 + 15) / 30); /* 100 x / 15, to the nearest */
    }
}

/* After bands or direct drawing a tracked frame is sent whole, since the RAM holds another picture.
 */
static void a_frame_after_other_ways_is_whole(void) {
    static struct fake_panel fake;
    static uint8_t pixels[JL_RGB332_BYTES(90, 64)], memory[90];
    for (int way = 0; way < 2; way++) {
        struct jl_frame tracked;
        struct jl_damage damage;
        test_row("way %d", way);
        fake_open(&fake, &jl_rgb332, 90, 64);
        EXPECT_INT(jl_frame_init(&tracked, &jl_rgb332, 90, 64, pixels, sizeof pixels), JL_OK);
        jl_frame_track(&tracked, &damage);
        draw_scene(&tracked.target, 3, false, false);
        EXPECT_INT(jl_panel_present(&fake.panel, &tracked), JL_OK);
        if (way) {
            struct jl_direct direct;
            EXPECT_INT(jl_direct_init(&direct, &fake.panel, memory, sizeof memory), JL_OK);
            jl_clear(&direct.target, JL_RED);
        } else {
            struct jl_bands bands;
            EXPECT_INT(jl_bands_begin(&bands, &fake.panel, memory, sizeof memory), JL_OK);
            while (jl_bands_next(&bands)) {
            }
            EXPECT_INT(jl_bands_end(&bands), JL_OK);
        }
        EXPECT(memcmp(fake.ram, pixels, sizeof pixels) != 0);
        EXPECT_INT(jl_panel_present(&fake.panel, &tracked), JL_OK);
        EXPECT_BYTES(fake.ram, pixels, sizeof pixels);
    }
}

/* Presenting only what is tracked, and what a shadow leaves of it, ends as sending all. */
static void tracked_and_compared(void) {
    static struct fake_panel fake;
    static uint8_t pixels[128 * 64 * 3], shadow[128 * 64 * 3];
    struct jl_frame tracked;
    for (int f = 0; f < BYTE_FORMATS; f++) {
        struct jl_damage damage;
        long all = 0, compared = 0;
        for (int with_shadow = 0; with_shadow < 2; with_shadow++) {
            fake_open(&fake, byte_formats[f], 90, 64);
            memset(shadow, 0, sizeof shadow);
            EXPECT_INT(jl_frame_init(&tracked, byte_formats[f], 90, 64, pixels, sizeof pixels),
                       JL_OK);
            jl_frame_track(&tracked, &damage);
            fake.data_bytes = 0;
            for (uint32_t seed = 1; seed <= 30; seed++) {
                test_row("format %d, seed %u, shadow %d", f, (unsigned)seed, with_shadow);
                jl_clear(&tracked.target, JL_BLACK); /* clear and redraw: the wasteful habit */
                draw_scene(&tracked.target, seed / 3, false, false);
                EXPECT_INT(with_shadow ? jl_panel_present_changes(&fake.panel, &tracked, shadow)
                                       : jl_panel_present(&fake.panel, &tracked),
                           JL_OK);
                EXPECT_INT(damage.count, 0);
                EXPECT_BYTES(fake.ram, pixels, frame_size(byte_formats[f], 90, 64));
            }
            *(with_shadow ? &compared : &all) = fake.data_bytes;
        }
        EXPECT(compared * 2 < all);
    }
    EXPECT_INT(jl_panel_present_changes(NULL, &tracked, shadow), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_present_changes(&fake.panel, NULL, shadow), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_present_changes(&fake.panel, &tracked, NULL), JL_BAD_ARGUMENT);
    struct jl_frame untracked;
    EXPECT_INT(jl_frame_init(&untracked, &jl_rgb332, 9, 9, pixels, sizeof pixels), JL_OK);
    EXPECT_INT(jl_panel_present_changes(&fake.panel, &untracked, shadow), JL_BAD_ARGUMENT);
}

/* Refused because the panel sleeps: the next one that is not refused brings the change. */
static void a_refused_present_loses_nothing(void) {
    static uint8_t shadow[JL_MONO_COLUMNS_BYTES(128, 64)];
    struct bench_panel bench;
    struct jl_panel_config usual = bench_usual_config();
    memset(shadow, 0, sizeof shadow);
    bench_open_usual(&bench, &usual);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    EXPECT_INT(jl_panel_sleep(&bench.panel), JL_OK);
    jl_fill_rect(&bench.frame.target, (struct jl_rect){30, 16, 20, 8}, JL_WHITE);
    EXPECT_INT(jl_panel_present_changes(&bench.panel, &bench.frame, shadow), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_resume(&bench.panel), JL_OK);
    EXPECT_INT(jl_panel_present_changes(&bench.panel, &bench.frame, shadow), JL_OK);
    struct jl_picture seen = bench_look(&bench);
    int lit = 0;
    for (int i = 0; i < 128 * 64; i++) {
        lit += seen.rgb[i * 3] != 0;
    }
    EXPECT_INT(lit, 20 * 8);
    EXPECT_INT(jl_picture_at(&seen, 30, 16)[0], 255);
    jl_picture_free(&seen);
    bench_close(&bench);
}

/* Pixels that share bytes, and columns in units of 4: windows grow, the picture stays right. */
static void windows_grow_to_units(void) {
    static const struct jl_format *const formats[] = {&jl_mono_rows, &jl_grey2,  &jl_grey4,
                                                      &jl_grey4_low, &jl_rgb565, &jl_mono_columns};
    static struct fake_panel fake;
    static uint8_t pixels[JL_RGB565_BYTES(88, 64)], band[JL_RGB565_BYTES(88, 3)];
    for (uint32_t i = 0; i < 6 * 3 * 10; i++) {
        const struct jl_format *format = formats[i % 6];
        int unit = 1 << i / 6 % 3;
        struct jl_frame tracked;
        struct jl_damage damage;
        struct jl_bands bands;
        test_row("format %u, unit %d", (unsigned)i % 6, unit);
        fake_open_in_units(&fake, format, 88, 64, unit);
        EXPECT_INT(jl_frame_init(&tracked, format, 88, 64, pixels, sizeof pixels), JL_OK);
        jl_frame_track(&tracked, &damage);
        EXPECT_INT(jl_panel_present(&fake.panel, &tracked), JL_OK);
        long all = fake.data_bytes;
        jl_fill_rect(&tracked.target, (struct jl_rect){(int16_t)(3 + i / 18), 5, 2, 2}, JL_WHITE);
        EXPECT_INT(jl_panel_present(&fake.panel, &tracked), JL_OK);
        EXPECT(fake.data_bytes - all > 0 && fake.data_bytes - all <= 32);
        draw_scene(&tracked.target, i, false, false);
        EXPECT_INT(jl_panel_present(&fake.panel, &tracked), JL_OK);
        EXPECT_BYTES(fake.ram, pixels, frame_size(format, 88, 64));
        EXPECT(!fake.broken);
        EXPECT_INT(jl_bands_begin(&bands, &fake.panel, band, sizeof band), JL_OK);
        while (jl_bands_next(&bands)) {
            jl_fill_rect(&bands.frame.target, (struct jl_rect){(int16_t)(3 + i / 18), 5, 2, 2},
                         JL_WHITE);
            draw_scene(&bands.frame.target, i, false, false);
        }
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        EXPECT_BYTES(fake.ram, pixels, frame_size(format, 88, 64));
    }
    static struct jl_panel panel;
    static struct jl_panel_config config;
    config = fake.config;
    config.width = 86;
    fake.controller.column_unit = 4;
    EXPECT_INT(jl_panel_open(&panel, &config, &fake.port), JL_BAD_SIZE);
}

/* Every pixel comes from where it was, or is the colour of what became free. */
static void scrolling_moves_pixels(void) {
    static const struct jl_format *const formats[] = {&jl_mono_columns, &jl_mono_rows, &jl_grey4,
                                                      &jl_rgb565, &jl_black_white_red};
    static uint8_t pixels[128 * 64 * 3];
    static jl_color before[48][64];
    for (uint32_t seed = 1; seed <= 300; seed++) {
        struct test_random random = {seed * 2654435761u};
        struct jl_frame moved;
        test_row("seed %u", (unsigned)seed);
        EXPECT_INT(jl_frame_init(&moved, formats[seed % 5], 64, 48, pixels, sizeof pixels), JL_OK);
        draw_scene(&moved.target, seed, false, false);
        for (int16_t y = 0; y < 48; y++) {
            moved.format->ops.get(&moved.target, 0, y, 64, before[y]);
        }
        struct jl_rect area = {
            test_random_coordinate(&random, 64), test_random_coordinate(&random, 48),
            test_random_coordinate(&random, 64), test_random_coordinate(&random, 48)};
        int16_t dx = test_random_coordinate(&random, 40);
        int16_t dy = seed % 3 ? test_random_coordinate(&random, 30) : 0;
        jl_frame_scroll(&moved, area, dx, dy, JL_WHITE);
        int wrong = 0;
        for (int y = 0; y < 48; y++) {
            jl_color now[64];
            moved.format->ops.get(&moved.target, 0, (int16_t)y, 64, now);
            for (int x = 0; x < 64; x++) {
                bool in = x >= area.x && x < area.x + area.w && y >= area.y && y < area.y + area.h;
                int fx = x - dx, fy = y - dy;
                bool from_in = fx >= area.x && fx < area.x + area.w && fy >= area.y &&
                               fy < area.y + area.h && fx >= 0 && fx < 64 && fy >= 0 && fy < 48;
                jl_color expected = !in ? before[y][x] : from_in ? before[fy][fx] : JL_WHITE;
                wrong += now[x] != expected;
            }
        }
        EXPECT_INT(wrong, 0);
    }
}

const struct test_group test_groups[] = {
    {"bands_equal_a_frame", bands_equal_a_frame},
    {"one_page_on_the_oled", one_page_of_memory_on_the_oled},
    {"bands_refuse", bands_refuse},
    {"direct_equals_a_frame", direct_equals_a_frame},
    {"direct_is_frugal", direct_is_frugal},
    {"direct_on_pages", direct_on_pages_fills_with_background},
    {"soft_edges", soft_edges_become_hard_without_reading},
    {"a_frame_after_other_ways", a_frame_after_other_ways_is_whole},
    {"tracked_and_compared", tracked_and_compared},
    {"a_refused_present", a_refused_present_loses_nothing},
    {"windows_grow_to_units", windows_grow_to_units},
    {"scrolling_moves_pixels", scrolling_moves_pixels},
    {NULL, NULL},
};
