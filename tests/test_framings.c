/*
 * What goes over the wires: planes, blocks, resets and framings of buses as a listener hears them,
 * and wires that are released whatever fails.
 */
#include "harness.h"

#include <string.h>

#include "stage.h"

static const struct make monos[] = {{.name = "ssd1306 128x64",
                                     .controller = &jl_ssd1306,
                                     .emulator = &jl_emulated_ssd1306,
                                     .width = 128,
                                     .height = 64,
                                     .bus = &jl_bus_i2c},
                                    {.name = "sh1106 128x64",
                                     .controller = &jl_sh1106,
                                     .emulator = &jl_emulated_sh1106,
                                     .width = 128,
                                     .height = 64,
                                     .x = 2,
                                     .bus = &jl_bus_i2c}};

/* ---- planes, blocks, resets, buses: on a wire that is only listened to ---- */

static struct {
    uint8_t bytes[4096];
    size_t count;
    uint64_t waited_us;
    bool cs_selects; /* the level */
    bool cs, dc;
    size_t most; /* body bytes of the largest transfer */
} heard;

static void hear(uint8_t byte) {
    if (heard.count < sizeof heard.bytes) {
        heard.bytes[heard.count++] = byte;
    }
}
static jl_status hear_send(void *context, const struct jl_transfer *t) {
    (void)context;
    heard.most = t->body_bytes > heard.most ? t->body_bytes : heard.most;
    hear(t->i2c_address ? 'I' : heard.dc ? 'D' : 'C');
    EXPECT(t->i2c_address || heard.cs == heard.cs_selects);
    for (size_t i = 0; i < t->head_bytes; i++) {
        hear(t->head[i]);
    }
    for (size_t i = 0; i < t->body_bytes; i++) {
        hear(t->body[i]);
    }
    return JL_OK;
}
static void hear_wait(void *context, uint32_t us) {
    (void)context;
    heard.waited_us += us;
}
static void hear_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    *(pin == JL_PIN_CS ? &heard.cs : &heard.dc) = high;
}
static bool hear_busy(void *context, enum jl_pin pin) {
    (void)context;
    return pin != JL_PIN_BUSY;
}
static const struct jl_port_ops listening = {
    .send = hear_send, .wait_us = hear_wait, .set_pin = hear_pin, .get_pin = hear_busy};

static void expect_heard(const uint8_t *expected, size_t count) {
    EXPECT_INT((long long)heard.count, (long long)count);
    EXPECT_BYTES(heard.bytes, expected, count);
    heard.count = 0;
}
#define EXPECT_HEARD(...)                                                                          \
    do {                                                                                           \
        static const uint8_t expected[] = {__VA_ARGS__};                                           \
        expect_heard(expected, sizeof expected);                                                   \
    } while (0)

/* A controller of two planes, as those of e-paper: an opcode each, and nothing behind them. */
static size_t plane_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out) {
    (void)panel;
    out[0] = 2;
    out[1] = stretch->plane ? 0x26 : 0x24;
    out[2] = (uint8_t)stretch->area.y;
    return 3;
}

