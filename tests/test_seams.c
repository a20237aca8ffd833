/*
 * Where the parts of the library meet: settings that survive errors, targets set up for another
 * turn, frames on two panels, asynchronous statuses, areas and addresses, frames with a stride.
 */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "fake_panel.h"
#include "jadelamp/host/rig.h"
#include "kinds.h"
#include "stage.h"

static const struct make oled = {.name = "ssd1306 128x64",
                                 .controller = &jl_ssd1306,
                                 .emulator = &jl_emulated_ssd1306,
                                 .width = 128,
                                 .height = 64,
                                 .bus = &jl_bus_i2c};

static void draw(struct jl_target *t, int seed) {
    jl_clear(t, JL_NAVY);
    jl_fill_circle(t, (int16_t)(20 + seed), 30, 18, JL_ORANGE);
    jl_text(t, 3, (int16_t)(seed * 5), "Heron Quay",
            &(struct jl_text_style){.font = &jl_font_6x8, .ink = JL_WHITE});
}

/* ---- settings ---- */

static struct {
    struct jl_sim_port *sim;
    bool broken;
} wire;

static jl_status breaking_send(void *context, const struct jl_transfer *t) {
    (void)context;
    return wire.broken ? JL_BUS_ERROR : jl_sim_port_ops.send(wire.sim, t);
}
static void wire_wait(void *context, uint32_t microseconds) {
    (void)context;
    jl_sim_port_ops.wait_us(wire.sim, microseconds);
}
static void wire_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    jl_sim_port_ops.set_pin(wire.sim, pin, high);
}

/* Turn, contrast and inversion are there again after an error and a wake-up. */
static void settings_survive(void) {
    static const struct jl_port_ops ops = {
        .send = breaking_send, .wait_us = wire_wait, .set_pin = wire_pin};
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        struct stage stage;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){.ops = &ops});
        wire.sim = &stage.sim;
        wire.broken = false;
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        uint8_t turn = make->controller->turns == JL_TURNS_ALL ? JL_TURN_90 : JL_TURN_180;
        bool turns = make->controller->turns >> turn & 1;
        EXPECT_INT(jl_panel_turn(&stage.panel, turn), turns ? JL_OK : JL_BAD_TURN);
        jl_status inverts = jl_panel_invert(&stage.panel, true);
        jl_status contrasts = jl_panel_contrast(&stage.panel, 33);
        jl_board_wait_ps(stage.board, 300000000000u);
        uint8_t brightness = jl_device_brightness(stage.device);
        wire.broken = true;
        EXPECT_INT(jl_panel_sleep(&stage.panel), JL_BUS_ERROR);
        wire.broken = false;
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        stage.config.turn = turns ? turn : 0; /* for what is expected */
        stage.config.inverted = inverts == JL_OK;
        struct jl_frame frame = stage_frame(&stage, 0);
        draw(&frame.target, 1);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        struct jl_picture expected = stage_expected(&stage, &frame, make);
        struct jl_picture seen = stage_look(&stage);
        for (int k = 0; inverts == JL_OK && k < seen.width * seen.height * 3; k++) {
            seen.rgb[k] = (uint8_t)~seen.rgb[k];
        }
        if (!make->round || inverts != JL_OK) {
            EXPECT_PICTURE(&seen, &expected, make->name);
        }
        if (contrasts == JL_OK) {
            EXPECT_INT(jl_device_brightness(stage.device), brightness);
        }
        jl_picture_free(&seen);
        jl_picture_free(&expected);
        stage_close(&stage);
    }
}

