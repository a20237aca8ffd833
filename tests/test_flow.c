/*
 * The ways pixels take: asynchronously, by bands with two buffers, converted, directly, as solid
 * fills; what is lost when a buffer is drawn on in flight; and tearing.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "kinds.h"
#include "naive.h"
#include "stage.h"

static void draw_scene(struct jl_target *t, int seed) {
    int16_t w = t->width, h = t->height;
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_YELLOW, .paper = JL_NAVY};
    jl_clear(t, JL_RGB(20, 40, 60));
    jl_fill_circle(t, (int16_t)(w / 2), (int16_t)(h / 2), (int16_t)(h / 3 + seed), JL_ORANGE);
    jl_draw_wide_line(t, (struct jl_point){0, (int16_t)(seed * 3)}, (struct jl_point){w, h}, 5,
                      JL_AQUA);
    jl_text(t, 5, (int16_t)(10 + seed), "Heron Quay", &style);
}

/* JL_OK, and still on its way. */
static void expect_started(jl_status status, struct jl_async *async) {
    EXPECT_INT(status, JL_OK);
    EXPECT_INT(jl_async_poll(async), JL_BUSY);
}

static int ready_calls;
static void count_ready(void *context) {
    ready_calls++;
    EXPECT(context == &ready_calls);
}

/* Frames, damage, pieces: the same glass as with blocking calls, on every bus. */
static void async_equals_blocking(void) {
    static const struct jl_bus *const buses[] = {&jl_bus_spi, &jl_bus_spi_3wire, &jl_bus_8080_8,
                                                 &jl_bus_8080_16, &jl_bus_i2c};
    for (int bus = 0; bus < 5; bus++) {
        for (int rich = 0; rich < 2; rich++) {
            const struct make *make =
                make_named(buses[bus] == &jl_bus_i2c ? "ssd1327 128x128" : "st7789 135x240");
            struct stage stage;
            struct jl_async async;
            struct jl_damage damage;
            test_row("bus %d, rich %d", buses[bus]->kind, rich);
            stage_open(&stage, make,
                       &(struct wish){.bus = buses[bus],
                                      .ops = rich && buses[bus] != &jl_bus_i2c
                                                 ? &jl_sim_port_rich_ops
                                                 : &jl_sim_port_ops,
                                      .format = bus == 3 ? &jl_rgb565_cpu : NULL});
            stage.port.least_start_bytes = 64;
            struct jl_frame frame = stage_frame(&stage, 0);
            jl_frame_track(&frame, &damage);
            EXPECT_INT(jl_async_init(&async, &stage.panel, count_ready, &ready_calls), JL_OK);
            EXPECT_INT(jl_async_present(&async, &frame), JL_NOT_AWAKE);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            draw_scene(&frame.target, 0);
            ready_calls = 0;
            jl_status status = jl_async_present(&async, &frame);
            bool flies = rich && buses[bus] != &jl_bus_spi_3wire && buses[bus] != &jl_bus_i2c;
            EXPECT_INT(status, JL_OK);
            EXPECT_INT(jl_async_poll(&async), flies ? JL_BUSY : JL_OK);
            EXPECT_INT(ready_calls, !flies);
            EXPECT_INT(jl_async_finish(&async), JL_OK);
            EXPECT_INT(ready_calls, 1);
            stage_expect_shown(&stage, make, &frame);
            /* Only the damage, in several areas of which some lines are too short to fly. */
            jl_fill_rect(&frame.target, (struct jl_rect){4, 4, 20, 9}, JL_RED);
            jl_fill_rect(&frame.target, (struct jl_rect){60, 100, 60, 20}, JL_WHITE);
            uint64_t before = stage.sim.stream ? jl_stream_byte_count(stage.sim.stream) : 0;
            EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
            EXPECT_INT(jl_async_finish(&async), JL_OK);
            EXPECT_INT(ready_calls, 2);
            if (buses[bus] == &jl_bus_spi) {
                EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - before),
                           2 * 11 + 2 * (20 * 9 + 60 * 20));
            }
            EXPECT_INT(jl_async_present(&async, &frame), JL_OK); /* nothing changed */
            stage_expect_shown(&stage, make, &frame);
            stage_expect_content(&stage);
            stage_close(&stage);
        }
    }
}

