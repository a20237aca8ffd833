/*
 * All ways to the glass, mixed at random on every card: presents of tracked, untracked and other
 * frames, with shadows and without, asynchronous ones, bands, pieces, direct drawing, turns,
 * inversion, sleep, refused and skipped presents, and ports that fail. After every step the glass
 * must show what was asked for, to the pixel.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/rig.h"
#include "jadelamp/jadelamp.h"
#include "kinds.h"

enum { STEPS = 60, FRAMES = 2, MOST_BYTES = 320 * 480 * 4 };

/* What a card is put through, and what its glass must show. */
static struct world {
    struct jl_rig rig;
    struct jl_async async;
    struct jl_frame frames[FRAMES]; /* tracked */
    struct jl_damage damages[FRAMES];
    struct jl_frame truth; /* what the RAM holds, as the picture is turned */
    struct test_random random;
    long left; /* calls of the port that still work; negative: all */
    bool failed;
} world;

static uint16_t frame_memory[FRAMES][MOST_BYTES / 2], truth_memory[MOST_BYTES / 2];
static uint16_t shadow[MOST_BYTES / 2], spare[2][480 * 40];

static int pick(int least, int most) {
    return test_random_between(&world.random, least, most);
}

/* ---- a port that fails once ---- */

static bool fails(void) {
    bool now = world.left == 0;
    world.failed = world.failed || now;
    world.left -= world.left >= 0;
    return now;
}

static jl_status failing_send(void *context, const struct jl_transfer *t) {
    (void)context;
    return fails() ? JL_BUS_ERROR : jl_sim_port_ops.send(&world.rig.sim, t);
}
static jl_status failing_nine(void *context, const struct jl_transfer *t, bool data) {
    (void)context;
    return fails() ? JL_TIMEOUT : jl_sim_port_rich_ops.send_nine(&world.rig.sim, t, data);
}
/* The status of parts that are asked before each byte, and no more. */
static jl_status failing_receive(void *context, const struct jl_transfer *t, uint8_t *bytes,
                                 size_t count) {
    (void)context;
    return fails() ? JL_TIMEOUT : jl_sim_port_ops.receive(&world.rig.sim, t, bytes, count);
}
static jl_status failing_repeat(void *context, const struct jl_transfer *t, uint32_t times) {
    (void)context;
    return fails() ? JL_BUS_ERROR : jl_sim_port_rich_ops.repeat(&world.rig.sim, t, times);
}
/* Now and then the channel is another's: that is no failure. */
static jl_status failing_start(void *context, const struct jl_transfer *t) {
    (void)context;
    return pick(0, 9) == 0 ? JL_BUSY
           : fails()       ? JL_BUS_ERROR
                           : jl_sim_port_rich_ops.start(&world.rig.sim, t);
}
static jl_status failing_poll(void *context) {
    (void)context;
    jl_board_wait_ps(world.rig.board, 100000000); /* few looks */
    return jl_sim_port_rich_ops.poll(&world.rig.sim);
}
static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    jl_sim_port_ops.wait_us(&world.rig.sim, microseconds);
}
static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    jl_sim_port_ops.set_pin(&world.rig.sim, pin, high);
}
static uint32_t now_us(void *context) {
    (void)context;
    return jl_sim_port_ops.now_us(&world.rig.sim);
}

static const struct jl_port_ops plain_ops = {.send = failing_send,
                                             .wait_us = wait_us,
                                             .set_pin = set_pin,
                                             .receive = failing_receive,
                                             .now_us = now_us};
static const struct jl_port_ops rich_ops = {.send = failing_send,
                                            .wait_us = wait_us,
                                            .set_pin = set_pin,
                                            .receive = failing_receive,
                                            .send_nine = failing_nine,
                                            .repeat = failing_repeat,
                                            .start = failing_start,
                                            .poll = failing_poll,
                                            .now_us = now_us};

/* ---- pictures ---- */