/* What was set up before a turn sends nothing after it, on no way and without a complaint. */
static void another_turn_is_refused(void) {
    static uint16_t a[320 * 8], b[320 * 8];
    const struct make *make = make_named("ili9341 240x320");
    for (int way = 0; way < 5; way++) {
        struct stage stage;
        struct jl_async async;
        struct jl_bands bands;
        struct jl_direct direct;
        test_row("way %d", way);
        stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
        struct jl_frame upright = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
        EXPECT_INT(jl_direct_init(&direct, &stage.panel, a, sizeof a), JL_OK);
        EXPECT_INT(way == 1 ? jl_bands_begin_async(&bands, &async, a, b, sizeof a)
                            : jl_bands_begin(&bands, &stage.panel, a, sizeof a),
                   JL_OK);
        EXPECT(jl_bands_next(&bands));
        EXPECT(jl_bands_next(&bands));
        EXPECT_INT(jl_panel_turn(&stage.panel, JL_TURN_90), JL_OK);
        uint64_t before = jl_stream_byte_count(stage.sim.stream);
        switch (way) {
        case 0:
        case 1:
            EXPECT(!jl_bands_next(&bands));
            EXPECT_INT(jl_bands_end(&bands), JL_TURNED);
            break;
        case 2:
            jl_fill_rect(&direct.target, (struct jl_rect){0, 300, 240, 20}, JL_RED);
            EXPECT_INT(direct.status, JL_TURNED);
            break;
        case 3:
            EXPECT_INT(jl_async_present(&async, &upright), JL_BAD_FRAME_SIZE);
            break;
        default:
            EXPECT_INT(jl_async_send(&async, (struct jl_rect){0, 300, 240, 20}, a, 480),
                       JL_OUT_OF_RANGE);
            break;
        }
        EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - before), 0);
        /* Set up again, it works. */
        EXPECT_INT(jl_direct_init(&direct, &stage.panel, a, sizeof a), JL_OK);
        jl_fill_rect(&direct.target, (struct jl_rect){0, 220, 320, 20}, JL_RED);
        EXPECT_INT(direct.status, JL_OK);
        stage_expect_content(&stage);
        stage_close(&stage);
    }
}

/* ---- what has been sent ---- */

/* Two frames and two panels of one kind, in any order: each panel shows what it was sent last. */
static void frames_and_panels_in_any_order(void) {
    static struct fake_panel panels[2];
    static uint8_t memory[2][64 * 48 * 2], shown[2][64 * 48 * 2], shadows[2][64 * 48 * 2];
    struct jl_frame frames[2];
    struct jl_damage damages[2];
    struct test_random random = {4711};
    long sent = 0, whole = 0;
    for (int i = 0; i < 2; i++) {
        fake_open(&panels[i], &jl_rgb565, 64, 48);
        EXPECT_INT(jl_frame_init(&frames[i], &jl_rgb565, 64, 48, memory[i], sizeof memory[i]),
                   JL_OK);
        jl_frame_track(&frames[i], &damages[i]);
        memset(shadows[i], 0x77, sizeof shadows[i]);
        memset(shown[i], 0, sizeof shown[i]);
    }
    for (int n = 0; n < 4000; n++) {
        int f = test_random_between(&random, 0, 1), p = test_random_between(&random, 0, 1);
        struct jl_panel *panel = &panels[p].panel;
        jl_fill_rect(&frames[f].target,
                     (struct jl_rect){test_random_coordinate(&random, 60),
                                      test_random_coordinate(&random, 40), 9, 7},
                     test_random_next(&random) & 0xFFFFFF);
        test_row("step %d, frame %d, panel %d", n, f, p);
        panels[0].data_bytes = panels[1].data_bytes = 0;
        switch (test_random_between(&random, 0, 7)) {
        case 0: /* skipped */
            continue;
        case 1: /* refused */
            EXPECT_INT(jl_panel_present_changes(panel, &frames[f], NULL), JL_BAD_ARGUMENT);
            continue;
        case 2:
        case 3:
            EXPECT_INT(jl_panel_present_changes(panel, &frames[f], shadows[p]), JL_OK);
            break;
        case 4: /* tracked anew */
            jl_frame_track(&frames[f], &damages[f]);
            continue;
        default:
            EXPECT_INT(jl_panel_present(panel, &frames[f]), JL_OK);
            break;
        }
        memcpy(shown[p], memory[f], sizeof memory[f]);
        EXPECT_BYTES(panels[0].ram, shown[0], sizeof shown[0]);
        EXPECT_BYTES(panels[1].ram, shown[1], sizeof shown[1]);
        sent += panels[p].data_bytes;
        whole += (long)sizeof memory[0];
    }
    EXPECT(sent < whole); /* where nothing came between, only changes were sent */
}