static void planes_and_blocks(void) {
    static const uint8_t table[] = {0x32, 1, 2, 3, 4, 5};
    static const struct jl_block blocks[] = {{table, sizeof table}};
    static const uint8_t steps[] = {JL_STEP_CLEAR, JL_STEP_BLOCK(0), JL_STEP_SEND(0x20)};
    static const uint8_t wrong[] = {JL_STEP_BLOCK(1)};
    static const struct jl_controller controller = {.name = "two planes",
                                                    .format = &jl_black_white_red,
                                                    .ram_width = 16,
                                                    .ram_height = 2,
                                                    .buses = 1 << JL_BUS_SPI,
                                                    .layouts = {1 << JL_LAYOUT_BLACK_WHITE_RED},
                                                    .turns = JL_TURNS_NONE,
                                                    .column_unit = 8,
                                                    .reset_low_us = 10000,
                                                    .reset_recovery_us = 50000,
                                                    .window = plane_window,
                                                    .next = jl_next_units,
                                                    .rare_step = jl_rare_step,
                                                    .opcode_bytes = 1};
    struct jl_panel_config config = {.controller = &controller,
                                     .bus = &jl_bus_spi,
                                     .width = 16,
                                     .height = 2,
                                     .module = JL_MODULE_RESET_WIRED,
                                     .wake_steps = steps,
                                     .wake_steps_bytes = sizeof steps,
                                     .block_count = 1,
                                     .blocks = blocks};
    const struct jl_port port = {.ops = &listening};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_async async;
    uint8_t memory[2 * 2 * 2];
    memset(&heard, 0, sizeof heard);
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT((long long)heard.waited_us, 60000);               /* resets of milliseconds */
    EXPECT_HEARD('C', 0x24, 'D', 0, 'D', 0xFF, 0xFF, 0xFF, 0xFF, /* paper is white, */
                 'C', 0x26, 'D', 0, 'D', 0, 0, 0, 0,             /* and not red */
                 'C', 0x32, 'D', 1, 2, 3, 4, 5, 'C', 0x20);
    EXPECT_INT(jl_frame_init(&frame, &jl_black_white_red, 16, 2, memory, sizeof memory), JL_OK);
    EXPECT_BYTES(memory, "\xFF\xFF\xFF\xFF\0\0\0\0", 8);
    jl_fill_rect(&frame.target, (struct jl_rect){0, 1, 3, 1}, JL_RED);
    jl_fill_rect(&frame.target, (struct jl_rect){12, 0, 4, 2}, JL_BLACK);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
    static const uint8_t both[] = {'C', 0x24, 'D', 0, 'D', 0xFF, 0xF0, 0x1F, 0xF0,
                                   'C', 0x26, 'D', 0, 'D', 0x00, 0x00, 0xE0, 0x00};
    expect_heard(both, sizeof both);
    EXPECT_INT(jl_async_init(&async, &panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
    expect_heard(both, sizeof both);
    /* A part of it: both planes of the second row's right half. */
    struct jl_damage damage;
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
    heard.count = 0;
    jl_fill_rect(&frame.target, (struct jl_rect){9, 1, 1, 1}, JL_RED);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
    EXPECT_HEARD('C', 0x24, 'D', 1, 'D', 0xB0, 'C', 0x26, 'D', 1, 'D', 0x40);

    config.wake_steps = wrong;
    config.wake_steps_bytes = sizeof wrong;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_BAD_STEPS);
    struct jl_controller without = controller;
    without.rare_step = NULL;
    config.controller = &without;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_UNSUPPORTED);
}

/* Two framings that only their own files know. */
static void other_framings(void) {
    static const uint8_t steps[] = {JL_STEP_SEND(0xAE, 0x81, 0x7F)};
    struct jl_panel_config config = {.controller = &jl_ssd1306,
                                     .bus = &jl_bus_i2c_single,
                                     .width = 64,
                                     .height = 32,
                                     .i2c_address = 0x3C,
                                     .wake_steps = steps,
                                     .wake_steps_bytes = sizeof steps};
    struct jl_port port = {.ops = &listening};
    struct jl_panel panel;
    static const uint8_t pixels[] = {1, 2, 3};
    const struct jl_rect area = {4, 8, 3, 8};
    memset(&heard, 0, sizeof heard);
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_HEARD('I', 0x80, 0xAE, 'I', 0x80, 0x81, 'I', 0x80, 0x7F);
    EXPECT_INT(jl_panel_send(&panel, area, pixels, 3), JL_OK);
    EXPECT_HEARD('I', 0x80, 0x21, 'I', 0x80, 4, 'I', 0x80, 6, 'I', 0x80, 0x22, 'I', 0x80, 1, 'I',
                 0x80, 1, 'I', 0x40, 1, 2, 3);
    port.most_body_bytes = 1;
    EXPECT_INT(jl_panel_contrast(&panel, 9), JL_OK);
    EXPECT_HEARD('I', 0x80, 0x81, 'I', 0x80, 9);
    heard.most = 0;
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT((long long)heard.most, 1);
    config.i2c_address = 0x78;
    port.most_body_bytes = 0;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_BAD_ADDRESS);

    config.bus = &jl_bus_spi_cs_high;
    memset(&heard, 0, sizeof heard);
    heard.cs_selects = true;
    heard.cs = true;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK); /* hear_send() expects CS to be high */
    EXPECT(!heard.cs);
    EXPECT_HEARD('C', 0xAE, 0x81, 0x7F);
    EXPECT_INT(jl_panel_send(&panel, area, pixels, 3), JL_OK);
    EXPECT(!heard.cs);
    EXPECT_HEARD('C', 0x21, 4, 6, 0x22, 1, 1, 'D', 1, 2, 3);
}