static void async_pieces(void) {
    static uint16_t pieces[2][64 * 40];
    const struct make *make = make_named("ili9341 240x320");
    struct stage stage;
    struct jl_async async;
    stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops, .turn = JL_TURN_90});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    expect_started(jl_async_present(&async, &frame), &async);
    /* 5 x 6 pieces of 64x40 that a toolkit draws alternately in two buffers. */
    int16_t stride = frame.target.width;
    for (int i = 0; i < 30; i++) {
        struct jl_frame piece;
        struct jl_rect area = {(int16_t)(i % 5 * 64), (int16_t)(i / 5 * 40), 64, 40};
        EXPECT_INT(jl_frame_init(&piece, &jl_rgb565, 64, 40, pieces[i % 2], sizeof pieces[0]),
                   JL_OK);
        draw_scene(&piece.target, i);
        expect_started(jl_async_send(&async, area, pieces[i % 2], 128), &async);
        for (int y = 0; y < 40; y++) {
            memcpy(frame.pixels + ((size_t)(area.y + y) * (size_t)stride + (size_t)area.x) * 2,
                   pieces[i % 2] + y * 64, 128);
        }
        /* Drawing takes time, too, and polling goes on with the lines meanwhile. */
        for (int turn = 0; turn < i * 40; turn++) {
            jl_status status = jl_async_poll(&async);
            EXPECT(status == JL_OK || status == JL_BUSY);
        }
    }
    EXPECT_INT(jl_async_send(&async, (struct jl_rect){300, 0, 64, 40}, pieces[0], 128),
               JL_OUT_OF_RANGE);
    EXPECT_INT(jl_async_send(&async, (struct jl_rect){0, 0, 64, 40}, NULL, 128), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_finish(&async), JL_OK);
    stage_expect_shown(&stage, make, &frame);
    stage_expect_content(&stage);
    stage_close(&stage);
}

/* Every other call waits for the end by itself: nothing changes in the middle. */
static void calls_wait_for_the_end(void) {
    const struct make *make = make_named("st7789 240x240");
    for (int call = 0; call < 7; call++) {
        struct stage stage;
        struct jl_async async;
        test_row("call %d", call);
        stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
        struct jl_frame frame = stage_frame(&stage, 0);
        struct jl_frame other = stage_frame(&stage, 1);
        EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        draw_scene(&frame.target, 1);
        expect_started(jl_async_present(&async, &frame), &async);
        uint64_t start = jl_board_now_ps(stage.board);
        jl_status status = JL_OK;
        switch (call) {
        case 0:
            status = jl_panel_sleep(&stage.panel);
            break;
        case 1:
            status = jl_panel_contrast(&stage.panel, 255);
            break;
        case 2:
            status = jl_panel_invert(&stage.panel, false);
            break;
        case 3:
            status = jl_async_present(&async, &frame);
            break;
        case 4:
            status = jl_panel_present(&stage.panel, &frame);
            break;
        case 5:
            status = jl_panel_wake(&stage.panel);
            break;
        default:
            memcpy(other.pixels, frame.pixels, 240 * 240 * 2);
            status = jl_async_present(&async, &other);
            break;
        }
        EXPECT_INT(status, JL_OK);
        /* 115200 bytes at 15.15 MHz */
        EXPECT((double)(jl_board_now_ps(stage.board) - start) / 1e9 > 60.8);
        EXPECT_INT(jl_async_finish(&async), JL_OK);
        if (call == 0) {
            EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
        }
        if (call == 5) {
            EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        }
        stage_expect_shown(&stage, make, &frame);
        stage_expect_content(&stage);
        stage_close(&stage);
    }
}

/* The fault and its absence: one buffer that is drawn on in flight, and two. */
static void overwritten_in_flight(void) {
    for (int buffers = 1; buffers <= 2; buffers++) {
        const struct make *make = make_named("st7789 240x240");
        struct stage stage;
        struct jl_async async;
        test_row("%d buffers", buffers);
        stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
        struct jl_frame frames[2] = {stage_frame(&stage, 0), stage_frame(&stage, 1)};
        struct jl_frame *second = &frames[buffers - 1];
        EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        jl_clear(&frames[0].target, JL_RED);
        EXPECT_INT(jl_async_present(&async, &frames[0]), JL_OK);
        uint64_t start = jl_board_now_ps(stage.board);
        /* A quarter of the picture is out when the next one is drawn. */
        jl_board_wait_ps(stage.board, (uint64_t)(115200 / 4) * 8 * 66000);
        jl_clear(&second->target, JL_LIME);
        EXPECT_INT(jl_async_finish(&async), JL_OK);
        struct jl_picture seen;
        EXPECT(jl_device_picture(stage.device, &seen));
        int red_rows = 0, lime_rows = 0;
        for (int y = 0; y < 240; y++) {
            red_rows += jl_picture_at(&seen, 0, y)[0] == 255;
            lime_rows += jl_picture_at(&seen, 0, y)[1] == 255;
        }
        EXPECT_INT(red_rows, buffers == 1 ? 60 : 240);
        EXPECT_INT(lime_rows, buffers == 1 ? 180 : 0);
        if (buffers == 1) {
            char expected[160];
            const struct jl_diagnostic *list;
            stage_expect_complaint(&stage,
                                   "was overwritten in flight: byte 28800 of 115200 was F8");
            snprintf(expected, sizeof expected, "the buffer at %p", (void *)frames[0].pixels);
            size_t count = jl_board_diagnostics(stage.board, &list);
            EXPECT_CONTAINS(list[count - 1].text, expected);
            snprintf(expected, sizeof expected, "started at %.3f ms", (double)start / 1e9);
            EXPECT_CONTAINS(list[count - 1].text, expected);
            /* the wire took the first wrong byte a quarter of the way */
            EXPECT_INT((long long)(list[count - 1].at_ps - start), 28800ll * 8 * 66000);
        } else {
            stage_expect_content(&stage);
            expect_started(jl_async_present(&async, second), &async);
            EXPECT_INT(jl_async_finish(&async), JL_OK);
            stage_expect_shown(&stage, make, second);
        }
        jl_picture_free(&seen);
        stage_close(&stage);
    }
}