/* ---- asynchronous statuses ---- */

static struct {
    struct jl_sim_port *sim;
    int busy_starts; /* that many are refused */
    bool stuck;      /* poll() is busy for ever */
} channel;

static jl_status channel_send(void *context, const struct jl_transfer *t) {
    (void)context;
    return jl_sim_port_rich_ops.send(channel.sim, t);
}
static void channel_wait(void *context, uint32_t us) {
    (void)context;
    jl_sim_port_rich_ops.wait_us(channel.sim, us);
}
static void channel_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    jl_sim_port_rich_ops.set_pin(channel.sim, pin, high);
}
static jl_status channel_start(void *context, const struct jl_transfer *t) {
    (void)context;
    jl_board_wait_ps(channel.sim->board, 1000000);
    return channel.busy_starts && channel.busy_starts--
               ? JL_BUSY
               : jl_sim_port_rich_ops.start(channel.sim, t);
}
static jl_status channel_poll(void *context) {
    (void)context;
    if (channel.stuck) {
        jl_board_wait_ps(channel.sim->board, 1000000000);
        return JL_BUSY;
    }
    return jl_sim_port_rich_ops.poll(channel.sim);
}
static uint32_t channel_now(void *context) {
    (void)context;
    return jl_sim_port_rich_ops.now_us(channel.sim);
}

static void asynchronous_statuses(void) {
    static const struct jl_port_ops ops = {.send = channel_send,
                                           .wait_us = channel_wait,
                                           .set_pin = channel_pin,
                                           .start = channel_start,
                                           .poll = channel_poll,
                                           .now_us = channel_now};
    const struct make *make = make_named("ssd1331 96x64");
    struct stage stage;
    struct jl_async async;
    stage_open(&stage, make, &(struct wish){.ops = &ops});
    channel.sim = &stage.sim;
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);

    /* A channel that is another's for a while: accepted, and tried again until it goes. */
    draw(&frame.target, 2);
    channel.busy_starts = 3;
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    EXPECT(!jl_stream_busy(stage.sim.stream));
    EXPECT_INT(jl_async_poll(&async), JL_BUSY);
    EXPECT_INT(jl_async_finish(&async), JL_OK);
    EXPECT_INT(channel.busy_starts, 0);
    stage_expect_shown(&stage, make, &frame);

    /* Other calls wait for it, resuming too. */
    draw(&frame.target, 5);
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
    EXPECT(!jl_stream_busy(stage.sim.stream));
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
    EXPECT(!jl_stream_busy(stage.sim.stream));
    stage_expect_shown(&stage, make, &frame);
    stage_expect_content(&stage);

    /* For ever is too long, for a start as for a transfer; and a wake-up helps. */
    for (int stuck = 0; stuck < 2; stuck++) {
        test_row("stuck %d", stuck);
        channel.stuck = stuck == 1;
        channel.busy_starts = stuck ? 0 : -1;
        uint64_t before = jl_board_now_ps(stage.board);
        EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
        EXPECT_INT(stuck ? jl_panel_contrast(&stage.panel, 9) : jl_async_finish(&async),
                   JL_TIMEOUT);
        double seconds = (double)(jl_board_now_ps(stage.board) - before) / 1e12;
        EXPECT(seconds > 1 && seconds < 2.5); /* 12288 bytes of 100 us, and a second */
        EXPECT(jl_device_pin(stage.device, JL_DEVICE_CS));
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_NOT_AWAKE);
        channel.stuck = false;
        channel.busy_starts = 0;
        jl_stream_finish(stage.sim.stream);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
        EXPECT_INT(jl_async_finish(&async), JL_OK);
        stage_expect_shown(&stage, make, &frame);
    }
    /* A stuck transfer does not hang the wake-up itself. */
    channel.stuck = true;
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    channel.stuck = false;
    stage_close(&stage);

    /* Refused is JL_BUSY: a hardware scroll runs. */
    static const struct jl_scroll scroll = {JL_SCROLL_LEFT, 0, 3, 5};
    stage_open(&stage, &oled, &(struct wish){.motion = &jl_ssd1306_motion});
    frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_panel_scroll_start(&stage.panel, &scroll), JL_OK);
    EXPECT_INT(jl_async_present(&async, &frame), JL_BUSY);
    EXPECT_INT(jl_panel_scroll_stop(&stage.panel), JL_OK);
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    stage_close(&stage);
}

