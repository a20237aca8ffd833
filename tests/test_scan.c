/*
 * Scan-out: what follows from timings, by the sheets of usual glass; the right picture, and what
 * each mistake makes of it by geometry, with the sentence that names it.
 */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/scanout.h"
#include "jadelamp/sim/scan.h"

/* Totals and rates as worked out by hand: clock / (line * picture). */
static void sums_of_usual_glass(void) {
    static const struct {
        const char *name;
        struct jl_scanout_config config;
        int clocks, lines;
        double hz, line_us, mean_mb, peak_mb;
    } rows[] = {
        {"480x272",
         {480, 272, 9000000, 0, 0, {41, 2, 2}, {10, 2, 2}, 0, 24},
         525,
         286,
         59.9,
         58.3,
         15.7,
         18.0},
        {"640x480",
         {640, 480, 25175000, 0, 0, {96, 48, 16}, {2, 33, 10}, 0, 18},
         800,
         525,
         59.9,
         31.8,
         36.8,
         50.4},
        {"800x480",
         {800, 480, 33300000, 0, 0, {20, 26, 210}, {10, 13, 22}, 0, 24},
         1056,
         525,
         60.1,
         31.7,
         46.1,
         66.6},
        {"1024x600",
         {1024, 600, 51200000, 0, 0, {20, 140, 160}, {3, 20, 12}, 0, 24},
         1344,
         635,
         60.0,
         26.3,
         73.7,
         102.4},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_scanout_sums sums;
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_scanout_sums(&rows[i].config, 16, &sums), JL_OK);
        EXPECT_INT(sums.line_clocks, rows[i].clocks);
        EXPECT_INT(sums.picture_lines, rows[i].lines);
        EXPECT(abs((int)(sums.refresh_mhz - rows[i].hz * 1000)) <= 50);
        EXPECT(abs((int)(sums.line_ns - rows[i].line_us * 1000)) <= 50);
        EXPECT(abs((int)(sums.mean_bytes_s / 1e4 - rows[i].mean_mb * 100)) <= 8);
        EXPECT(abs((int)(sums.peak_bytes_s / 1e4 - rows[i].peak_mb * 100)) <= 8);
        EXPECT_INT(sums.frame_bytes, rows[i].config.width * rows[i].config.height * 2);
    }
}