static void bands_in_two_buffers(void) {
    static uint16_t a[240 * 16], b[240 * 16];
    const struct make *make = make_named("ili9341 240x320");
    static const size_t sizes[] = {240 * 2, 240 * 2 * 7 + 5, sizeof a};
    for (int two = 0; two < 2; two++) {
        for (int size = 0; size < 3; size++) {
            struct stage stage;
            struct jl_async async;
            struct jl_bands bands;
            test_row("%d buffers, %zu bytes", two + 1, sizes[size]);
            stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
            struct jl_frame frame = stage_frame(&stage, 0);
            EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            draw_scene(&frame.target, 2);
            EXPECT_INT(two ? jl_bands_begin_async(&bands, &async, a, b, sizes[size])
                           : jl_bands_begin(&bands, &stage.panel, a, sizes[size]),
                       JL_OK);
            for (int band = 0; jl_bands_next(&bands); band++) {
                /* with two, the band before is still on the wire */
                EXPECT_INT(jl_stream_busy(stage.sim.stream), two && band > 0);
                draw_scene(&bands.frame.target, 2);
            }
            EXPECT_INT(jl_bands_end(&bands), JL_OK);
            EXPECT(!jl_stream_busy(stage.sim.stream));
            stage_expect_shown(&stage, make, &frame);
            stage_expect_content(&stage);
            EXPECT_INT(jl_bands_begin_async(&bands, &async, a, NULL, sizeof a), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_bands_begin_async(&bands, NULL, a, b, sizeof a), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_bands_begin_async(&bands, &async, a, b, 479), JL_TOO_SMALL);
            stage_close(&stage);
        }
    }
}

/* All bands of a picture share a window, until another command comes between. */
static void bands_share_a_window(void) {
    static uint16_t a[240 * 16], b[240 * 16];
    const struct make *make = make_named("st7789 240x240");
    for (int two = 0; two < 2; two++) {
        for (int call = 0; call < 5; call++) {
            struct stage stage;
            struct jl_async async;
            struct jl_bands bands;
            test_row("%d buffers, call %d", two + 1, call);
            stage_open(&stage, make,
                       &(struct wish){.ops = &jl_sim_port_rich_ops, .motion = &jl_dcs_motion});
            struct jl_frame frame = stage_frame(&stage, 0);
            EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            draw_scene(&frame.target, 5);
            uint64_t before = jl_stream_byte_count(stage.sim.stream);
            EXPECT_INT(two ? jl_bands_begin_async(&bands, &async, a, b, sizeof a)
                           : jl_bands_begin(&bands, &stage.panel, a, sizeof a),
                       JL_OK);
            for (int band = 0; jl_bands_next(&bands); band++) {
                draw_scene(&bands.frame.target, 5);
                jl_status status = JL_OK;
                if (band == 6 && call == 1) {
                    status = jl_panel_contrast(&stage.panel, 255);
                } else if (band == 6 && call == 2) {
                    status = jl_panel_roll(&stage.panel, 0, 240, 0);
                } else if (band == 6 && call == 3) {
                    status = jl_panel_send(&stage.panel, (struct jl_rect){0, 0, 3, 2}, frame.pixels,
                                           480);
                } else if (band == 6 && call == 4) {
                    status = jl_panel_wake(&stage.panel);
                }
                EXPECT_INT(status, JL_OK);
            }
            EXPECT_INT(jl_bands_end(&bands), JL_OK);
            if (call == 0) {
                EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - before),
                           11 + 240 * 240 * 2);
            }
            if (call == 4) { /* the wake-up made the upper bands black */
                jl_fill_rect(&frame.target, (struct jl_rect){0, 0, 240, 6 * 16}, JL_BLACK);
            }
            stage_expect_shown(&stage, make, &frame);
            stage_expect_content(&stage);
            stage_close(&stage);
        }
    }
}

/* ---- errors ---- */

/* A port on the board whose n-th call of send, start or poll fails. */
static struct {
    struct jl_sim_port *sim;
    long left;
} failing;

static bool fails(void) {
    return failing.left-- == 0;
}