/* ---- areas and addresses ---- */

/* Areas of a present that failed are past: what is sent later is not followed by them. */
static void failed_areas_are_not_sent_later(void) {
    static const struct jl_port_ops ops = {.send = channel_send,
                                           .wait_us = channel_wait,
                                           .set_pin = channel_pin,
                                           .start = channel_start,
                                           .poll = channel_poll,
                                           .now_us = channel_now};
    const struct make *make = make_named("st7789 135x240");
    static uint8_t memory[2][135 * 2 * 20];
    struct stage stage;
    struct jl_async async;
    struct jl_bands bands;
    struct jl_damage damage;
    stage_open(&stage, make, &(struct wish){.ops = &ops});
    channel.sim = &stage.sim;
    struct jl_frame frame = stage_frame(&stage, 0), picture = stage_frame(&stage, 1);
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    EXPECT_INT(jl_async_finish(&async), JL_OK);
    for (int i = 0; i < 3; i++) {
        jl_fill_rect(&frame.target, (struct jl_rect){0, (int16_t)(i * 100), 135, 30}, JL_RED);
    }
    EXPECT_INT(damage.count, 3);
    channel.busy_starts = -1; /* for ever: the first of them fails */
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    EXPECT_INT(jl_async_finish(&async), JL_TIMEOUT);
    channel.busy_starts = 0;
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    draw(&picture.target, 3);
    uint64_t bytes[3] = {jl_stream_byte_count(stage.sim.stream)};
    for (int i = 1; i < 3; i++) { /* no byte more than a run without a failure before it */
        EXPECT_INT(jl_bands_begin_async(&bands, &async, memory[0], memory[1], sizeof memory[0]),
                   JL_OK);
        while (jl_bands_next(&bands)) {
            draw(&bands.frame.target, 3);
        }
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        stage_expect_shown(&stage, make, &picture);
        bytes[i] = jl_stream_byte_count(stage.sim.stream);
    }
    EXPECT_INT((long long)(bytes[1] - bytes[0]), (long long)(bytes[2] - bytes[1]));
    stage_close(&stage);
}

/* Bands over a part: its pixels only, whatever is drawn around it. */
static void bands_of_an_area(void) {
    static uint16_t memory[480 * 4];
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        struct stage stage;
        struct jl_bands bands;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){0});
        struct jl_frame before = stage_frame(&stage, 0), after = stage_frame(&stage, 1);
        struct jl_rect area = {16, 16, 32, 24};
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        draw(&before.target, 1);
        draw(&after.target, 1);
        EXPECT_INT(jl_panel_present(&stage.panel, &before), JL_OK);
        EXPECT_INT(jl_bands_begin_area(&bands, &stage.panel, area, memory, 300), JL_OK);
        while (jl_bands_next(&bands)) {
            EXPECT_INT(bands.frame.target.bounds.x, 16);
            EXPECT_INT(bands.frame.target.width, stage.panel.width);
            draw(&bands.frame.target, 4);
        }
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        jl_target_clip(&after.target, area);
        draw(&after.target, 4);
        stage_expect_shown(&stage, make, &after);
        area.x = (int16_t)(make->width - 16);
        EXPECT_INT(jl_bands_begin_area(&bands, &stage.panel, area, memory, 300), JL_OUT_OF_RANGE);
        EXPECT(!jl_bands_next(&bands));
        stage_expect_content(&stage);
        stage_close(&stage);
    }
    struct jl_bands bands;
    struct jl_rect area = {0, 0, 8, 8};
    EXPECT_INT(jl_bands_begin_area(NULL, NULL, area, memory, 300), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_bands_begin_area(&bands, NULL, area, memory, 300), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_bands_begin_area(&bands, NULL, area, NULL, 300), JL_BAD_ARGUMENT);
}