static void sums_that_cannot_be(void) {
    static const struct jl_scanout_config good = {
        480, 272, 9000000, 5000000, 12000000, {41, 2, 2}, {10, 2, 2}, 0, 24};
    struct jl_scanout_sums sums;
    struct jl_scanout_config c;
    EXPECT_INT(jl_scanout_sums(&good, 16, &sums), JL_OK);
    EXPECT_INT(jl_scanout_sums(NULL, 16, &sums), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_sums(&good, 16, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_sums(&good, 15, &sums), JL_BAD_ARGUMENT);
#define REFUSES(change, status)                                                                    \
    c = good;                                                                                      \
    c.change;                                                                                      \
    test_row(#change);                                                                             \
    EXPECT_INT(jl_scanout_sums(&c, 16, &sums), status)
    REFUSES(width = 0, JL_BAD_SIZE);
    REFUSES(height = -1, JL_BAD_SIZE);
    REFUSES(clock_hz = 0, JL_OUT_OF_RANGE);
    REFUSES(clock_hz = 4999999, JL_OUT_OF_RANGE);
    REFUSES(clock_hz = 12000001, JL_OUT_OF_RANGE);
    REFUSES(line.sync = 0, JL_OUT_OF_RANGE);
    REFUSES(picture.sync = 0, JL_OUT_OF_RANGE);
    REFUSES(line.back = 65535, JL_OUT_OF_RANGE);
    REFUSES(picture.front = 65500, JL_OUT_OF_RANGE);
    REFUSES(data_lines = 8, JL_OUT_OF_RANGE);
    REFUSES(line.front = 40000, JL_OUT_OF_RANGE); /* a picture in more than a second */
}

/* ---- pictures ---- */

enum { W = 60, H = 40 };
static uint8_t frame[W * H * 3];
static uint32_t palette[256];

static uint32_t color_of(int x, int y) {
    return (uint32_t)(x * 4) << 16 | (uint32_t)(y * 6) << 8 | (uint32_t)(255 - x * 2 - y);
}

static struct jl_scan_timing timing(void) {
    return (struct jl_scan_timing){
        .width = W, .height = H, .clock_hz = 200000, .line = {5, 7, 4}, .picture = {3, 6, 2}};
}

static void start(struct jl_scan_source *source, struct jl_scan_panel *panel, int bits) {
    for (int i = 0; i < 256; i++) {
        palette[i] = (uint32_t)i * 0x010203u & 0xFFFFFFu;
    }
    for (int y = 0; y < H; y++) {
        for (int x = 0; x < W; x++) {
            uint32_t c = color_of(x, y);
            uint8_t *at = frame + (y * W + x) * bits / 8;
            unsigned rgb565 = (c >> 19 & 31) << 11 | (c >> 10 & 63) << 5 | (c >> 3 & 31);
            const uint8_t bytes[3] = {bits == 16  ? (uint8_t)rgb565
                                      : bits == 8 ? (uint8_t)(x + y)
                                                  : (uint8_t)(c >> 16),
                                      bits == 16 ? (uint8_t)(rgb565 >> 8) : (uint8_t)(c >> 8),
                                      (uint8_t)c};
            memcpy(at, bytes, (size_t)bits / 8);
        }
    }
    *source = (struct jl_scan_source){.timing = timing(),
                                      .drives_de = true,
                                      .drives_syncs = true,
                                      .pixels = frame,
                                      .stride_bytes = (size_t)(W * bits / 8),
                                      .bits_per_pixel = bits,
                                      .palette = palette};
    source->timing.falling = true;
    *panel = (struct jl_scan_panel){.timing = timing(), .least_hz = 100000, .most_hz = 300000};
    if (bits == 16) {
        jl_scan_wire_16(panel);
    } else {
        jl_scan_wire_24(panel);
    }
}

static uint32_t seen_at(const struct jl_scan_sight *sight, int x, int y) {
    const uint8_t *rgb = jl_picture_at(&sight->picture, x, y);
    return (uint32_t)rgb[0] << 16 | (uint32_t)rgb[1] << 8 | rgb[2];
}

/* What a frame of some depth shows when all is right. */
static uint32_t shown(int bits, int x, int y) {
    uint32_t c = color_of(x, y);
    if (bits == 8) {
        return palette[(x + y) & 255];
    }
    if (bits == 24) {
        return c;
    }
    unsigned r = c >> 19 & 31, g = c >> 10 & 63, b = c >> 3 & 31;
    return (r << 3 | r >> 2) << 16 | (g << 2 | g >> 4) << 8 | (b << 3 | b >> 2);
}

static void right_pictures(void) {
    static const int depths[] = {8, 16, 24};
    for (int i = 0; i < 6; i++) {
        struct jl_scan_source source;
        struct jl_scan_panel panel;
        struct jl_scan_sight sight;
        int bits = depths[i % 3];
        start(&source, &panel, bits);
        panel.by_syncs = i >= 3;
        test_row("%d bits, %s", bits, panel.by_syncs ? "by syncs" : "by DE");
        EXPECT(jl_scan_picture(&source, &panel, 1, &sight));
        EXPECT_INT(sight.remark_count, 0);
        int wrong = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                wrong += seen_at(&sight, x, y) != shown(bits, x, y);
            }
        }
        EXPECT_INT(wrong, 0);
        jl_picture_free(&sight.picture);
    }
}