static jl_status failing_send(void *context, const struct jl_transfer *t) {
    (void)context;
    return fails() ? JL_BUS_ERROR : jl_sim_port_rich_ops.send(failing.sim, t);
}
static jl_status failing_start(void *context, const struct jl_transfer *t) {
    (void)context;
    return fails() ? JL_TIMEOUT : jl_sim_port_rich_ops.start(failing.sim, t);
}
static jl_status failing_poll(void *context) {
    (void)context;
    if (fails()) {
        jl_stream_finish(failing.sim->stream);
        return JL_NO_ANSWER;
    }
    jl_board_wait_ps(failing.sim->board, 1000000000u); /* few looks, so that all can fail */
    return jl_sim_port_rich_ops.poll(failing.sim);
}
static void failing_wait(void *context, uint32_t microseconds) {
    (void)context;
    jl_sim_port_rich_ops.wait_us(failing.sim, microseconds);
}
static void failing_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    jl_sim_port_rich_ops.set_pin(failing.sim, pin, high);
}

static void async_fails_at_every_call(void) {
    static const struct jl_port_ops ops = {.send = failing_send,
                                           .wait_us = failing_wait,
                                           .set_pin = failing_pin,
                                           .start = failing_start,
                                           .poll = failing_poll};
    const struct make *make = make_named("ssd1331 96x64");
    for (long n = 0;; n++) {
        struct stage stage;
        struct jl_async async;
        struct jl_damage damage;
        test_row("call %ld", n);
        stage_open(&stage, make, &(struct wish){.ops = &ops});
        stage.port.context = NULL;
        stage.port.most_body_bytes = 5000; /* three transfers a picture */
        failing.sim = &stage.sim;
        failing.left = -1;
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_frame_track(&frame, &damage);
        EXPECT_INT(jl_async_init(&async, &stage.panel, count_ready, &ready_calls), JL_OK);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        draw_scene(&frame.target, 1);
        ready_calls = 0;
        failing.left = n;
        jl_status status = jl_async_present(&async, &frame);
        if (status == JL_OK) {
            jl_board_wait_ps(stage.board, 9000000000u); /* more than one of the transfers */
            status = jl_async_finish(&async);
        }
        bool failed = failing.left < 0;
        EXPECT_INT(ready_calls, 1);
        EXPECT_INT(status == JL_OK, !failed);
        if (failed) {
            EXPECT_INT(jl_async_present(&async, &frame), JL_NOT_AWAKE);
            failing.left = -1;
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            expect_started(jl_async_present(&async, &frame), &async);
            EXPECT_INT(jl_async_finish(&async), JL_OK);
        }
        stage_expect_shown(&stage, make, &frame);
        stage_close(&stage);
        if (!failed) {
            EXPECT(n > 5);
            break;
        }
    }
    EXPECT_INT(jl_async_init(NULL, NULL, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_poll(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_finish(NULL), JL_BAD_ARGUMENT);
}

/* ---- converted, direct, filled ---- */

static const jl_color palette[16] = {JL_BLACK,
                                     JL_WHITE,
                                     JL_NAVY,
                                     JL_AQUA,
                                     JL_ORANGE,
                                     JL_YELLOW,
                                     JL_RED,
                                     JL_LIME,
                                     JL_RGB(20, 40, 60),
                                     JL_RGB(99, 99, 99),
                                     JL_BLUE,
                                     JL_GREEN,
                                     JL_TEAL,
                                     JL_PURPLE,
                                     JL_SILVER,
                                     JL_GRAY};

/* The index of a pixel of two to a byte, the left one in the high nibble. */
static int palette_index(const uint8_t *pixels, int w, int x, int y) {
    return pixels[(w + 1) / 2 * y + x / 2] >> (x % 2 ? 0 : 4) & 15;
}

static void converted(void) {
    static uint8_t pixels[240 * 240], memory[600];
    static const struct {
        const char *make;
        const struct jl_format *format; /* NULL: the palette */
        size_t memory_bytes;
    } rows[] = {
        {"st7789 240x240", &jl_rgb332, 480},        {"st7789 240x240", NULL, 480},
        {"st7789 240x240", &jl_rgb332, 2},          {"st7789 135x240", NULL, 7},
        {"st7735 128x160 offset", NULL, 600},       {"ili9488 320x480", &jl_mono_rows, 600},
        {"ssd1351 128x128", &jl_mono_columns, 256}, {"ssd1322 256x64", &jl_mono_columns, 128},
        {"ssd1327 128x128", &jl_rgb332, 3},         {"ssd1331 96x64", &jl_grey4, 100},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = make_named(rows[i].make);
        const struct jl_format *format = rows[i].format;
        struct jl_damage damage;
        struct stage stage;
        struct jl_frame small;
        test_row("row %zu, %s", i, make->name);
        stage_open(&stage, make, &(struct wish){0});
        struct jl_frame full = stage_frame(&stage, 0);
        int16_t w = full.target.width, h = full.target.height;
        EXPECT_INT(format ? jl_frame_init(&small, format, w, h, pixels, sizeof pixels)
                          : jl_frame_init_palette(&small, &jl_palette4, palette, w, h, pixels,
                                                  sizeof pixels),
                   JL_OK);
        jl_frame_track(&small, &damage);
        EXPECT_INT(jl_panel_present_as(&stage.panel, &small, memory, 600), JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        draw_scene(&small.target, 3);
        EXPECT_INT(jl_panel_present_as(&stage.panel, &small, memory, rows[i].memory_bytes), JL_OK);
        jl_fill_rect(&small.target, (struct jl_rect){33, 17, 9, 5}, JL_LIME);
        uint64_t before = jl_stream_byte_count(stage.sim.stream);
        EXPECT_INT(jl_panel_present_as(&stage.panel, &small, memory, rows[i].memory_bytes), JL_OK);
        EXPECT(jl_stream_byte_count(stage.sim.stream) - before < 300); /* the damage alone */
        /* What each pixel means, stored the way the panel stores it. */
        const struct kind *to = kind_of(full.format);
        const struct kind *from = format ? kind_of(format) : NULL;
        struct jl_picture seen = stage_look(&stage);
        int wrong = 0;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                jl_color c = to->store(from ? from->see(pixels, w, h, x, y)
                                            : palette[palette_index(pixels, w, x, y)]);
                const uint8_t *at = jl_picture_at(&seen, x, y);
                wrong += JL_RGB((jl_color)at[0], (jl_color)at[1], (jl_color)at[2]) != c;
            }
        }
        EXPECT_INT(wrong, 0);
        jl_picture_free(&seen);
        EXPECT_INT(jl_panel_present_as(&stage.panel, &small, memory, 0), JL_TOO_SMALL);
        EXPECT_INT(jl_panel_present_as(&stage.panel, &small, NULL, 600), JL_BAD_ARGUMENT);
        EXPECT_INT(jl_panel_present(&stage.panel, &small), JL_BAD_FRAME_FORMAT);
        stage_expect_content(&stage);
        stage_close(&stage);
    }
}

/* The palette format itself: the nearest colour by the sum of squares. */
static void palette_takes_the_nearest(void) {
    struct jl_frame frame;
    uint8_t pixels[8];
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_palette4, palette, 4, 2, pixels, sizeof pixels),
               JL_OK);
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_palette4, NULL, 4, 2, pixels, sizeof pixels),
               JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_palette4, palette, 4, 2, pixels, 3), JL_TOO_SMALL);
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_palette4, palette, 4, 2, pixels, sizeof pixels),
               JL_OK);
    struct test_random random = {99};
    for (int i = 0; i < 300; i++) {
        jl_color c = test_random_next(&random) & 0xFFFFFF, row[1];
        long best = -1;
        int index = 0;
        for (int p = 0; p < 16; p++) {
            long sum = 0;
            for (int shift = 0; shift <= 16; shift += 8) {
                long d = (long)(palette[p] >> shift & 255) - (long)(c >> shift & 255);
                sum += d * d;
            }
            if (best < 0 || sum < best) {
                best = sum;
                index = p;
            }
        }
        jl_draw_pixel(&frame.target, 1, 1, c);
        EXPECT_INT(pixels[2] & 15, index);
        frame.target.ops->get(&frame.target, 1, 1, 1, row);
        EXPECT_INT(row[0], palette[index]);
    }
    /* Without a palette it draws black and reads black, but does not crash. */
    EXPECT_INT(jl_frame_init(&frame, &jl_palette4, 4, 2, pixels, sizeof pixels), JL_OK);
    jl_clear(&frame.target, JL_WHITE);
    EXPECT_INT(pixels[0], 0);
}