static long long bytes_since(const struct stage *stage, uint64_t *before) {
    uint64_t now = jl_stream_byte_count(stage->sim.stream);
    long long bytes = (long long)(now - *before);
    *before = now;
    return bytes;
}

/* Windows as large as the buffer, whatever is drawn; addresses that stand are not sent again. */
static void direct_is_sparing(void) {
    static uint16_t buffer[40 * 20];
    static const uint16_t art[40 * 30] = {0x1234};
    static const struct jl_image image = {
        .format = &jl_rgb565, .pixels = (const uint8_t *)art, .width = 40, .height = 30};
    static const struct jl_image keyed = {.format = &jl_rgb565,
                                          .pixels = (const uint8_t *)art,
                                          .width = 40,
                                          .height = 30,
                                          .has_key = true,
                                          .key = JL_BLACK};
    enum { COLUMNS = 5, ROWS = 5, WRITE = 1 }; /* bytes of 2A, 2B and 2C with their arguments */
    const struct make *make = make_named("st7789 240x240");
    struct stage stage;
    struct jl_direct direct;
    stage_open(&stage, make, &(struct wish){0});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_direct_init(&direct, &stage.panel, buffer, sizeof buffer), JL_OK);
    uint64_t before = jl_stream_byte_count(stage.sim.stream);
    /* 20 rows fit the buffer: two windows; the columns stay. */
    jl_draw_image(&direct.target, 10, 20, &image);
    EXPECT_INT(bytes_since(&stage, &before), COLUMNS + 2 * (ROWS + WRITE) + 40 * 30 * 2);
    jl_fill_gradient(&direct.target, (struct jl_rect){10, 60, 40, 40}, JL_AXIS_Y, JL_RED, JL_BLUE,
                     NULL);
    EXPECT_INT(bytes_since(&stage, &before), 2 * (ROWS + WRITE) + 40 * 40 * 2);
    /* A line of text: the rows stay from glyph to glyph. */
    jl_text(&direct.target, 10, 120, "1234",
            &(struct jl_text_style){.font = &jl_font_6x8, .ink = JL_WHITE});
    EXPECT_INT(bytes_since(&stage, &before), ROWS + 4 * (COLUMNS + WRITE) + 4 * 6 * 8 * 2);
    /* The same place again: only 2C; but after any other call everything is told. */
    jl_fill_rect(&direct.target, (struct jl_rect){0, 0, 9, 9}, JL_RED);
    (void)bytes_since(&stage, &before);
    jl_fill_rect(&direct.target, (struct jl_rect){0, 0, 9, 9}, JL_LIME);
    EXPECT_INT(bytes_since(&stage, &before), WRITE + 81 * 2);
    EXPECT_INT(jl_panel_invert(&stage.panel, false), JL_OK);
    (void)bytes_since(&stage, &before);
    jl_fill_rect(&direct.target, (struct jl_rect){0, 0, 9, 9}, JL_LIME);
    EXPECT_INT(bytes_since(&stage, &before), COLUMNS + ROWS + WRITE + 81 * 2);
    /* What is left out is not sent: one pixel is there. */
    jl_draw_image(&direct.target, 100, 100, &keyed);
    EXPECT_INT(bytes_since(&stage, &before), COLUMNS + ROWS + WRITE + 2);
    EXPECT_INT(direct.status, JL_OK);

    jl_draw_image(&frame.target, 10, 20, &image);
    jl_fill_gradient(&frame.target, (struct jl_rect){10, 60, 40, 40}, JL_AXIS_Y, JL_RED, JL_BLUE,
                     NULL);
    jl_text(&frame.target, 10, 120, "1234",
            &(struct jl_text_style){.font = &jl_font_6x8, .ink = JL_WHITE});
    jl_fill_rect(&frame.target, (struct jl_rect){0, 0, 9, 9}, JL_LIME);
    jl_draw_image(&frame.target, 100, 100, &keyed);
    stage_expect_shown(&stage, make, &frame);

    /* On a turned target, too. */
    jl_target_turn(&direct.target, JL_TURN_90);
    jl_target_turn(&frame.target, JL_TURN_90);
    (void)bytes_since(&stage, &before);
    jl_draw_image(&direct.target, 50, 7, &image);
    EXPECT_INT(bytes_since(&stage, &before), COLUMNS + 2 * (ROWS + WRITE) + 40 * 30 * 2);
    jl_draw_image(&frame.target, 50, 7, &image);
    /* Memory of one pixel: three windows a row all the same, of 16, 16 and 8. */
    EXPECT_INT(jl_direct_init(&direct, &stage.panel, buffer, 2), JL_OK);
    jl_target_turn(&frame.target, JL_TURN_0);
    (void)bytes_since(&stage, &before);
    jl_fill_gradient(&direct.target, (struct jl_rect){10, 70, 40, 4}, JL_AXIS_X, JL_RED, JL_BLUE,
                     NULL);
    EXPECT_INT(bytes_since(&stage, &before), 4 * (ROWS + 3 * (COLUMNS + WRITE)) + 40 * 4 * 2);
    jl_fill_gradient(&frame.target, (struct jl_rect){10, 70, 40, 4}, JL_AXIS_X, JL_RED, JL_BLUE,
                     NULL);
    stage_expect_shown(&stage, make, &frame);
    stage_expect_content(&stage);
    stage_close(&stage);
}