/* Shifts: the glass shows S(x - dx, y - dy), and black where that is none. */
static void shifts(void) {
    static const struct {
        const char *name;
        bool by_syncs;
        struct jl_scan_porches line, picture; /* of the peripheral, else 5 7 4 and 3 6 2 */
        bool hsync_high, vsync_high;
        int dx, dy;
        const char *says;
    } rows[] = {
        {"back porch 3 more",
         true,
         {5, 10, 4},
         {3, 6, 2},
         false,
         false,
         3,
         0,
         "sync and back porch of a line is 15 clocks, the glass wants 12: the picture is shifted "
         "sideways by 3"},
        {"back porch 4 less", true, {5, 3, 4}, {3, 6, 2}, false, false, -4, 0, "by 4"},
        {"longer pulse", true, {9, 7, 4}, {3, 6, 2}, false, false, 4, 0, "is 16 clocks"},
        {"lines",
         true,
         {5, 7, 4},
         {3, 9, 2},
         false,
         false,
         0,
         3,
         "sync and back porch of a picture is 12 lines, the glass wants 9"},
        {"lines less", true, {5, 7, 4}, {1, 6, 2}, false, false, 0, -2, "shifted up or down by 2"},
        {"HSYNC the other way",
         true,
         {5, 7, 4},
         {3, 6, 2},
         true,
         false,
         -5,
         0,
         "HSYNC is active high, the glass wants it low: shifted by its pulse of 5 clocks"},
        {"VSYNC the other way",
         true,
         {5, 7, 4},
         {3, 6, 2},
         false,
         true,
         0,
         -3,
         "VSYNC is active high, the glass wants it low: shifted by its pulse of 3 lines"},
        {"by DE porches do not matter", false, {2, 12, 3}, {5, 1, 6}, true, true, 0, 0, NULL},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_scan_source source;
        struct jl_scan_panel panel;
        struct jl_scan_sight sight;
        start(&source, &panel, 24);
        panel.by_syncs = rows[i].by_syncs;
        source.timing.line = rows[i].line;
        source.timing.picture = rows[i].picture;
        source.timing.hsync_high = rows[i].hsync_high;
        source.timing.vsync_high = rows[i].vsync_high;
        source.timing.clock_hz = 290000;
        test_row("%s", rows[i].name);
        EXPECT(jl_scan_picture(&source, &panel, 1, &sight));
        EXPECT_INT(sight.remark_count, rows[i].says ? 1 : 0);
        if (rows[i].says) {
            EXPECT_CONTAINS(sight.remarks[0].text, rows[i].says);
        }
        int wrong = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int from_x = x - rows[i].dx, from_y = y - rows[i].dy;
                bool there = from_x >= 0 && from_x < W && from_y >= 0 && from_y < H;
                wrong += seen_at(&sight, x, y) != (there ? color_of(from_x, from_y) : 0);
            }
        }
        EXPECT_INT(wrong, 0);
        jl_picture_free(&sight.picture);
    }
}

/* Wires: each input of the glass by itself. */
static void wires(void) {
    struct jl_scan_source source;
    struct jl_scan_panel panel;
    struct jl_scan_sight sight;
    start(&source, &panel, 24);
    for (int bit = 0; bit < 8; bit++) { /* blue the other way round, red's lowest to ground */
        panel.wires[bit] = 7 - bit;
    }
    panel.wires[16] = JL_SCAN_GROUND;
    EXPECT(jl_scan_picture(&source, &panel, 1, &sight));
    for (int x = 0; x < W; x++) {
        uint32_t c = color_of(x, 9), blue = 0;
        for (int bit = 0; bit < 8; bit++) {
            blue |= (c >> bit & 1) << (7 - bit);
        }
        test_row("column %d", x);
        EXPECT_INT(seen_at(&sight, x, 9), (c & 0xFEFF00) | blue);
    }
    jl_picture_free(&sight.picture);
}