static void direct_on_color(void) {
    static uint8_t line[240 * 3];
    static const char *const names[] = {"st7789 240x320", "ssd1351 128x128", "ili9488 320x480"};
    for (int i = 0; i < 3; i++) {
        for (int rich = 0; rich < 2; rich++) {
            const struct make *make = make_named(names[i]);
            struct stage stage;
            struct jl_direct direct;
            test_row("%s, rich %d", names[i], rich);
            stage_open(&stage, make,
                       &(struct wish){.ops = rich ? &jl_sim_port_rich_ops : &jl_sim_port_ops,
                                      .turn = JL_TURN_270});
            struct jl_frame frame = stage_frame(&stage, 0);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            EXPECT_INT(jl_direct_init(&direct, &stage.panel, line, sizeof line), JL_OK);
            draw_scene(&frame.target, 4);
            draw_scene(&direct.target, 4);
            EXPECT_INT(direct.status, JL_OK);
            stage_expect_shown(&stage, make, &frame);
            stage_expect_content(&stage);
            stage_close(&stage);
        }
    }
}

/* Drawing directly waits for what is on the wire, and leaves a sleeping panel alone. */
static void direct_knows_the_panel(void) {
    static uint8_t line[240 * 2];
    const struct make *make = make_named("st7789 240x240");
    struct stage stage;
    struct jl_async async;
    struct jl_direct direct;
    struct jl_bands bands;
    stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_direct_init(&direct, &stage.panel, line, sizeof line), JL_OK);
    draw_scene(&frame.target, 2);
    expect_started(jl_async_present(&async, &frame), &async);
    jl_fill_rect(&direct.target, (struct jl_rect){20, 30, 50, 40}, JL_LIME);
    EXPECT_INT(direct.status, JL_OK);
    jl_fill_rect(&frame.target, (struct jl_rect){20, 30, 50, 40}, JL_LIME);
    stage_expect_shown(&stage, make, &frame);
    EXPECT_INT(jl_bands_begin(&bands, &stage.panel, line, sizeof line), JL_OK);
    EXPECT(jl_bands_next(&bands));
    EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
    uint64_t bytes = jl_stream_byte_count(stage.sim.stream);
    EXPECT(!jl_bands_next(&bands));
    EXPECT_INT(jl_bands_end(&bands), JL_NOT_AWAKE);
    jl_clear(&direct.target, JL_RED);
    EXPECT_INT(direct.status, JL_NOT_AWAKE);
    EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - bytes), 0);
    EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
    stage_expect_shown(&stage, make, &frame);
    stage_expect_content(&stage);
    stage_close(&stage);
}