/* Each present begins with all of its addresses: a controller that lost one is right again. */
static void presents_tell_all_addresses(void) {
    const struct make *make = make_named("st7789 240x240");
    struct stage stage;
    struct jl_damage damage;
    stage_open(&stage, make, &(struct wish){0});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    for (int i = 0; i < 2; i++) {
        uint64_t before = jl_stream_byte_count(stage.sim.stream);
        jl_frame_damage_all(&frame);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        EXPECT_INT(bytes_since(&stage, &before), 11 + 240 * 240 * 2);
    }
    for (int i = 0; i < 2; i++) {
        static uint8_t memory[480];
        uint64_t before = jl_stream_byte_count(stage.sim.stream);
        jl_frame_damage_all(&frame);
        EXPECT_INT(jl_panel_present_as(&stage.panel, &frame, memory, sizeof memory), JL_OK);
        EXPECT_INT(bytes_since(&stage, &before), 11 + 240 * 240 * 2);
    }
    stage_close(&stage);
}

/* What was addressed before a reset is not there any more: the wake-up clears the right place. */
static void a_reset_forgets_addresses(void) {
    const struct make *make = make_named("st7789 135x240");
    struct stage stage;
    struct jl_direct direct;
    uint8_t pixel[2];
    stage_open(&stage, make, &(struct wish){0});
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_direct_init(&direct, &stage.panel, pixel, sizeof pixel), JL_OK);
    jl_clear(&direct.target, JL_RED);
    EXPECT_INT(direct.status, JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    struct jl_frame black = stage_frame(&stage, 0);
    jl_clear(&black.target, JL_BLACK);
    stage_expect_shown(&stage, make, &black);
    stage_close(&stage);
}

