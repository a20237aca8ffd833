/*
 * What calls refuse: arguments that are missing or out of range, ports that lack an operation. Each
 * says so by its status, as its header has it, and sends nothing.
 */
#include "harness.h"

#include <string.h>

#include "jadelamp/jadelamp.h"

/* ---- a port that counts ---- */

static int sent;
static uint8_t ready_answers; /* what is read */
static bool pin_level;        /* of what is looked at */
static long waited_ms, looks;

static jl_status send(void *context, const struct jl_transfer *transfer) {
    (void)context, (void)transfer;
    sent++;
    return JL_OK;
}

static jl_status receive(void *context, const struct jl_transfer *transfer, uint8_t *bytes,
                         size_t count) {
    (void)context, (void)transfer;
    memset(bytes, ready_answers, count);
    sent++;
    return JL_OK;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context, (void)pin, (void)high;
}

static bool get_pin(void *context, enum jl_pin pin) {
    (void)context, (void)pin;
    looks++;
    return pin_level;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    waited_ms += microseconds / 1000;
}

#define WHOLE                                                                                      \
    .send = send, .receive = receive, .set_pin = set_pin, .get_pin = get_pin, .wait_us = wait_us
static const struct jl_port_ops whole = {WHOLE};
static const struct jl_port port = {.ops = &whole, .clock_hz = 100000};
static const struct jl_port_ops none = {.send = NULL};
static const struct jl_port no_ops = {.clock_hz = 100000}, empty = {.ops = &none};

/* ---- touch panels ---- */