/* Mistakes that shift nothing: dark glass, edges, clocks, memory. */
static void other_mistakes(void) {
    static const struct {
        const char *name, *says;
        bool by_syncs, no_de, no_syncs, de_low, wrong_edge;
        double clock_hz, memory;
        bool dark, spoiled;
    } rows[] = {
        {"no DE", "DE never becomes active", false, true, false, false, false, 0, 0, true, false},
        {"DE upside down", "DE is active low, the glass wants it high", false, false, false, true,
         false, 0, 0, true, false},
        {"no syncs", "the syncs are idle", true, false, true, false, false, 0, 0, true, false},
        {"no DE, but by syncs", NULL, true, true, false, false, false, 0, 0, false, false},
        {"edge", "data changes as the glass latches it", false, false, false, false, true, 0, 0,
         false, true},
        {"too fast", "the pixel clock is 0.40 MHz, the glass takes 0.30", false, false, false,
         false, false, 400000, 0, false, true},
        {"too slow", "pictures a second: the glass flickers", false, false, false, false, false,
         60000, 0, false, false},
        {"memory", "memory is too slow", false, false, false, false, false, 0, 400000, false, true},
        {"memory that is enough", NULL, false, false, false, false, false, 0, 610000, false, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_scan_source source;
        struct jl_scan_panel panel;
        struct jl_scan_sight sight, again;
        start(&source, &panel, 24);
        panel.by_syncs = rows[i].by_syncs;
        source.drives_de = !rows[i].no_de;
        source.drives_syncs = !rows[i].no_syncs;
        source.timing.de_low = rows[i].de_low;
        source.timing.falling = !rows[i].wrong_edge;
        source.timing.clock_hz = rows[i].clock_hz > 0 ? rows[i].clock_hz : 200000;
        source.memory_bytes_s = rows[i].memory;
        source.fifo_bytes = 64;
        test_row("%s", rows[i].name);
        EXPECT(jl_scan_picture(&source, &panel, 1, &sight));
        EXPECT_INT(sight.remark_count, rows[i].says ? 1 : 0);
        if (rows[i].says) {
            EXPECT_CONTAINS(sight.remarks[0].text, rows[i].says);
        }
        EXPECT_INT(sight.dark, rows[i].dark);
        int wrong = 0, lit = 0;
        for (int p = 0; p < W * H; p++) {
            uint32_t seen = seen_at(&sight, p % W, p / W);
            wrong += seen != color_of(p % W, p / W);
            lit += seen != 0;
        }
        EXPECT_INT(lit > 0, !rows[i].dark);
        EXPECT_INT(wrong > 0, rows[i].dark || rows[i].spoiled);
        EXPECT(jl_scan_picture(&source, &panel, 1, &again)); /* the same in each run */
        EXPECT_BYTES(again.picture.rgb, sight.picture.rgb, (size_t)W * H * 3);
        jl_picture_free(&sight.picture);
        jl_picture_free(&again.picture);
    }
}

/* ---- buffers ---- */

/* A peripheral: what it scans, what it goes to at the next sync, and a cache before memory. */
static struct peripheral {
    const uint8_t *now, *next;
    int syncs_to_come;
    size_t cleaned;
} peripheral;

static void show(void *context, const void *pixels) {
    struct peripheral *p = context;
    p->next = pixels;
    p->syncs_to_come = 3;
    p->now = p->now ? p->now : pixels;
}

static bool is_shown(void *context) {
    struct peripheral *p = context;
    if (p->syncs_to_come > 0 && --p->syncs_to_come == 0) {
        p->now = p->next;
    }
    return p->syncs_to_come == 0;
}

static void clean(void *context, const void *from, size_t bytes) {
    struct peripheral *p = context;
    EXPECT(from != NULL);
    p->cleaned += bytes;
}

static const struct jl_scanout_ops ops = {show, is_shown, clean};
static const struct jl_scanout_config small = {W, H, 200000, 0, 0, {5, 7, 4}, {3, 6, 2}, 0, 24};
static uint8_t buffers[3][W * H * 4];

/* Random drawing and presents: what is on the glass is always a whole picture, and the last one. */
static void two_buffers(void) {
    static const struct jl_format *const formats[] = {&jl_rgb565_cpu, &jl_rgb888, &jl_xrgb8888,
                                                      &jl_rgb332};
    struct test_random random = {15};
    for (int f = 0; f < 4; f++) {
        struct jl_scanout scan;
        struct jl_frame naive;
        size_t bytes = (size_t)(W * H * formats[f]->bits_per_pixel / 8);
        peripheral = (struct peripheral){0};
        EXPECT_INT(jl_scanout_open(&scan, &small, &ops, &peripheral, formats[f], buffers[0],
                                   buffers[1], sizeof buffers[0]),
                   JL_OK);
        EXPECT_INT(jl_frame_init(&naive, formats[f], W, H, buffers[2], sizeof buffers[2]), JL_OK);
        test_row("format %d", f);
        bool whole = true, hidden = true;
        int waits = 0;
        for (int i = 0; i < 400; i++) {
            jl_status status;
            while ((status = jl_scanout_poll(&scan)) == JL_BUSY) {
                waits++;
            }
            EXPECT_INT(status, JL_OK);
            hidden &= scan.frame.pixels != peripheral.now;
            for (int k = test_random_between(&random, 0, 4); k > 0; k--) {
                struct jl_rect r = {(int16_t)test_random_between(&random, -9, W),
                                    (int16_t)test_random_between(&random, -9, H),
                                    (int16_t)test_random_between(&random, 1, 20),
                                    (int16_t)test_random_between(&random, 1, 20)};
                jl_color color = test_random_next(&random) & 0xFFFFFF;
                jl_fill_rect(&scan.frame.target, r, color);
                jl_fill_rect(&naive.target, r, color);
            }
            EXPECT_INT(jl_scanout_present(&scan), JL_OK);
            EXPECT_INT(jl_scanout_present(&scan), JL_BUSY); /* the first look is one too early */
            while (jl_scanout_poll(&scan) == JL_BUSY) {
            }
            whole &= memcmp(peripheral.now, buffers[2], bytes) == 0;
        }
        EXPECT(whole);
        EXPECT(hidden);
        EXPECT_INT(waits, 0);
        EXPECT(peripheral.cleaned > bytes);
    }
}

static void one_buffer(void) {
    struct jl_scanout scan;
    peripheral = (struct peripheral){0};
    EXPECT_INT(jl_scanout_open(&scan, &small, &ops, &peripheral, &jl_rgb565_cpu, buffers[0], NULL,
                               sizeof buffers[0]),
               JL_OK);
    EXPECT(peripheral.now == buffers[0]);
    peripheral.cleaned = 0;
    jl_fill_rect(&scan.frame.target, (struct jl_rect){3, 4, 10, 5}, JL_WHITE);
    EXPECT_INT(jl_scanout_present(&scan), JL_OK);
    EXPECT_INT((long long)peripheral.cleaned, 10 * 5 * 2); /* what changed, no more */
    EXPECT_INT(jl_scanout_present(&scan), JL_OK);
    EXPECT_INT((long long)peripheral.cleaned, 10 * 5 * 2);
}

static void buffers_that_cannot_be(void) {
    static const struct jl_scanout_ops no_show = {NULL, is_shown, NULL};
    struct jl_scanout scan;
    struct jl_scanout_config bad = small;
    bad.line.sync = 0;
#define OPEN(config, table, format, first, second, bytes)                                          \
    jl_scanout_open(&scan, config, table, &peripheral, format, first, second, bytes)
    EXPECT_INT(OPEN(&small, &no_show, &jl_rgb888, buffers[0], NULL, sizeof buffers[0]),
               JL_BAD_ARGUMENT);
    EXPECT_INT(OPEN(&small, NULL, &jl_rgb888, buffers[0], NULL, sizeof buffers[0]),
               JL_BAD_ARGUMENT);
    EXPECT_INT(OPEN(&small, &ops, &jl_rgb888, buffers[0], buffers[0], sizeof buffers[0]),
               JL_BAD_ARGUMENT);
    EXPECT_INT(OPEN(&small, &ops, &jl_rgb888, NULL, buffers[0], sizeof buffers[0]),
               JL_BAD_ARGUMENT);
    EXPECT_INT(OPEN(&small, &ops, &jl_mono_rows, buffers[0], NULL, sizeof buffers[0]),
               JL_BAD_FRAME_FORMAT);
    EXPECT_INT(OPEN(&small, &ops, &jl_rgb888, buffers[0], NULL, W * H * 3 - 1), JL_TOO_SMALL);
    EXPECT_INT(OPEN(&bad, &ops, &jl_rgb888, buffers[0], NULL, sizeof buffers[0]), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_scanout_open(NULL, &small, &ops, NULL, &jl_rgb888, buffers[0], NULL, 1),
               JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_present(&scan), JL_BAD_ARGUMENT); /* not open after an error */
    EXPECT_INT(jl_scanout_poll(&scan), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_poll(NULL), JL_BAD_ARGUMENT);
}

const struct test_group test_groups[] = {
    {"sums_of_usual_glass", sums_of_usual_glass},
    {"sums_that_cannot_be", sums_that_cannot_be},
    {"right_pictures", right_pictures},
    {"shifts", shifts},
    {"wires", wires},
    {"other_mistakes", other_mistakes},
    {"two_buffers", two_buffers},
    {"one_buffer", one_buffer},
    {"buffers_that_cannot_be", buffers_that_cannot_be},
    {NULL, NULL},
};