/* A clear is one window and, with repeat(), one transfer; else few of what memory there is. */
static void fills_use_few_transfers(void) {
    static uint8_t memory[4096];
    static const struct {
        bool rich;
        size_t memory_bytes;
        int most_transfers;
    } rows[] = {{true, 0, 1}, {false, 0, 115200 / 192}, {false, 4096, 29}, {false, 100, 600}};
    for (size_t i = 0; i < 4; i++) {
        const struct make *make = make_named("st7789 240x240");
        struct stage stage;
        struct jl_direct direct;
        uint8_t pixel[2];
        test_row("row %zu", i);
        stage_open(&stage, make,
                   &(struct wish){.ops = rows[i].rich ? &jl_sim_port_rich_ops : &jl_sim_port_ops,
                                  .overhead_ns = 1000000});
        stage.port.work_memory = memory;
        stage.port.work_memory_bytes = (uint16_t)rows[i].memory_bytes;
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_direct_init(&direct, &stage.panel, pixel, sizeof pixel), JL_OK);
        uint64_t start = jl_board_now_ps(stage.board);
        jl_clear(&direct.target, JL_ORANGE);
        /* Each transfer costs 1 ms of overhead here; the window has 5. */
        double ms = (double)(jl_board_now_ps(stage.board) - start) / 1e9;
        int transfers = (int)(ms - 115211 * 8 * 66e-6 + 0.5) - 5;
        EXPECT_INT(transfers, rows[i].most_transfers);
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_clear(&frame.target, JL_ORANGE);
        stage_expect_shown(&stage, make, &frame);
        stage_close(&stage);
    }
}

/* Lines of a narrow area: one CS, and with work memory few transfers; the same glass. */
static void narrow_areas_are_gathered(void) {
    static uint16_t memory[256];
    static const struct {
        int memory_bytes, transfers;
    } rows[] = {{0, 20}, {59, 20}, {119, 20}, {120, 10}, {200, 7}, {512, 3}};
    const struct make *make = make_named("st7789 240x240");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage stage;
        struct jl_damage damage;
        test_row("%d bytes", rows[i].memory_bytes);
        stage_open(&stage, make, &(struct wish){.overhead_ns = 1000000});
        stage.port.work_memory = (uint8_t *)memory;
        stage.port.work_memory_bytes = (uint16_t)rows[i].memory_bytes;
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_frame_track(&frame, &damage);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        jl_fill_gradient(&frame.target, (struct jl_rect){100, 50, 30, 20}, JL_AXIS_X, JL_RED,
                         JL_BLUE, NULL);
        uint64_t start = jl_board_now_ps(stage.board);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        /* 1 ms of overhead each; the window has 5. */
        double ms = (double)(jl_board_now_ps(stage.board) - start) / 1e9;
        EXPECT_INT((int)(ms - 1211 * 8 * 66e-6 + 0.5) - 5, rows[i].transfers);
        stage_expect_shown(&stage, make, &frame);
        stage_close(&stage);
    }
}