/* The emulated parts understand the byte-by-byte framing, too. */
static void single_commands_on_the_board(void) {
    for (int i = 0; i < 3; i++) {
        const struct make *make = i < 2 ? &monos[i] : make_named("ssd1327 128x128");
        struct stage stage;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){.bus = &jl_bus_i2c_single});
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        jl_draw_test_card(&frame.target, "framing");
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        stage_expect_shown(&stage, make, &frame);
        stage_expect_content(&stage);
        stage_close(&stage);
    }
}

/* ---- released wires ---- */

static struct {
    struct jl_sim_port sim;
    long left; /* transfers that still work */
} failing;

static jl_status fail_send(void *context, const struct jl_transfer *t) {
    (void)context;
    return failing.left-- > 0 ? jl_sim_port_rich_ops.send(&failing.sim, t) : JL_BUS_ERROR;
}
static jl_status fail_repeat(void *context, const struct jl_transfer *t, uint32_t times) {
    (void)context;
    return failing.left-- > 0 ? jl_sim_port_rich_ops.repeat(&failing.sim, t, times) : JL_BUS_ERROR;
}
static jl_status fail_nine(void *context, const struct jl_transfer *t, bool data) {
    (void)context;
    return failing.left-- > 0 ? jl_sim_port_rich_ops.send_nine(&failing.sim, t, data)
                              : JL_BUS_ERROR;
}
static void fail_wait(void *context, uint32_t microseconds) {
    (void)context;
    jl_sim_port_rich_ops.wait_us(&failing.sim, microseconds);
}
static void fail_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    jl_sim_port_rich_ops.set_pin(&failing.sim, pin, high);
}

static jl_status one_of_each(struct stage *stage, struct jl_frame *frame) {
    struct jl_direct direct;
    uint8_t pixel[4];
    const struct jl_rect lines = {5, 6, 20, 4};
    jl_status status = jl_panel_send(&stage->panel, lines, frame->pixels, frame->stride_bytes);
    if (status == JL_OK) {
        status = jl_direct_init(&direct, &stage->panel, pixel, sizeof pixel);
    }
    if (status == JL_OK) {
        jl_fill_rect(&direct.target, (struct jl_rect){0, 0, 9, 9}, JL_RED);
        jl_fill_gradient(&direct.target, (struct jl_rect){20, 9, 9, 3}, JL_AXIS_X, JL_RED, JL_BLUE,
                         NULL);
        status = direct.status;
    }
    return status;
}

/* Whatever fails, no device stays selected: the next transfer would be heard by two. */
static void errors_release_the_wires(void) {
    static const struct jl_port_ops full = {.send = fail_send,
                                            .repeat = fail_repeat,
                                            .send_nine = fail_nine,
                                            .wait_us = fail_wait,
                                            .set_pin = fail_pin},
                                    bare = {.send = fail_send,
                                            .wait_us = fail_wait,
                                            .set_pin = fail_pin};
    static const struct {
        const struct jl_bus *bus;
        const struct jl_format *format;
        const struct jl_port_ops *ops;
    } rows[] = {
        {&jl_bus_spi, &jl_rgb565, &full},         {&jl_bus_spi, &jl_rgb565, &bare},
        {&jl_bus_spi_3wire, &jl_rgb565, &full},   {&jl_bus_spi_3wire, &jl_rgb565, &bare},
        {&jl_bus_8080_8, &jl_rgb565, &full},      {&jl_bus_8080_8, &jl_rgb565, &bare},
        {&jl_bus_8080_16, &jl_rgb565_cpu, &full}, {&jl_bus_8080_16, &jl_rgb565_cpu, &bare},
    };
    const struct make *make = make_named("st7789 240x240");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage stage;
        stage_open(
            &stage, make,
            &(struct wish){.bus = rows[i].bus, .format = rows[i].format, .ops = rows[i].ops});
        failing.sim = stage.sim;
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_status status = JL_BUS_ERROR;
        long works = 0;
        for (; status != JL_OK && works < 400; works++) {
            test_row("bus %d, %ld transfers work", (int)i, works);
            failing.left = 10000;
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            EXPECT(jl_device_pin(stage.device, JL_DEVICE_CS));
            failing.left = works;
            status = one_of_each(&stage, &frame);
            EXPECT(status == JL_OK || status == JL_BUS_ERROR);
            EXPECT(jl_device_pin(stage.device, JL_DEVICE_CS));
        }
        EXPECT(status == JL_OK && works > 10);
        stage_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"planes_and_blocks", planes_and_blocks},
    {"other_framings", other_framings},
    {"single_commands", single_commands_on_the_board},
    {"errors_release_the_wires", errors_release_the_wires},
    {NULL, NULL},
};