static void draw(struct jl_target *t) {
    int16_t w = t->width, h = t->height;
    jl_color ink = test_random_next(&world.random) & 0xFFFFFF;
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = ink, .paper = JL_NAVY};
    switch (pick(0, 3)) {
    case 0:
        jl_clear(t, JL_BLACK);
        jl_fill_circle(t, (int16_t)pick(0, w), (int16_t)pick(0, h), (int16_t)pick(3, 30), ink);
        break;
    case 1:
        jl_text(t, (int16_t)pick(-9, w), (int16_t)pick(-9, h), "Heron Quay", &style);
        break;
    case 2:
        jl_draw_line(t, (int16_t)pick(0, w), (int16_t)pick(0, h), (int16_t)pick(0, w),
                     (int16_t)pick(0, h), ink);
        break;
    default:
        jl_fill_rect(t,
                     (struct jl_rect){(int16_t)pick(-5, w), (int16_t)pick(-5, h),
                                      (int16_t)pick(1, w / 2), (int16_t)pick(1, h / 2)},
                     ink);
        break;
    }
}

static size_t bytes_of(const struct jl_frame *frame) {
    return kind_bytes(kind_of(frame->format), frame->target.bounds.w, frame->target.bounds.h);
}

/* Frames of the picture's size, in the format's clear colour; nothing of them was presented. */
static void fresh_frames(void) {
    const struct jl_panel *panel = &world.rig.panel;
    for (int i = 0; i < FRAMES; i++) {
        EXPECT_INT(jl_frame_init(&world.frames[i], panel->format, panel->width, panel->height,
                                 frame_memory[i], sizeof frame_memory[i]),
                   JL_OK);
        jl_frame_track(&world.frames[i], &world.damages[i]);
    }
    EXPECT_INT(jl_frame_init(&world.truth, panel->format, panel->width, panel->height, truth_memory,
                             sizeof truth_memory),
               JL_OK);
}

static void truth_is(const struct jl_frame *frame) {
    memcpy(world.truth.pixels, frame->pixels, bytes_of(frame));
}

/* Where a pixel of the picture is seen: mirror, then quarter turns clockwise. */
static void on_glass(int w, int h, int turn, int *x, int *y) {
    if (turn & JL_TURN_MIRROR) {
        *x = w - 1 - *x;
    }
    for (int quarter = 0; quarter < (turn & 3); quarter++) {
        int before = *x, high = quarter % 2 ? w : h;
        *x = high - 1 - *y;
        *y = before;
    }
}

static void expect_truth(void) {
    struct jl_rig *rig = &world.rig;
    const struct kind *kind = kind_of(rig->panel.format);
    struct jl_picture seen;
    int w = rig->panel.width, h = rig->panel.height;
    long wrong = 0;
    jl_board_wait_ps(rig->board, 200000000000u);
    EXPECT(jl_device_picture(rig->device, &seen));
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            jl_color c = kind->see(world.truth.pixels, w, h, x, y);
            int gx = x, gy = y;
            on_glass(w, h, rig->panel.turn, &gx, &gy);
            int from_x = 2 * gx + 1 - seen.width, from_y = 2 * gy + 1 - seen.height;
            bool hidden =
                rig->card.round && from_x * from_x + from_y * from_y > seen.width * seen.width;
            const uint8_t *at = jl_picture_at(&seen, gx, gy);
            c = hidden ? JL_BLACK : rig->panel.inverted ? c ^ JL_WHITE : c;
            wrong += JL_RGB((jl_color)at[0], (jl_color)at[1], (jl_color)at[2]) != c;
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&seen);
}

/* ---- steps ---- */

static struct jl_rect random_area(void) {
    const struct jl_panel *panel = &world.rig.panel;
    const struct jl_controller *controller = panel->config->controller;
    int unit = controller->whole_lines ? panel->width : controller->column_unit;
    int rows = 1 << panel->format->line_rows_log2;
    int columns = panel->width / unit, lines = panel->height / rows;
    int x = pick(0, columns - 1), y = pick(0, lines - 1);
    return (struct jl_rect){(int16_t)(x * unit), (int16_t)(y * rows),
                            (int16_t)(pick(1, columns - x) * unit),
                            (int16_t)(pick(1, lines - y) * rows)};
}

/* The same pixels in the truth, by the formats' own reading. */
static void copy_area(const struct jl_frame *from, struct jl_rect area) {
    const struct jl_target_ops *ops = &from->format->ops;
    for (int16_t y = area.y; y < area.y + area.h; y++) {
        jl_color row[480];
        ops->get(&from->target, area.x, y, area.w, row);
        for (int16_t x = 0; x < area.w; x++) {
            uint32_t ink = ops->ink ? ops->ink(row[x], &world.truth.target) : row[x];
            ops->fill(&world.truth.target, (struct jl_rect){(int16_t)(area.x + x), y, 1, 1}, ink);
        }
    }
}