/* ---- frames ---- */

/* In a larger buffer: the same pixels, and nothing between the lines is touched. */
static void frames_with_a_stride(void) {
    static _Alignas(4) uint8_t plain[40 * 24 * 4 + 8], wide[2 * 24 * 200];
    for (int k = 0; k < KINDS; k++) {
        const struct jl_format *format = kinds[k].format;
        struct jl_frame a, b;
        test_row("%s", kinds[k].name);
        size_t bytes = kind_bytes(&kinds[k], 40, 24);
        EXPECT_INT((long long)jl_frame_bytes(format, 40, 24), (long long)bytes);
        EXPECT_INT(jl_frame_init(&a, format, 40, 24, plain, bytes), JL_OK);
        uint16_t line = a.stride_bytes, stride = (uint16_t)(line + 8);
        size_t lines = bytes / line;
        memset(wide, 0xC3, sizeof wide);
        size_t needed = stride * (lines - 1) + line;
        EXPECT_INT(jl_frame_init_strided(&b, format, 40, 24, wide, needed - 1, stride),
                   JL_TOO_SMALL);
        EXPECT_INT(
            jl_frame_init_strided(&b, format, 40, 24, wide, sizeof wide, (uint16_t)(line - 1)),
            JL_OUT_OF_RANGE);
        EXPECT_INT(jl_frame_init_strided(&b, format, 40, 24, wide, needed, stride), JL_OK);
        draw(&a.target, 2);
        draw(&b.target, 2);
        for (size_t i = 0; i < lines; i++) {
            EXPECT_BYTES(wide + i * stride, plain + i * line, line);
            for (size_t gap = line; gap < stride && i + 1 < lines; gap++) {
                EXPECT_INT(wide[i * stride + gap], 0xC3);
            }
        }
    }
    EXPECT_INT((long long)jl_frame_bytes(NULL, 4, 4), 0);
    EXPECT_INT((long long)jl_frame_bytes(&jl_rgb565, 0, 4), 0);
}

/* Drawn on all the same: nothing happens, and nothing is written. */
static void a_failed_frame_is_empty(void) {
    static const struct {
        const struct jl_format *format;
        int16_t w, h;
        size_t bytes;
        jl_status status;
    } rows[] = {{&jl_rgb565, 8, 8, 10, JL_TOO_SMALL},
                {&jl_rgb565, 0, 8, 256, JL_BAD_ARGUMENT},
                {&jl_rgb888, 32767, 1, 256, JL_OUT_OF_RANGE},
                {NULL, 8, 8, 256, JL_BAD_ARGUMENT}};
    static const uint8_t bits[8] = {0xFF};
    static const struct jl_image image = {
        .format = &jl_mono_rows, .pixels = bits, .width = 8, .height = 8};
    for (int i = 0; i < 4; i++) {
        uint8_t memory[256];
        struct jl_frame frame;
        test_row("row %d", i);
        memset(memory, 0x3C, sizeof memory);
        memset(&frame, 0xAB, sizeof frame); /* as on a stack */
        EXPECT_INT(
            jl_frame_init(&frame, rows[i].format, rows[i].w, rows[i].h, memory, rows[i].bytes),
            rows[i].status);
        draw(&frame.target, 1);
        jl_stroke_ellipse(&frame.target, 3, 3, 9, 5, JL_RED);
        jl_draw_image(&frame.target, 0, 0, &image);
        jl_smooth_disc(&frame.target, jl_fine_middle(3, 3), 40, JL_RED, JL_CLEAR);
        jl_draw_scaled(&frame.target, (struct jl_rect){0, 0, 9, 9}, &image, NULL, JL_SAMPLE_BOX, 0);
        jl_text(&frame.target, 0, 0, "a",
                &(struct jl_text_style){.font = &jl_font_sans16, .ink = JL_RED, .paper = JL_BLUE});
        struct jl_magnified large;
        jl_magnify(&large, &frame.target, 0, 0, 3);
        jl_draw_line(&large.target, 0, 0, 5, 5, JL_RED);
        jl_fill_gradient(&frame.target, (struct jl_rect){0, 0, 9, 9}, JL_AXIS_X, JL_RED, JL_BLUE,
                         NULL);
        EXPECT(!jl_target_mode(&frame.target, JL_MODE_INVERT, 0));
        jl_target_turn(&frame.target, JL_TURN_90);
        draw(&frame.target, 1);
        jl_fill_gradient(&frame.target, (struct jl_rect){0, 0, 9, 9}, JL_AXIS_X, JL_RED, JL_BLUE,
                         NULL);
        for (size_t k = 0; k < sizeof memory; k++) {
            EXPECT_INT(memory[k], 0x3C);
        }
    }
    EXPECT_INT(jl_frame_init(NULL, &jl_rgb565, 1, 1, NULL, 0), JL_BAD_ARGUMENT);
}