/* Two panels on one bus, each through a port of its own with its own clock. */
static void two_panels_on_a_bus(void) {
    const struct make *tft = make_named("gc9a01 240x240"), *oled = make_named("ssd1331 96x64");
    struct stage a, b;
    stage_open(&a, tft, &(struct wish){.ops = &jl_sim_port_rich_ops, .clock_hz = 40000000});
    stage_open(&b, oled, &(struct wish){.ops = &jl_sim_port_rich_ops});
    struct jl_glass glass = *jl_device_glass(b.device);
    b.device = jl_board_add_device(a.board, oled->emulator, "second", &glass);
    EXPECT(jl_stream_attach(a.sim.stream, b.device));
    b.sim = (struct jl_sim_port){
        .board = a.board, .stream = a.sim.stream, .device = b.device, .clock_hz = 6000000};
    a.sim.clock_hz = 40000000;
    struct jl_frame frame = stage_frame(&a, 0), small = stage_frame(&b, 1);
    struct jl_async async;
    EXPECT_INT(jl_async_init(&async, &a.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_panel_wake(&a.panel), JL_OK);
    EXPECT_INT(jl_panel_wake(&b.panel), JL_OK);
    for (int i = 0; i < 3; i++) {
        draw_scene(&frame.target, i);
        draw_scene(&small.target, i);
        expect_started(jl_async_present(&async, &frame), &async);
        EXPECT_INT(jl_async_finish(&async), JL_OK);
        uint64_t start = jl_board_now_ps(a.board);
        EXPECT_INT(jl_panel_present(&b.panel, &small), JL_OK);
        double us = (double)(jl_board_now_ps(a.board) - start) / 1e6;
        EXPECT(us > 12294 * 8 / 6.0 - 1 && us < 12294 * 8 / 6.0 + 10);
    }
    struct jl_board *own = b.board;
    b.board = a.board;
    stage_expect_shown(&a, tft, &frame);
    stage_expect_shown(&b, oled, &small);
    stage_expect_content(&a);
    stage_close(&a);
    jl_board_destroy(own);
}

/* ---- tearing ---- */

/* Rows that differ from their neighbour above, in a picture of plain colours. */
static int seams(const struct jl_picture *picture) {
    int count = 0;
    for (int y = 1; y < picture->height; y++) {
        count += memcmp(jl_picture_at(picture, 0, y), jl_picture_at(picture, 0, y - 1), 3) != 0;
    }
    return count;
}

/* How many of the scans during and after a present were torn. */
static int torn_scans(struct stage *stage, struct jl_frame *frame, jl_color color,
                      struct jl_async *async) {
    struct jl_picture seen;
    int torn = 0;
    jl_clear(&frame->target, color);
    jl_frame_damage_all(frame);
    EXPECT_INT(jl_async_present(async, frame), JL_OK);
    for (int us = 0; us < 120000; us += 500) {
        jl_status status = jl_async_poll(async);
        EXPECT(status == JL_OK || status == JL_BUSY);
        jl_board_wait_ps(stage->board, 500000000u);
        /* A look while the first lines are being scanned sees the last scan whole. */
        if (jl_device_pin(stage->device, JL_DEVICE_TE)) {
            EXPECT(jl_device_seen(stage->device, &seen));
            torn += seams(&seen) > 0;
            jl_picture_free(&seen);
        }
    }
    return torn;
}

static void tearing(void) {
    static const struct {
        const char *name;
        uint32_t clock_hz; /* of an SPI bus that the module tolerates */
        int start;         /* -1 anywhere, else enum jl_beam_moment */
        bool torn;
    } rows[] = {
        /* A line is scanned in 49 us; written in 38 us at 100 MHz, in 96 us at 40 MHz. */
        {"fast, anywhere", 100000000, -1, true},
        {"fast, in the blank", 100000000, JL_BEAM_BLANK, false},
        {"slower, in the blank", 40000000, JL_BEAM_BLANK, true},
        {"slower, from the top", 40000000, JL_BEAM_TOP, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = make_named("st7789 240x240");
        struct stage stage;
        struct jl_async async;
        test_row("%s", rows[i].name);
        stage_open(&stage, make,
                   &(struct wish){.ops = &jl_sim_port_rich_ops, .clock_hz = rows[i].clock_hz});
        jl_device_tolerates(stage.device, 1000000000000u / rows[i].clock_hz);
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        jl_board_wait_ps(stage.board, 40000000000u); /* nothing of the noise is left */
        if (rows[i].start < 0) {
            EXPECT_INT(jl_beam_wait(&stage.panel, JL_BEAM_TOP, 40), JL_OK);
            jl_board_wait_ps(stage.board, 2000000000u); /* some lines down the glass */
        } else {
            EXPECT_INT(jl_beam_wait(&stage.panel, (enum jl_beam_moment)rows[i].start, 40), JL_OK);
        }
        EXPECT_INT(torn_scans(&stage, &frame, JL_WHITE, &async) > 0, rows[i].torn);
        stage_expect_shown(&stage, make, &frame); /* in the end the picture is right anyway */
        stage_close(&stage);
    }
}

/* The estimate from the headers' periods agrees with the pin: a scan begins as TE rises. */
static void beam_periods_of_controllers(void) {
    static const struct {
        const char *make;
        uint32_t period_us;
    } rows[] = {{"st7789 240x320", JL_ST7789_SCAN_US},
                {"ili9341 240x320", JL_ILI9341_SCAN_US},
                {"ili9488 320x480", JL_ILI9488_SCAN_US},
                {"st7796 320x480", JL_ST7796_SCAN_US},
                {"ili9163 128x160", JL_ILI9163_SCAN_US},
                {"ili9163 128x128", JL_ILI9163_128X160_SCAN_US},
                {"gc9107 128x128", JL_GC9107_SCAN_US},
                {"hx8357 320x480", JL_HX8357_SCAN_US},
                {"gc9a01 240x240", JL_GC9A01_SCAN_US},
                {"st7735 128x160 offset", JL_ST7735_SCAN_US},
                {"st7735 80x160 strapped", JL_ST7735_128X160_SCAN_US},
                {"st7735 128x128", JL_ST7735_132X132_SCAN_US}};
    for (size_t r = 0; r < sizeof rows / sizeof rows[0]; r++) {
        struct stage stage;
        struct jl_beam_timer timer;
        test_row("%s", rows[r].make);
        stage_open(&stage, make_named(rows[r].make), &(struct wish){0});
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_beam_timer_start(&timer, &stage.panel, rows[r].period_us), JL_OK);
        for (int i = 0; i < 20; i++) {
            jl_beam_timer_wait(&timer, &stage.port, rows[r].period_us - 60);
            EXPECT(!jl_device_pin(stage.device, JL_DEVICE_TE));
            jl_beam_timer_wait(&timer, &stage.port, 60);
            EXPECT(jl_device_pin(stage.device, JL_DEVICE_TE));
            EXPECT_INT(jl_beam_timer_now(&timer, &stage.port), 60);
        }
        stage_close(&stage);
    }
}

static void beam_by_pin_and_by_timer(void) {
    const struct make *make = make_named("ili9341 240x320");
    struct stage stage;
    struct jl_beam_timer timer;
    stage_open(&stage, make, &(struct wish){0});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_beam_wait(&stage.panel, JL_BEAM_TOP, 40), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    /* B1 00 18: 615 kHz / (24 clocks * 324 lines) = 79.1 Hz, from rise to rise of TE. */
    EXPECT_INT(jl_beam_wait(&stage.panel, JL_BEAM_BLANK, 40), JL_OK);
    uint64_t first = jl_board_now_ps(stage.board);
    EXPECT_INT(jl_beam_wait(&stage.panel, JL_BEAM_BLANK, 40), JL_OK);
    double hertz = 1e12 / (double)(jl_board_now_ps(stage.board) - first);
    EXPECT(hertz > 79.0 && hertz < 79.2);
    EXPECT_INT(jl_beam_present(&stage.panel, &frame, JL_BEAM_TOP, 40), JL_OK);
    EXPECT_INT(jl_beam_wait(&stage.panel, JL_BEAM_TOP, 3), JL_TIMEOUT);
    struct jl_port_ops poor = jl_sim_port_ops;
    poor.get_pin = NULL;
    poor.now_us = NULL;
    stage.port.ops = &poor;
    EXPECT_INT(jl_beam_wait(&stage.panel, JL_BEAM_TOP, 40), JL_UNSUPPORTED);
    EXPECT_INT(jl_beam_timer_start(&timer, &stage.panel, JL_ILI9341_SCAN_US), JL_UNSUPPORTED);
    EXPECT_INT(jl_beam_timer_start(&timer, &stage.panel, 0), JL_BAD_ARGUMENT);
    stage_close(&stage);
}

/* Frames that alternate: each present sends everything, since the RAM holds the other one. */
static void two_tracked_frames(void) {
    const struct make *make = make_named("ssd1331 96x64");
    struct jl_damage damages[2];
    struct stage stage;
    stage_open(&stage, make, &(struct wish){0});
    struct jl_frame frames[2] = {stage_frame(&stage, 0), stage_frame(&stage, 1)};
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    for (int i = 0; i < 6; i++) {
        struct jl_frame *frame = &frames[i % 2];
        if (i < 2) {
            jl_frame_track(frame, &damages[i]);
        }
        jl_fill_rect(&frame->target, (struct jl_rect){(int16_t)(i * 10), 5, 7, 7}, JL_AQUA);
        EXPECT_INT(jl_panel_present(&stage.panel, frame), JL_OK);
        stage_expect_shown(&stage, make, frame);
    }
    stage_close(&stage);
}

const struct test_group test_groups[] = {
    {"async_equals_blocking", async_equals_blocking},
    {"async_pieces", async_pieces},
    {"calls_wait_for_the_end", calls_wait_for_the_end},
    {"overwritten_in_flight", overwritten_in_flight},
    {"bands_in_two_buffers", bands_in_two_buffers},
    {"bands_share_a_window", bands_share_a_window},
    {"async_fails_at_every_call", async_fails_at_every_call},
    {"converted", converted},
    {"palette_takes_the_nearest", palette_takes_the_nearest},
    {"direct_on_color", direct_on_color},
    {"direct_knows_the_panel", direct_knows_the_panel},
    {"fills_use_few_transfers", fills_use_few_transfers},
    {"narrow_areas_are_gathered", narrow_areas_are_gathered},
    {"two_panels_on_a_bus", two_panels_on_a_bus},
    {"tearing", tearing},
    {"beam_periods_of_controllers", beam_periods_of_controllers},
    {"beam_by_pin_and_by_timer", beam_by_pin_and_by_timer},
    {"two_tracked_frames", two_tracked_frames},
    {NULL, NULL},
};