static jl_status send_piece(struct jl_frame *frame, bool async) {
    const struct jl_format *format = frame->format;
    struct jl_rect area = random_area();
    size_t line = (size_t)area.y >> format->line_rows_log2;
    const uint8_t *from = frame->pixels + line * frame->stride_bytes +
                          ((size_t)area.x * format->bits_per_pixel << format->line_rows_log2) / 8;
    jl_status status = async ? jl_async_send(&world.async, area, from, frame->stride_bytes)
                             : jl_panel_send(&world.rig.panel, area, from, frame->stride_bytes);
    if (status == JL_OK) {
        copy_area(frame, area);
        status = jl_async_finish(&world.async);
    }
    return status;
}

/* The scene of a frame, band by band. */
static jl_status send_bands(struct jl_frame *frame, int way) {
    struct jl_panel *panel = &world.rig.panel;
    struct jl_bands bands;
    struct jl_rect area = way == 2 ? random_area() : frame->target.bounds;
    size_t line = kind_bytes(kind_of(frame->format), area.w, 1);
    size_t bytes = line * (size_t)pick(1, 5);
    struct jl_image image = jl_image_of_frame(frame);
    jl_status status = way == 0 ? jl_bands_begin(&bands, panel, spare[0], bytes)
                       : way == 1
                           ? jl_bands_begin_async(&bands, &world.async, spare[0], spare[1], bytes)
                           : jl_bands_begin_area(&bands, panel, area, spare[0], bytes);
    while (jl_bands_next(&bands)) {
        jl_draw_image(&bands.frame.target, 0, 0, &image);
        if (pick(0, 9) == 0) { /* a command between two bands */
            (void)!jl_panel_invert(panel, panel->inverted);
        }
    }
    status = jl_bands_end(&bands);
    if (status == JL_OK) {
        copy_area(frame, area);
    }
    return status;
}

/* Rectangles, which are the same on all kinds of panels, on whole pages where there are such. */
static jl_status draw_direct(void) {
    struct jl_panel *panel = &world.rig.panel;
    struct jl_direct direct;
    if (panel->config->controller->column_unit > 1) {
        return JL_OK;
    }
    jl_status status = jl_direct_init(&direct, panel, spare[0], (size_t)pick(8, 900));
    for (int i = 0; i < 5 && status == JL_OK; i++) {
        struct jl_rect area = random_area();
        jl_color color = test_random_next(&world.random) & 0xFFFFFF;
        if (i == 3 && panel->format->line_rows_log2 == 0) {
            jl_fill_gradient(&direct.target, area, JL_AXIS_X, color, JL_WHITE, NULL);
            jl_fill_gradient(&world.truth.target, area, JL_AXIS_X, color, JL_WHITE, NULL);
        } else {
            jl_fill_rect(&direct.target, area, color);
            jl_fill_rect(&world.truth.target, area, color);
        }
        status = direct.status;
    }
    return status;
}

static jl_status turn(void) {
    struct jl_panel *panel = &world.rig.panel;
    uint8_t wanted = (uint8_t)pick(0, 7);
    bool can = panel->config->controller->turns >> wanted & 1;
    jl_status status = jl_panel_turn(panel, wanted);
    if (!can) {
        EXPECT_INT(status, JL_BAD_TURN);
        return JL_OK;
    }
    if (status == JL_OK) { /* what is on the glass now depends on the part: present anew */
        fresh_frames();
        status = jl_panel_present(panel, &world.frames[0]);
    }
    return status;
}

/* A present that is refused loses nothing: the next one shows it. */
static jl_status refused(struct jl_frame *frame) {
    struct jl_panel *panel = &world.rig.panel;
    jl_status status = jl_panel_sleep(panel);
    if (status != JL_OK) {
        return status == JL_UNSUPPORTED ? JL_OK : status;
    }
    draw(&frame->target);
    EXPECT_INT(jl_panel_present(panel, frame), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_present_changes(panel, frame, shadow), JL_NOT_AWAKE);
    EXPECT_INT(jl_async_present(&world.async, frame), JL_NOT_AWAKE);
    return jl_panel_resume(panel);
}

