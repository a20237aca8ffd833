/*
 * Scan-out, the library's side: what follows from timings, by the sheets of usual glass; one and
 * two buffers, palettes and line buffers before a peripheral of a few lines; glass that is woken.
 */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/jadelamp.h"

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

enum { W = 60, H = 40 };

/* ---- buffers ---- */

/* A peripheral: what it scans, what it goes to at the next sync, and a cache before memory. */
static struct peripheral {
    const uint8_t *now, *next;
    int syncs_to_come;
    size_t cleaned;
    const jl_color *palette;
    int palettes;
    struct jl_scanout_lines *lines;
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

static void palette(void *context, const jl_color *colors) {
    struct peripheral *p = context;
    p->palette = colors;
    p->palettes++;
}

static void lines(void *context, struct jl_scanout_lines *of) {
    struct peripheral *p = context;
    p->lines = of;
}

static const struct jl_scanout_ops ops = {
    .show = show, .is_shown = is_shown, .clean = clean, .palette = palette, .lines = lines};
static const struct jl_scanout_config small = {W, H, 200000, 0, 0, {5, 7, 4}, {3, 6, 2}, 0, 24};
static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    (void)t;
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static const struct jl_port_ops port_ops = {.send = send, .wait_us = wait_us, .scanout = &ops};
static const struct jl_port port = {.ops = &port_ops, .context = &peripheral};
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
        EXPECT_INT(jl_scanout_open(&scan, &small, &port, formats[f], buffers[0], buffers[1],
                                   sizeof buffers[0]),
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
    EXPECT_INT(
        jl_scanout_open(&scan, &small, &port, &jl_rgb565_cpu, buffers[0], NULL, sizeof buffers[0]),
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
    static const struct jl_scanout_ops no_show = {.is_shown = is_shown};
    static const struct jl_scanout_ops no_look = {.show = show};
    static const struct jl_port_ops without = {.send = send, .wait_us = wait_us};
    static const struct jl_port_ops blind = {.scanout = &no_look}, still = {.scanout = &no_show};
    static const struct jl_port none = {.ops = NULL}, no_peripheral = {.ops = &without},
                                cannot_look = {.ops = &blind}, cannot_show = {.ops = &still};
    static const jl_color colors[256] = {0};
    struct jl_scanout_config bad = small;
    bad.line.sync = 0;
    uint8_t *one = buffers[0], *two = buffers[1];
    const struct {
        const char *name;
        const struct jl_scanout_config *config;
        const struct jl_port *port;
        const struct jl_format *format;
        void *first, *second;
        size_t bytes;
        jl_status status;
    } rows[] = {
        {"good", &small, &port, &jl_rgb888, one, two, W * H * 3, JL_OK},
        {"one", &small, &port, &jl_rgb888, one, NULL, W * H * 3, JL_OK},
        {"no config", NULL, &port, &jl_rgb888, one, two, W * H * 3, JL_BAD_ARGUMENT},
        {"no port", &small, NULL, &jl_rgb888, one, two, W * H * 3, JL_BAD_ARGUMENT},
        {"no format", &small, &port, NULL, one, two, W * H * 3, JL_BAD_ARGUMENT},
        {"no memory", &small, &port, &jl_rgb888, NULL, two, W * H * 3, JL_BAD_ARGUMENT},
        {"the same", &small, &port, &jl_rgb888, one, one, W * H * 3, JL_BAD_ARGUMENT},
        {"no operations", &small, &none, &jl_rgb888, one, two, W * H * 3, JL_BAD_PORT},
        {"no peripheral", &small, &no_peripheral, &jl_rgb888, one, two, W * H * 3, JL_BAD_PORT},
        {"cannot show", &small, &cannot_show, &jl_rgb888, one, two, W * H * 3, JL_BAD_PORT},
        {"cannot look", &small, &cannot_look, &jl_rgb888, one, two, W * H * 3, JL_BAD_PORT},
        {"bits", &small, &port, &jl_mono_rows, one, two, W * H * 3, JL_BAD_FRAME_FORMAT},
        {"pages", &small, &port, &jl_mono_columns, one, two, W * H * 3, JL_BAD_FRAME_FORMAT},
        {"planes", &small, &port, &jl_grey2_planes, one, two, W * H * 3, JL_BAD_FRAME_FORMAT},
        {"half bytes", &small, &port, &jl_grey4, one, two, W * H * 3, JL_BAD_FRAME_FORMAT},
        {"a palette", &small, &port, &jl_palette8, one, two, W * H * 3, JL_BAD_FRAME_FORMAT},
        {"too small", &small, &port, &jl_rgb888, one, two, W * H * 3 - 1, JL_TOO_SMALL},
        {"timings", &bad, &port, &jl_rgb888, one, two, W * H * 3, JL_OUT_OF_RANGE},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_scanout scan;
        peripheral = (struct peripheral){0};
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_scanout_open(&scan, rows[i].config, rows[i].port, rows[i].format,
                                   rows[i].first, rows[i].second, rows[i].bytes),
                   rows[i].status);
        EXPECT_INT(peripheral.now != NULL, rows[i].status == JL_OK); /* nothing is shown else */
        if (rows[i].status != JL_OK) {
            EXPECT_INT(jl_scanout_present(&scan), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_scanout_poll(&scan), JL_BAD_ARGUMENT);
        }
        EXPECT_INT(jl_scanout_recolor(&scan), JL_BAD_ARGUMENT);
    }
    struct jl_scanout scan;
    EXPECT_INT(jl_scanout_open(NULL, &small, &port, &jl_rgb888, one, NULL, W * H * 3),
               JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_poll(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_present(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_recolor(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_open_palette(&scan, &small, &port, NULL, one, NULL, W * H),
               JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scanout_open_palette(&scan, &small, &port, colors, one, NULL, W * H - 1),
               JL_TOO_SMALL);
    EXPECT_INT(jl_scanout_poll(&scan), JL_BAD_ARGUMENT);
    static const struct jl_scanout_ops plain = {.show = show, .is_shown = is_shown};
    static const struct jl_port_ops plain_ops = {.scanout = &plain};
    static const struct jl_port no_colors = {.ops = &plain_ops, .context = &peripheral};
    EXPECT_INT(jl_scanout_open_palette(&scan, &small, &no_colors, colors, one, NULL, W * H),
               JL_BAD_PORT);
}

/* Frames of indices: drawn in colours, shown by a table that may change. */
static void palettes(void) {
    static jl_color colors[256];
    struct jl_scanout scan;
    for (unsigned i = 0; i < 256; i++) {
        colors[i] = JL_RGB(i, 255 - i, i / 2);
    }
    peripheral = (struct peripheral){0};
    EXPECT_INT(jl_scanout_open_palette(&scan, &small, &port, colors, buffers[0], buffers[1], W * H),
               JL_OK);
    EXPECT(peripheral.palette == colors);
    EXPECT_INT(peripheral.palettes, 1);
    jl_fill_rect(&scan.frame.target, (struct jl_rect){2, 3, 4, 5}, colors[77]);
    EXPECT_INT(jl_scanout_present(&scan), JL_OK);
    while (jl_scanout_poll(&scan) == JL_BUSY) {
    }
    EXPECT_INT(peripheral.now[3 * W + 2], 77);
    EXPECT_INT(peripheral.now[7 * W + 5], 77);
    EXPECT_INT(peripheral.now[8 * W + 5], 0);
    EXPECT_BYTES(scan.frame.pixels, peripheral.now, W * H);
    EXPECT_INT(jl_scanout_recolor(&scan), JL_OK);
    EXPECT_INT(peripheral.palettes, 2);
}

/* ---- line buffers ---- */

static uint8_t line_memory[2][W * H * 4];

/* Goes through pictures as a peripheral does: a buffer at a time, then its interrupt. */
static void gather(uint8_t *picture, int pictures) {
    struct jl_scanout_lines *of = peripheral.lines;
    static int buffer;
    buffer = 0;
    for (int i = 0; i < pictures * H / of->rows; i++) {
        size_t at = (size_t)(i % (H / of->rows)) * of->buffer_bytes;
        memcpy(picture + at, of->buffers[buffer], of->buffer_bytes);
        buffer ^= 1;
        jl_scanout_refill(of);
    }
}

static void draw_something(struct jl_target *target) {
    jl_clear(target, JL_RGB(20, 40, 60));
    jl_fill_circle(target, 30, 20, 15, JL_RED);
    jl_draw_line(target, 0, 39, 59, 0, JL_WHITE);
    jl_stroke_rect(target, (struct jl_rect){0, 0, W, H}, JL_LIME);
}

static void draw_rows(void *context, struct jl_target *target) {
    ++*(int *)context;
    draw_something(target);
}

/* Drawn by rows it is the same picture as on a frame, for every height of a buffer that divides. */
static void line_buffers_that_are_drawn(void) {
    for (int16_t rows = 1; rows <= H; rows++) {
        struct jl_scanout_lines of;
        int calls = 0;
        size_t bytes = (size_t)(rows * W * 2);
        peripheral = (struct peripheral){0};
        test_row("%d rows", rows);
        jl_status status =
            jl_scanout_lines_open(&of, &small, &port, &jl_rgb565_cpu, rows, draw_rows, &calls,
                                  line_memory[0], line_memory[1], bytes);
        EXPECT_INT(status, H % rows ? JL_BAD_SIZE : JL_OK);
        if (status != JL_OK) {
            EXPECT(!peripheral.lines);
            continue;
        }
        EXPECT_INT(calls, 2);
        EXPECT(peripheral.cleaned == 2 * bytes);
        struct jl_frame naive;
        EXPECT_INT(jl_frame_init(&naive, &jl_rgb565_cpu, W, H, buffers[2], sizeof buffers[2]),
                   JL_OK);
        draw_something(&naive.target);
        for (int k = 0; k < 3; k++) { /* an odd number of buffers goes on in the other one */
            gather(buffers[1], H / rows % 2 ? 2 : 1);
            EXPECT_BYTES(buffers[1], buffers[2], W * H * 2);
        }
    }
}

/* From a frame: of the same format, of a palette, of more bits. */
static void line_buffers_from_a_frame(void) {
    static const struct jl_format *const formats[] = {&jl_rgb565_cpu, &jl_rgb888, &jl_palette8,
                                                      &jl_rgb332};
    static jl_color colors[256];
    for (unsigned i = 0; i < 256; i++) { /* that 5-6-5 holds exactly */
        unsigned r = i % 32, g = i * 7 % 64, b = i * 5 % 32;
        colors[i] = JL_RGB(r << 3 | r >> 2, g << 2 | g >> 4, b << 3 | b >> 2);
    }
    for (int f = 0; f < 4; f++) {
        struct jl_scanout_lines of;
        struct jl_frame frame, naive;
        test_row("format %d", f);
        peripheral = (struct peripheral){0};
        if (formats[f] == &jl_palette8) {
            EXPECT_INT(jl_frame_init_palette(&frame, formats[f], colors, W, H, buffers[0], W * H),
                       JL_OK);
        } else {
            EXPECT_INT(jl_frame_init(&frame, formats[f], W, H, buffers[0], sizeof buffers[0]),
                       JL_OK);
        }
        EXPECT_INT(jl_frame_init(&naive, &jl_rgb565_cpu, W, H, buffers[2], sizeof buffers[2]),
                   JL_OK);
        for (int16_t y = 0; y < H; y++) {
            for (int16_t x = 0; x < W; x++) {
                jl_color c = colors[(x * 3 + y * 11) % 256], back;
                jl_draw_pixel(&frame.target, x, y, c);
                frame.target.ops->get(&frame.target, x, y, 1, &back);
                jl_draw_pixel(&naive.target, x, y, back);
            }
        }
        EXPECT_INT(jl_scanout_lines_open(&of, &small, &port, &jl_rgb565_cpu, 8,
                                         jl_scanout_from_frame, &frame, line_memory[0],
                                         line_memory[1], 8 * W * 2),
                   JL_OK);
        gather(buffers[1], 2);
        EXPECT_BYTES(buffers[1], buffers[2], W * H * 2);
    }
}

static void line_buffers_that_cannot_be(void) {
    static const struct jl_scanout_ops frames_only = {.show = show, .is_shown = is_shown};
    static const struct jl_port_ops frames_ops = {.scanout = &frames_only};
    static const struct jl_port frames_port = {.ops = &frames_ops};
    struct jl_scanout_lines of;
    int calls = 0;
    uint8_t *one = line_memory[0], *two = line_memory[1];
    const struct {
        const char *name;
        struct jl_scanout_lines *lines;
        const struct jl_port *port;
        const struct jl_format *format;
        int rows;
        jl_scanout_rows_fn fn;
        uint8_t *first, *second;
        size_t bytes;
        jl_status status;
    } rows[] = {
        {"no lines", NULL, &port, &jl_rgb332, 8, draw_rows, one, two, 480, JL_BAD_ARGUMENT},
        {"no rows", &of, &port, &jl_rgb332, 8, NULL, one, two, 480, JL_BAD_ARGUMENT},
        {"one buffer", &of, &port, &jl_rgb332, 8, draw_rows, one, NULL, 480, JL_BAD_ARGUMENT},
        {"the same", &of, &port, &jl_rgb332, 8, draw_rows, one, one, 480, JL_BAD_ARGUMENT},
        {"no first", &of, &port, &jl_rgb332, 8, draw_rows, NULL, two, 480, JL_BAD_ARGUMENT},
        {"no port", &of, NULL, &jl_rgb332, 8, draw_rows, one, two, 480, JL_BAD_ARGUMENT},
        {"no lines in it", &of, &frames_port, &jl_rgb332, 8, draw_rows, one, two, 480, JL_BAD_PORT},
        {"zero rows", &of, &port, &jl_rgb332, 0, draw_rows, one, two, 480, JL_BAD_SIZE},
        {"less", &of, &port, &jl_rgb332, -8, draw_rows, one, two, 480, JL_BAD_SIZE},
        {"too small", &of, &port, &jl_rgb332, 8, draw_rows, one, two, 479, JL_TOO_SMALL},
        {"palette", &of, &port, &jl_palette8, 8, draw_rows, one, two, 480, JL_BAD_FRAME_FORMAT},
        {"bits", &of, &port, &jl_mono_rows, 8, draw_rows, one, two, 480, JL_BAD_FRAME_FORMAT},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        peripheral = (struct peripheral){0};
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_scanout_lines_open(rows[i].lines, &small, rows[i].port, rows[i].format,
                                         (int16_t)rows[i].rows, rows[i].fn, &calls, rows[i].first,
                                         rows[i].second, rows[i].bytes),
                   rows[i].status);
        EXPECT(!peripheral.lines);
    }
    EXPECT_INT(calls, 0);
    /* A frame of another height, too. */
    struct jl_frame low;
    EXPECT_INT(jl_frame_init(&low, &jl_rgb332, W, H - 1, buffers[0], sizeof buffers[0]), JL_OK);
    memset(buffers[0], 0x11, sizeof buffers[0]);
    memset(line_memory, 0xA5, sizeof line_memory);
    EXPECT_INT(jl_scanout_lines_open(&of, &small, &port, &jl_rgb332, 8, jl_scanout_from_frame, &low,
                                     one, two, 480),
               JL_OK);
    EXPECT_INT(two[3], 0xA5); /* not a row of it */
    /* A frame of another size gives no rows, and harms nothing. */
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb332, W - 1, H, buffers[0], sizeof buffers[0]), JL_OK);
    memset(line_memory, 0xA5, sizeof line_memory);
    EXPECT_INT(jl_scanout_lines_open(&of, &small, &port, &jl_rgb332, 8, jl_scanout_from_frame,
                                     &frame, one, two, 480),
               JL_OK);
    EXPECT_INT(one[480], 0xA5);
    EXPECT_INT(two[479], 0xA5);
}

/* Rows of the frame lie further apart than those of the buffers. */
static void line_buffers_from_a_strided_frame(void) {
    struct jl_scanout_lines of;
    struct jl_frame frame, naive;
    peripheral = (struct peripheral){0};
    EXPECT_INT(jl_frame_init_strided(&frame, &jl_rgb565_cpu, W, H, buffers[0], sizeof buffers[0],
                                     W * 2 + 6),
               JL_OK);
    EXPECT_INT(jl_frame_init(&naive, &jl_rgb565_cpu, W, H, buffers[2], sizeof buffers[2]), JL_OK);
    draw_something(&frame.target);
    draw_something(&naive.target);
    EXPECT_INT(jl_scanout_lines_open(&of, &small, &port, &jl_rgb565_cpu, 8, jl_scanout_from_frame,
                                     &frame, line_memory[0], line_memory[1], 8 * W * 2),
               JL_OK);
    gather(buffers[1], 2);
    EXPECT_BYTES(buffers[1], buffers[2], W * H * 2);
}

/* ---- the life of such glass: what it takes and what it refuses ---- */

static void glass_that_is_woken(void) {
    static const struct jl_panel_config config = {
        .controller = &jl_rgb_glass, .bus = &jl_bus_rgb, .width = W, .height = H};
    static const struct jl_port_ops without = {.send = send, .wait_us = wait_us};
    static const struct jl_port no_peripheral = {.ops = &without};
    struct jl_panel panel;
    struct jl_frame frame;
    EXPECT_INT(jl_panel_open(&panel, &config, &no_peripheral), JL_BAD_PORT);
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_frame(&panel, &frame, buffers[0], sizeof buffers[0]), JL_OK);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_UNSUPPORTED); /* there is nothing to write to */
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_contrast(&panel, 3), JL_UNSUPPORTED);
    EXPECT_INT(jl_panel_invert(&panel, true), JL_UNSUPPORTED);
    EXPECT_INT(jl_panel_sleep(&panel), JL_UNSUPPORTED);
    EXPECT_INT(jl_panel_light(&panel, true), JL_UNSUPPORTED); /* not wired */
}

const struct test_group test_groups[] = {
    {"sums_of_usual_glass", sums_of_usual_glass},
    {"sums_that_cannot_be", sums_that_cannot_be},
    {"two_buffers", two_buffers},
    {"one_buffer", one_buffer},
    {"buffers_that_cannot_be", buffers_that_cannot_be},
    {"palettes", palettes},
    {"line_buffers_that_are_drawn", line_buffers_that_are_drawn},
    {"line_buffers_from_a_frame", line_buffers_from_a_frame},
    {"line_buffers_from_a_strided_frame", line_buffers_from_a_strided_frame},
    {"line_buffers_that_cannot_be", line_buffers_that_cannot_be},
    {"glass_that_is_woken", glass_that_is_woken},
    {NULL, NULL},
};