static void touch_panels(void) {
    static const struct jl_port_ops deaf = {.send = send, .wait_us = wait_us, .set_pin = set_pin},
                                    mute = {.receive = receive, .wait_us = wait_us},
                                    hasty = {.send = send, .receive = receive},
                                    pinless = {
                                        .send = send, .receive = receive, .wait_us = wait_us};
    static const struct jl_touch_map broken = {.version = 0};
#define FINGER .part = &jl_ft6x36, .width = 240, .height = 320, .i2c_address = 0x38
#define STYLUS .part = &jl_xpt2046, .width = 240, .height = 320
    static const struct {
        const char *name;
        struct jl_touch_config config;
        const struct jl_port_ops *ops;
        jl_status status;
    } rows[] = {
        {"good", {FINGER}, &whole, JL_OK},
        {"good, resistive", {STYLUS}, &whole, JL_OK},
        {"no part", {.width = 240, .height = 320}, &whole, JL_BAD_ARGUMENT},
        {"no width", {.part = &jl_ft6x36, .height = 320, .i2c_address = 0x38}, &whole, JL_BAD_SIZE},
        {"no height", {.part = &jl_ft6x36, .width = 240, .i2c_address = 0x38}, &whole, JL_BAD_SIZE},
        {"no mounting", {FINGER, .mounting = 8}, &whole, JL_BAD_TURN},
        {"no map", {FINGER, .map = &broken}, &whole, JL_BAD_ARGUMENT},
        {"reserved below",
         {.part = &jl_gt911, .width = 9, .height = 9, .i2c_address = 0x07},
         &whole,
         JL_BAD_ADDRESS},
        {"reserved above",
         {.part = &jl_gt911, .width = 9, .height = 9, .i2c_address = 0x78},
         &whole,
         JL_BAD_ADDRESS},
        {"nothing is read", {FINGER}, &deaf, JL_BAD_PORT},
        {"nothing is sent", {FINGER}, &mute, JL_BAD_PORT},
        {"nobody waits", {FINGER}, &hasty, JL_BAD_PORT},
        {"no select", {STYLUS}, &pinless, JL_BAD_PORT},
        {"no reset", {FINGER, .reset_wired = true}, &pinless, JL_BAD_PORT},
        {"no pen", {FINGER, .pen_wired = true}, &pinless, JL_BAD_PORT},
        {"no operations", {FINGER}, NULL, JL_BAD_PORT},
    };
    struct jl_touch touch;
    struct jl_touch_point points[2];
    struct jl_point raw;
    uint8_t count = 9;
    bool touching = true;
    sent = 0;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_port its = {.ops = rows[i].ops};
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_touch_open(&touch, &rows[i].config, &its), rows[i].status);
        if (rows[i].status != JL_OK) { /* then it is not open */
            EXPECT_INT(jl_touch_wake(&touch), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_touch_turn(&touch, JL_TURN_90), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_touch_use_map(&touch, NULL), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_touch_read(&touch, points, 2, &count), JL_BAD_ARGUMENT);
            EXPECT_INT(jl_touch_read_raw(&touch, &raw, &touching), JL_BAD_ARGUMENT);
            EXPECT(count == 0 && !touching);
        }
    }
    EXPECT_INT(jl_touch_open(NULL, &rows[0].config, &port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_open(&touch, NULL, &port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_open(&touch, &rows[0].config, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_wake(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_turn(NULL, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_use_map(NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read(NULL, points, 2, &count), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read_raw(NULL, &raw, &touching), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_open(&touch, &rows[0].config, &port), JL_OK);
    EXPECT_INT(jl_touch_turn(&touch, 8), JL_BAD_TURN);
    EXPECT_INT(jl_touch_use_map(&touch, &broken), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read(&touch, NULL, 2, &count), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read(&touch, points, 2, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read_raw(&touch, NULL, &touching), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read_raw(&touch, &raw, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(sent, 0);
}

/* Pairs that no touch panel gives. */
static void calibrations(void) {
    static const struct jl_touch_pair good[3] = {{.raw_x = 400, .raw_y = 400, .x = 20, .y = 20},
                                                 {.raw_x = 3600, .raw_y = 400, .x = 220, .y = 20},
                                                 {.raw_x = 400, .raw_y = 3600, .x = 20, .y = 300}};
    static const int16_t bad[] = {-1, INT16_MIN, INT16_MAX};
    struct jl_touch_map map;
    struct jl_touch_residuals left;
    EXPECT_INT(jl_touch_calibrate(good, 3, &map, &left), JL_OK);
    for (int which = 0; which < 4; which++) {
        for (size_t i = 0; i < sizeof bad / sizeof bad[0]; i++) {
            struct jl_touch_pair pairs[3] = {good[0], good[1], good[2]};
            int16_t *members[] = {&pairs[1].raw_x, &pairs[1].raw_y, &pairs[1].x, &pairs[1].y};
            *members[which] = bad[i];
            test_row("member %d is %d", which, bad[i]);
            EXPECT_INT(jl_touch_calibrate(pairs, 3, &map, &left), JL_BAD_ARGUMENT);
        }
    }
    EXPECT(!jl_touch_map_is_good(NULL));
}

/* ---- character modules ---- */

static void character_modules(void) {
    static const struct jl_char_config good = {
        .wire = &jl_char_wire_i2c, .columns = 16, .rows = 2, .i2c_address = 0x3E};
    struct jl_char_config wireless = good, low = good, wide = good, halves = good;
    wireless.wire = NULL;
    low.i2c_address = 0x07;
    wide.columns = 41;
    halves.flags = JL_CHAR_HALVES;
    halves.rows = 1;
    halves.columns = 82; /* of 80 that a controller has */
    const struct {
        const char *name;
        const struct jl_char_config *config;
        const struct jl_port *port;
        jl_status status;
    } rows[] = {
        {"good", &good, &port, JL_OK},
        {"no description", NULL, &port, JL_BAD_ARGUMENT},
        {"no wires", &wireless, &port, JL_BAD_ARGUMENT},
        {"no port", &good, NULL, JL_BAD_ARGUMENT},
        {"no operations", &good, &no_ops, JL_BAD_ARGUMENT},
        {"nobody waits", &good, &empty, JL_BAD_PORT},
        {"a reserved address", &low, &port, JL_BAD_ADDRESS},
        {"too wide", &wide, &port, JL_BAD_SIZE},
        {"halves that are too wide", &halves, &port, JL_BAD_SIZE},
    };
    static const uint8_t step[] = {JL_STEP_SEND(0x38)}, dots[8] = {0};
    struct jl_char_panel panel;
    sent = 0;
    EXPECT_INT(jl_char_open(NULL, &good, &port), JL_BAD_ARGUMENT);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_char_open(&panel, rows[i].config, rows[i].port), rows[i].status);
        EXPECT_INT(jl_char_status(&panel), rows[i].status);
        if (rows[i].status != JL_OK) {
            EXPECT_INT(jl_char_wake_by(&panel, step, sizeof step), JL_NOT_AWAKE);
        }
        EXPECT_INT(jl_char_put(&panel, 0, 0, "x"), JL_NOT_AWAKE);
    }
    test_row("no module");
    EXPECT_INT(jl_char_wake_by(NULL, step, sizeof step), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_put(NULL, 0, 0, "x"), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_cursor(NULL, 0, 0, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_define(NULL, 0, dots), JL_BAD_ARGUMENT);
    EXPECT_INT(sent, 0);
    EXPECT_INT(jl_char_open(&panel, &good, &port), JL_OK);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    sent = 0;
    EXPECT_INT(jl_char_cursor(&panel, 16, 0, JL_CHAR_LINE), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_cursor(&panel, 0, 2, JL_CHAR_LINE), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_cursor(&panel, 0, 0, 4), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_put_hidden(&panel, 0, 2, "x"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_put_hidden(&panel, 40, 0, "x"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_put_hidden(&panel, 39, 0, "xy"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_define(&panel, 8, dots), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_entry(&panel, 4), JL_OUT_OF_RANGE);
    EXPECT_INT(sent, 0);
}

/* Bits of an expander: each one needed once. */
static void expanders(void) {
    const struct jl_char_expander usual = jl_char_expander_usual;
    struct jl_char_expander maps[9];
    for (int i = 0; i < 9; i++) {
        maps[i] = usual;
    }
    maps[0].rs = 0;
    maps[1].e = 0;
    maps[2].e = usual.rs;
    maps[3].rw = usual.e;
    maps[4].light = usual.e;
    maps[5].data[2] = 0;
    maps[6].data[2] = usual.data[1];
    maps[7].data[3] = 3; /* two at once */
    maps[8].e2 = usual.e;
    for (int i = 0; i < 9; i++) {
        const struct jl_char_config config = {.wire = &jl_char_wire_expander,
                                              .expander = &maps[i],
                                              .columns = 16,
                                              .rows = 2,
                                              .i2c_address = 0x27};
        struct jl_char_panel panel;
        test_row("map %d", i);
        EXPECT_INT(jl_char_open(&panel, &config, &port), JL_BAD_WIRING);
    }
    static const struct {
        uint8_t columns, rows, address;
        const struct jl_char_expander *map;
        const struct jl_port *port;
        jl_status status;
    } rows[] = {
        {16, 2, 0x07, &jl_char_expander_usual, &port, JL_BAD_ADDRESS},
        {16, 2, 0x78, &jl_char_expander_usual, &port, JL_BAD_ADDRESS},
        {16, 2, 0x27, NULL, &port, JL_BAD_ARGUMENT},
        {40, 4, 0x27, &jl_char_expander_usual, &port, JL_BAD_WIRING}, /* it needs a second E */
        {16, 2, 0x27, &jl_char_expander_usual, &port, JL_OK},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_char_config config = {.wire = &jl_char_wire_expander,
                                              .expander = rows[i].map,
                                              .columns = rows[i].columns,
                                              .rows = rows[i].rows,
                                              .i2c_address = rows[i].address};
        struct jl_char_panel panel;
        test_row("row %zu", i);
        EXPECT_INT(jl_char_open(&panel, &config, rows[i].port), rows[i].status);
    }
}

/* ---- panels ---- */

#define OLED                                                                                       \
    .controller = &jl_ssd1306, .bus = &jl_bus_i2c, .width = 128, .height = 64, .i2c_address = 0x3C

static const struct jl_panel_config oled = {OLED};
static const struct jl_panel_config tft = {.controller = &jl_st7789,
                                           .bus = &jl_bus_spi,
                                           .width = 240,
                                           .height = 240,
                                           .motion = &jl_dcs_motion};
static const struct jl_panel_config rolls = {OLED, .motion = &jl_start_line_motion};
static uint8_t memory[240 * 240 * 2];

static void opening(void) {
    static const struct jl_port_ops no_pins = {.send = send, .wait_us = wait_us};
    static const struct jl_panel_config bare = {.bus = &jl_bus_i2c},
                                        busless = {.controller = &jl_ssd1306},
                                        reset = {OLED, .module = JL_MODULE_RESET_WIRED},
                                        light = {OLED, .module = JL_MODULE_LIGHT_WIRED};
    const struct jl_port pinless = {.ops = &no_pins, .clock_hz = 100000};
    const struct {
        const char *name;
        const struct jl_panel_config *config;
        const struct jl_port *port;
        jl_status status;
    } rows[] = {
        {"no description", NULL, &port, JL_BAD_ARGUMENT},
        {"no controller", &bare, &port, JL_BAD_ARGUMENT},
        {"no bus", &busless, &port, JL_BAD_ARGUMENT},
        {"no port", &oled, NULL, JL_BAD_ARGUMENT},
        {"no operations", &oled, &no_ops, JL_BAD_PORT},
        {"nothing is sent", &oled, &empty, JL_BAD_PORT},
        {"reset without pins", &reset, &pinless, JL_BAD_PORT},
    };
    struct jl_panel panel;
    sent = 0;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_panel_open(&panel, rows[i].config, rows[i].port), rows[i].status);
        EXPECT_INT(jl_panel_light(&panel, true), JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_wake(&panel), JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_check_clock(&panel, NULL), JL_BAD_ARGUMENT);
        EXPECT_INT(jl_epaper_begin(NULL, &panel), JL_NOT_AWAKE);
    }
    EXPECT_INT(jl_panel_open(&panel, &light, &pinless), JL_OK);
    EXPECT_INT(jl_panel_light(&panel, true), JL_BAD_PORT);
    EXPECT_INT(jl_panel_open(&panel, &oled, &port), JL_OK);
    EXPECT_INT(jl_panel_light(&panel, true), JL_UNSUPPORTED);
    EXPECT_INT(jl_epaper_begin(NULL, &panel), JL_UNSUPPORTED);
    EXPECT_INT(jl_epaper_request(&panel, JL_UPDATE_FULL), JL_UNSUPPORTED);
    EXPECT_INT(sent, 0);
}

/* Calls on a panel that is not there. */
static void without_a_panel(void) {
    struct jl_direct direct;
    struct jl_async async;
    struct jl_bands bands;
    struct jl_beam_timer timer;
    struct jl_frame frame;
    struct jl_image image = {.format = &jl_rgb565, .pixels = memory, .width = 4, .height = 4};
    struct jl_rect area = {0, 0, 8, 8};
    uint8_t found[16];
    uint32_t id = 7;
    EXPECT_INT(jl_panel_open(NULL, &oled, &port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_wake(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_sleep(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_resume(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_contrast(NULL, 1), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_invert(NULL, true), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_turn(NULL, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_idle(NULL, true), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_all_on(NULL, true), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_light(NULL, true), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_check_clock(NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_roll(NULL, 0, 1, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_show_rows(NULL, 0, 1), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_scroll_start(NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_scroll_stop(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_frame(NULL, &frame, memory, sizeof memory), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_present_as(NULL, &frame, memory, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_send(NULL, area, memory, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_send_image(NULL, 0, 0, &image, NULL, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_identify(NULL, NULL, &id), JL_BAD_ARGUMENT);
    EXPECT_INT((int)id, 0);
    EXPECT_INT(jl_panel_test_wires(NULL, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_ask(NULL, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_direct_init(NULL, NULL, memory, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_direct_init(&direct, NULL, NULL, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_direct_init(&direct, NULL, memory, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_init(NULL, NULL, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_init(&async, NULL, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_present(NULL, &frame), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_present_changes(NULL, &frame, memory), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_poll(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_finish(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_bands_begin(&bands, NULL, memory, 512), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_bands_end(&bands), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_beam_wait(NULL, JL_BEAM_BLANK, 1), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_beam_present(NULL, &frame, JL_BEAM_BLANK, 1), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_beam_timer_start(&timer, NULL, 1000), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_beam_timer_start(NULL, NULL, 1000), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_epaper_begin(NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_epaper_request(NULL, JL_UPDATE_FULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_memory_lcd_vcom_pin(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_t6963c_text(NULL, 0, 0, "x"), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_t6963c_symbol(NULL, 0, 0, 1), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_st7920_text(NULL, 0, 0, "x"), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_st7920_symbol(NULL, 0, 0, 1), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_st7920_define(NULL, 0, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_st7920_text_clear(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scan_i2c(NULL, found), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scan_i2c(&no_ops, found), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scan_i2c(&empty, found), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_scan_i2c(&port, NULL), JL_BAD_ARGUMENT);
}

/* On a panel that is awake: out of range, or not what it can do. */
static void out_of_range(void) {
    static const struct jl_panel_config still = {OLED};
    struct jl_panel panel, color, plain;
    struct jl_frame frame, narrow;
    struct jl_image image = {.format = &jl_rgb565, .pixels = memory, .width = 4, .height = 4};
    struct jl_beam_timer timer;
    struct jl_async async;
    struct jl_bands bands;
    EXPECT_INT(jl_panel_open(&panel, &rolls, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_open(&color, &tft, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&color), JL_OK);
    EXPECT_INT(jl_panel_open(&plain, &still, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&plain), JL_OK);
    sent = 0;
    EXPECT_INT(jl_panel_roll(&panel, -1, 64, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_roll(&panel, 0, 0, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_roll(&panel, 0, 64, -1), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_roll(&panel, 0, 64, 64), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_roll(&panel, 0, 65, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_roll(&panel, 0, 32, 0), JL_UNSUPPORTED); /* all of it or nothing */
    EXPECT_INT(jl_panel_roll(&panel, 8, 56, 0), JL_UNSUPPORTED);
    EXPECT_INT(jl_panel_roll(&plain, 0, 64, 0), JL_NO_MOTION);
    EXPECT_INT(jl_panel_show_rows(&plain, 0, 8), JL_NO_MOTION);
    EXPECT_INT(jl_panel_show_rows(&panel, 0, 8), JL_NO_MOTION);
    EXPECT_INT(jl_panel_show_rows(&color, -1, 8), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_show_rows(&color, 0, 241), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_panel_scroll_start(&panel, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_scroll_start(&plain, &(struct jl_scroll){.last_page = 1}), JL_NO_MOTION);
    EXPECT_INT(jl_panel_scroll_start(&panel, &(struct jl_scroll){.last_page = 1}), JL_NO_MOTION);
    EXPECT_INT(jl_panel_turn(&panel, 8), JL_BAD_TURN);
    EXPECT_INT(jl_panel_send_image(&color, 0, 0, NULL, NULL, 0), JL_BAD_ARGUMENT);
    image.format = NULL;
    EXPECT_INT(jl_panel_send_image(&color, 0, 0, &image, NULL, 0), JL_BAD_ARGUMENT);
    image.format = &jl_rgb565;
    image.pixels = NULL;
    EXPECT_INT(jl_panel_send_image(&color, 0, 0, &image, NULL, 0), JL_BAD_ARGUMENT);
    image.pixels = memory;
    image.mask = memory;
    image.mask_bits = 1;
    EXPECT_INT(jl_panel_send_image(&color, 0, 0, &image, NULL, 0), JL_UNSUPPORTED);
    image.mask = NULL;
    image.has_key = true;
    EXPECT_INT(jl_panel_send_image(&color, 0, 0, &image, NULL, 0), JL_UNSUPPORTED);
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb332, 240, 240, memory, sizeof memory), JL_OK);
    EXPECT_INT(jl_frame_init(&narrow, &jl_rgb332, 239, 240, memory, sizeof memory), JL_OK);
    EXPECT_INT(jl_panel_present_as(&color, NULL, memory, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_present_as(&color, &frame, NULL, 8), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_present_as(&color, &narrow, memory, 8), JL_BAD_FRAME_SIZE);
    EXPECT_INT(jl_panel_present_as(&color, &frame, memory, 1), JL_TOO_SMALL);
    EXPECT_INT(jl_beam_timer_start(&timer, &color, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_beam_timer_start(&timer, &color, 1000), JL_UNSUPPORTED); /* no clock */
    EXPECT_INT(jl_async_init(&async, &color, NULL, NULL), JL_OK);
    EXPECT_INT(jl_async_present_changes(&async, NULL, memory), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_present_changes(&async, &frame, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_async_present_changes(&async, &frame, memory), JL_BAD_ARGUMENT); /* no damage */
    EXPECT_INT(jl_bands_begin(&bands, &color, NULL, 512), JL_BAD_ARGUMENT);
    EXPECT_INT(sent, 0);
}

/* Text of controllers that draw it themselves. */
static void text_of_controllers(void) {
    static const struct jl_panel_config of_t6963c = {
        .controller = &jl_t6963c, .bus = &jl_bus_t6963c, .width = 240, .height = 64};
    static const struct jl_panel_config of_st7920 = {
        .controller = &jl_st7920, .bus = &jl_bus_st7920_serial, .width = 128, .height = 64};
    static const char long_text[] = "a text of forty characters, of them many";
    static const uint8_t dots[8] = {0};
    static const uint16_t rows[16] = {0};
    struct jl_panel panel, other;
    ready_answers = 0x2B; /* of a t6963c */
    EXPECT_INT(jl_panel_open(&panel, &of_t6963c, &port), JL_OK);
    EXPECT_INT(jl_t6963c_text(&panel, 0, 0, "x"), JL_NOT_AWAKE);
    EXPECT_INT(jl_t6963c_text_clear(&panel), JL_NOT_AWAKE);
    EXPECT_INT(jl_t6963c_text_show(&panel, true), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_open(&other, &oled, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&other), JL_OK);
    sent = 0;
    EXPECT_INT(jl_t6963c_text(&panel, 0, 0, ""), JL_OK); /* nothing to write */
    EXPECT_INT(jl_t6963c_text(&panel, 0, 0, long_text), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_text(&panel, 29, 0, "xy"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_text(&panel, 0, 8, "x"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_symbol(&panel, 30, 0, 1), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_symbol(&panel, 0, 0, 128), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_define(&panel, 128, dots), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_text(&other, 0, 0, "x"), JL_UNSUPPORTED);
    EXPECT_INT(jl_st7920_text(&other, 0, 0, "x"), JL_UNSUPPORTED);
    EXPECT_INT(sent, 0);
    EXPECT_INT(jl_t6963c_text(&panel, 28, 7, "\xC3\xA9"), JL_OK); /* two that it lacks */
    EXPECT_INT(jl_t6963c_text_show(&panel, false), JL_OK);
    EXPECT(sent > 0);
    struct jl_port narrow = port;
    narrow.most_body_bytes = 2;
    EXPECT_INT(jl_panel_open(&panel, &of_st7920, &narrow), JL_BAD_PORT); /* three go together */
    narrow.most_body_bytes = 3;
    EXPECT_INT(jl_panel_open(&panel, &of_st7920, &narrow), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    sent = 0;
    EXPECT_INT(jl_st7920_text(&panel, 1, 0, "x"), JL_OUT_OF_RANGE); /* two share an address */
    EXPECT_INT(jl_st7920_text(&panel, 16, 0, ""), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_text(&panel, 0, 4, "x"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_text(&panel, 0, 0, long_text), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_symbol(&panel, 1, 0, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_symbol(&panel, 16, 0, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_symbol(&panel, 0, 4, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_symbol(&panel, 0, 0, 4), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_define(&panel, 4, rows), JL_OUT_OF_RANGE);
    EXPECT_INT(sent, 0);
    EXPECT_INT(jl_st7920_text(&panel, 0, 0, "\x01\xFF"), JL_OK);
    EXPECT(sent > 0);
    ready_answers = 0;
}

/* Straight onto a panel: what is clear sends nothing. */
static void drawing_that_is_clear(void) {
    static const uint8_t bits[8] = {0x0F, 0xF0, 0x0F, 0xF0, 0x0F, 0xF0, 0x0F, 0xF0};
    static const struct jl_bitmap map = {bits, 8, 8, &jl_bits_columns};
    struct jl_panel panel;
    struct jl_direct direct;
    EXPECT_INT(jl_panel_open(&panel, &tft, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_direct_init(&direct, &panel, memory, 64), JL_OK);
    sent = 0;
    jl_draw_bitmap(&direct.target, 0, 0, &map, JL_CLEAR, JL_CLEAR);
    EXPECT_INT(sent, 0);
    jl_draw_bitmap(&direct.target, 0, 0, &map, JL_CLEAR, JL_BLACK);
    EXPECT(sent > 0);
    EXPECT_INT(direct.status, JL_OK);
    EXPECT(!jl_target_mode(&direct.target, 9, 0));               /* no such mode */
    EXPECT(!jl_target_mode(&direct.target, JL_MODE_BLEND, 100)); /* nothing is read back */
}

/* E-paper that stays busy for ever: without a clock looks are counted, and without the pin nothing
 * is waited for. */
static void paper_that_stays_busy(void) {
    static const struct jl_panel_config paper = {
        .controller = &jl_ssd1681, .bus = &jl_bus_spi, .width = 200, .height = 200};
    static const struct jl_port_ops blind = {.send = send, .set_pin = set_pin, .wait_us = wait_us};
    struct jl_panel panel;
    struct jl_frame frame;
    pin_level = true; /* busy */
    waited_ms = 0;
    EXPECT_INT(jl_panel_open(&panel, &paper, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_TIMEOUT);
    EXPECT(waited_ms > 10 && waited_ms < 100000);
    pin_level = false;
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_frame(&panel, &frame, memory, sizeof memory), JL_OK);
    pin_level = true;
    waited_ms = 0;
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_TIMEOUT);
    EXPECT(waited_ms > 1000 && waited_ms < 200000);
    const struct jl_port without = {.ops = &blind, .clock_hz = 100000};
    EXPECT_INT(jl_panel_open(&panel, &paper, &without), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_UNSUPPORTED);
    pin_level = false;
}

static size_t short_update(const struct jl_panel *panel, enum jl_update update, uint8_t *out) {
    (void)panel, (void)update;
    const uint8_t steps[] = {JL_STEP_WAIT_BUSY(0, 50)};
    memcpy(out, steps, sizeof steps);
    return sizeof steps;
}

/* An update of one's own may last 50 ms: without a clock looks a millisecond apart are counted. */
static void a_limit_of_looks(void) {
    struct jl_paper short_one = *jl_ssd1681.paper;
    struct jl_controller part = jl_ssd1681;
    const struct jl_panel_config paper = {
        .controller = &part, .bus = &jl_bus_spi, .width = 200, .height = 200};
    struct jl_panel panel;
    struct jl_frame frame;
    short_one.update = short_update;
    part.paper = &short_one;
    pin_level = false;
    EXPECT_INT(jl_panel_open(&panel, &paper, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_frame(&panel, &frame, memory, sizeof memory), JL_OK);
    pin_level = true;
    looks = waited_ms = 0;
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_TIMEOUT);
    EXPECT(looks > 50 && looks <= 52 && waited_ms >= 50);
    pin_level = false;
}

/* ---- frames, images, the light ---- */

static void frames_and_images(void) {
    static const jl_color two[2] = {JL_BLACK, JL_WHITE};
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init_palette(&frame, NULL, two, 8, 8, memory, 64), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_rgb565, two, 8, 8, memory, 64), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_palette1, NULL, 8, 8, memory, 64),
               JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init_palette(&frame, &jl_palette1, two, 8, 8, memory, 7), JL_TOO_SMALL);
    EXPECT_INT((int)jl_frame_bytes(NULL, 8, 8), 0);
    EXPECT_INT((int)jl_frame_bytes(&jl_rgb565, 0, 8), 0);
    EXPECT_INT((int)jl_frame_bytes(&jl_rgb565, 8, 0), 0);
    EXPECT_INT(jl_frame_init_strided(&frame, NULL, 8, 8, memory, 128, 16), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init_strided(&frame, &jl_rgb565, 8, 8, memory, 128, 15), JL_OUT_OF_RANGE);
    struct jl_image image = {.format = &jl_rgb565, .pixels = memory, .width = 4, .height = 4};
    EXPECT_INT(jl_image_check(&image, 32), JL_OK);
    EXPECT_INT(jl_image_check(&image, 31), JL_TOO_SMALL);
    EXPECT_INT(jl_image_check(NULL, 32), JL_BAD_ARGUMENT);
    struct jl_image wrong[7];
    for (int i = 0; i < 7; i++) {
        wrong[i] = image;
    }
    wrong[0].format = NULL;
    wrong[1].pixels = NULL;
    wrong[2].width = 0;
    wrong[3].height = -1;
    wrong[4].format = &jl_palette4; /* without a palette */
    wrong[5].mask = memory;         /* of no bits */
    wrong[6].mask = memory;
    wrong[6].mask_bits = 2;
    for (int i = 0; i < 7; i++) {
        test_row("image %d", i);
        EXPECT_INT(jl_image_check(&wrong[i], 32), JL_BAD_ARGUMENT);
    }
    struct jl_panel panel;
    struct jl_light light;
    const struct jl_light_config way = {.way = &jl_light_contrast}, none_set = {.full = 1};
    EXPECT_INT(jl_panel_open(&panel, &oled, &port), JL_OK);
    EXPECT_INT(jl_light_open(NULL, &way, &panel), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, NULL, &panel), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, &none_set, &panel), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, &way, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_light_open(&light, &way, &panel), JL_OK);
}

const struct test_group test_groups[] = {
    {"touch_panels", touch_panels},
    {"calibrations", calibrations},
    {"character_modules", character_modules},
    {"expanders", expanders},
    {"opening", opening},
    {"without_a_panel", without_a_panel},
    {"out_of_range", out_of_range},
    {"text_of_controllers", text_of_controllers},
    {"drawing_that_is_clear", drawing_that_is_clear},
    {"paper_that_stays_busy", paper_that_stays_busy},
    {"a_limit_of_looks", a_limit_of_looks},
    {"frames_and_images", frames_and_images},
    {NULL, NULL},
};