static jl_status step(int kind, struct jl_frame *frame) {
    struct jl_panel *panel = &world.rig.panel;
    jl_status status = JL_OK;
    bool waits = false;
    switch (kind) {
    case 0:
        status = jl_panel_present(panel, frame);
        break;
    case 1:
        status = jl_panel_present_changes(panel, frame, shadow);
        break;
    case 2:
        status = jl_async_present(&world.async, frame);
        waits = true;
        break;
    case 3:
        status = jl_async_present_changes(&world.async, frame, shadow);
        waits = true;
        break;
    case 4:
        return send_piece(frame, false);
    case 5:
        return send_piece(frame, true);
    case 6:
    case 7:
    case 8:
        return send_bands(frame, kind - 6);
    case 9:
        return draw_direct();
    case 10:
        return turn();
    case 11:
        status = jl_panel_invert(panel, pick(0, 1));
        return status == JL_UNSUPPORTED ? JL_OK : status;
    case 12:
        return refused(frame);
    default: /* drawn, not presented */
        draw(&frame->target);
        return JL_OK;
    }
    if (status == JL_OK) {
        truth_is(frame);
    }
    return status == JL_OK && waits ? jl_async_finish(&world.async) : status;
}

static struct { int cards, half, errors; } seen_so_far;

static void mix(const char *path) {
    struct jl_rig *rig = &world.rig;
    struct jl_card card;
    struct jl_complaint complaint;
    EXPECT(jl_card_read(path, &card, &complaint));
    if (card.cells.bus) {
        return;
    }
    memset(&world, 0, sizeof world);
    world.random.state = 0x9E3779B9;
    for (const char *c = card.name; *c; c++) {
        world.random.state = world.random.state * 31 + (uint8_t)*c;
    }
    world.left = -1;
    EXPECT(jl_rig_open(rig, &card, &complaint));
    rig->port.ops = rig->port.ops == &jl_sim_port_rich_ops ? &rich_ops : &plain_ops;
    EXPECT_INT(jl_panel_wake(&rig->panel), JL_OK);
    EXPECT_INT(jl_async_init(&world.async, &rig->panel, NULL, NULL), JL_OK);
    memset(shadow, 0x5A, sizeof shadow);
    fresh_frames();
    for (int n = 0; n < STEPS; n++) {
        struct jl_frame *frame = &world.frames[pick(0, 9) == 0];
        int kind = pick(0, 15);
        test_row("%s, step %d of kind %d", card.name, n, kind);
        draw(&frame->target);
        world.failed = false;
        world.left = pick(0, 2) ? -1 : pick(0, 12);
        jl_status status = step(kind, frame);
        world.left = -1;
        EXPECT_INT(status != JL_OK, world.failed);
        if (status != JL_OK) {
            uint8_t turned = rig->panel.turn;
            seen_so_far.errors++;
            EXPECT_INT(jl_panel_present(&rig->panel, frame), JL_NOT_AWAKE);
            EXPECT_INT(jl_panel_wake(&rig->panel), JL_OK);
            EXPECT_INT(rig->panel.turn, turned);
            EXPECT_INT(jl_frame_init(&world.truth, rig->panel.format, rig->panel.width,
                                     rig->panel.height, truth_memory, sizeof truth_memory),
                       JL_OK);
            if (world.frames[0].target.width != rig->panel.width) {
                fresh_frames(); /* the error came after the turn */
            }
        }
        expect_truth();
    }
    jl_rig_close(rig);
}

static void mix_each(void *context, const char *name, const char *path) {
    struct jl_card card;
    struct jl_complaint complaint;
    (void)context;
    (void)name;
    /* E-paper takes seconds a picture, and glass that is scanned out takes no present: both have
     * tests of their own (test_paper_ways.c, test_scan_cards.c). */
    if (jl_card_read(path, &card, &complaint) &&
        (jl_glass_is_paper(&(struct jl_glass){.kind = card.glass_kind}) ||
         card.bus == JL_BUS_RGB)) {
        return;
    }
    /* Two halves, so that they run side by side. */
    int place = seen_so_far.cards++;
    if (place % 2 == seen_so_far.half && test_turn(place / 2)) {
        mix(path);
    }
}

static void even_cards(void) {
    EXPECT(jl_share_cards("cards", mix_each, NULL));
    EXPECT(seen_so_far.cards > 30);
    EXPECT(seen_so_far.errors > 20);
}

static void odd_cards(void) {
    seen_so_far.half = 1;
    even_cards();
}

const struct test_group test_groups[] = {
    {"even_cards", even_cards},
    {"odd_cards", odd_cards},
    {NULL, NULL},
};