/* One band with all of the picture costs what a present does, whatever the controller's order. */
static void a_band_of_the_whole_picture(void) {
    static const char *const cards[] = {"st7920-128x64-serial", "sh1106-128x64-spi",
                                        "ssd1306-128x64-i2c", "ssd1322-256x64-spi"};
    static uint8_t memory[256 * 64 / 2];
    struct jl_rig *rig = calloc(1, sizeof *rig);
    for (size_t i = 0; i < sizeof cards / sizeof cards[0]; i++) {
        static struct jl_card card;
        struct jl_complaint complaint;
        struct jl_bands bands;
        struct jl_picture seen;
        test_row("%s", cards[i]);
        EXPECT(jl_card_find(cards[i], &card, &complaint) && jl_rig_open(rig, &card, &complaint));
        EXPECT_INT(jl_panel_wake(&rig->panel), JL_OK);
        uint64_t start = jl_rig_bus_bytes(rig);
        EXPECT_INT(jl_panel_present(&rig->panel, &rig->frame), JL_OK);
        uint64_t presented = jl_rig_bus_bytes(rig);
        EXPECT_INT(jl_bands_begin(&bands, &rig->panel, memory, sizeof memory), JL_OK);
        EXPECT(jl_bands_next(&bands));
        jl_clear(&bands.frame.target, JL_WHITE);
        EXPECT(!jl_bands_next(&bands));
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        EXPECT_INT((long long)(jl_rig_bus_bytes(rig) - presented), (long long)(presented - start));
        jl_board_wait_ps(rig->board, 200000000000u);
        EXPECT(jl_device_picture(rig->device, &seen));
        size_t lit = 0;
        for (int y = 0; y < seen.height; y++) {
            for (int x = 0; x < seen.width; x++) {
                lit += jl_picture_at(&seen, x, y)[0] > 0;
            }
        }
        EXPECT_INT((long long)lit, card.width * card.height);
        jl_picture_free(&seen);
        jl_rig_close(rig);
    }
    free(rig);
}

const struct test_group test_groups[] = {
    {"settings_survive", settings_survive},
    {"another_turn_is_refused", another_turn_is_refused},
    {"frames_and_panels", frames_and_panels_in_any_order},
    {"asynchronous_statuses", asynchronous_statuses},
    {"failed_areas_are_not_sent_later", failed_areas_are_not_sent_later},
    {"bands_of_an_area", bands_of_an_area},
    {"direct_is_sparing", direct_is_sparing},
    {"presents_tell_all", presents_tell_all_addresses},
    {"a_reset_forgets", a_reset_forgets_addresses},
    {"frames_with_a_stride", frames_with_a_stride},
    {"a_failed_frame_is_empty", a_failed_frame_is_empty},
    {"a_band_of_the_whole_picture", a_band_of_the_whole_picture},
    {NULL, NULL},
};
