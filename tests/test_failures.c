/*
 * A transfer that fails in the middle of a call, for every transfer of every call that sends
 * several: the call returns that error, nothing is sent behind it, the next call says that the
 * panel must be woken, and waking it makes all well again.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/controllers/readings.h"
#include "jadelamp/jadelamp.h"

/* ---- a port that answers, until it is told not to ---- */

static struct {
    int left;        /* transfers until one fails; negative: none does */
    int after;       /* transfers behind that one */
    bool dead;       /* it failed */
    uint8_t answers; /* what is read */
} bus;

static jl_status transfer(void) {
    bus.after += bus.dead;
    bus.dead |= bus.left == 0;
    bus.left -= bus.left >= 0;
    return bus.dead ? JL_BUS_ERROR : JL_OK;
}

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    (void)t;
    return transfer();
}

static jl_status receive(void *context, const struct jl_transfer *t, uint8_t *bytes, size_t count) {
    (void)context;
    (void)t;
    memset(bytes, bus.answers, count);
    return transfer();
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    (void)pin;
    (void)high;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static const struct jl_port_ops ops = {
    .send = send, .receive = receive, .set_pin = set_pin, .wait_us = wait_us};
static const struct jl_port port = {.ops = &ops, .clock_hz = 100000};

/* Lets the n-th transfer from now on fail; negative: none. */
static void fail_at(int n) {
    bus.left = n;
    bus.after = 0;
    bus.dead = false;
}

/* ---- character modules ---- */

static const uint8_t dots[8] = {1, 2, 4, 8, 16, 8, 4, 2};
static const struct jl_char_glyph glyphs[] = {{.code = 0x26F5, .rows = {1, 2, 3, 4, 5, 6, 7, 8}}};
static uint8_t cells[JL_CHAR_BUFFER_BYTES(20, 4)];
static const uint8_t steps[] = {JL_STEP_SEND(0x28), JL_STEP_SEND(0x0C), JL_STEP_WAIT_MS(2),
                                JL_STEP_SEND(0x06)};

static jl_status put(struct jl_char_panel *p) {
    return jl_char_put(p, 3, 1, "Lower gate");
}
static jl_status put_apart(struct jl_char_panel *p) {
    jl_status status = jl_char_put(p, 0, 0, "a");
    return status == JL_OK ? jl_char_put(p, 9, 1, "b") : status;
}
static jl_status number(struct jl_char_panel *p) {
    return jl_char_number(p, 2, 0, 6, -75, 2);
}
static jl_status type_more(struct jl_char_panel *p) {
    return jl_char_type(p, "more");
}
static jl_status cursor(struct jl_char_panel *p) {
    return jl_char_cursor(p, 3, 1, JL_CHAR_LINE);
}
static jl_status hide(struct jl_char_panel *p) {
    return jl_char_show(p, false);
}
static jl_status shift(struct jl_char_panel *p) {
    return jl_char_shift(p, -3);
}
static jl_status move(struct jl_char_panel *p) {
    return jl_char_move(p, 2);
}
static jl_status define(struct jl_char_panel *p) {
    return jl_char_define(p, 3, dots);
}
static jl_status test_card(struct jl_char_panel *p) {
    return jl_char_test_card(p, "card");
}
static jl_status wake_by(struct jl_char_panel *p) {
    return jl_char_wake_by(p, steps, sizeof steps);
}
static jl_status wake_by_set_up(struct jl_char_panel *p) {
    static const uint8_t set_up[] = {JL_STEP_SETUP, JL_STEP_CLEAR};
    return jl_char_wake_by(p, set_up, sizeof set_up);
}
static jl_status marquee(struct jl_char_panel *p) {
    return jl_char_marquee(p, 0, 1, 8, "a text that is longer", 4);
}
static jl_status light_off(struct jl_char_panel *p) {
    return jl_char_light(p, false);
}
static jl_status through_a_buffer(struct jl_char_panel *p) {
    jl_status status = jl_char_buffer(p, cells, sizeof cells);
    status = status == JL_OK ? jl_char_put(p, 0, 0, "one") : status;
    status = status == JL_OK ? jl_char_put(p, 8, 1, "two") : status;
    return status == JL_OK ? jl_char_present(p) : status;
}
static jl_status contrast(struct jl_char_panel *p) {
    return jl_st7036_contrast(p, 33);
}
static jl_status icons(struct jl_char_panel *p) {
    return jl_st7036_icons(p, 4, 17);
}

static const struct char_call {
    const char *name;
    jl_status (*run)(struct jl_char_panel *panel);
    bool of_st7036, wakes, of_expander;
} char_calls[] = {
    {"wake", jl_char_wake, false, true, false},
    {"wake_by", wake_by, false, true, false},
    {"wake_by, set up", wake_by_set_up, false, true, false},
    {"put", put, false, false, false},
    {"put apart", put_apart, false, false, false},
    {"number", number, false, false, false},
    {"type", type_more, false, false, false},
    {"clear", jl_char_clear, false, false, false},
    {"home", jl_char_home, false, false, false},
    {"cursor", cursor, false, false, false},
    {"show", hide, false, false, false},
    {"shift", shift, false, false, false},
    {"move", move, false, false, false},
    {"define", define, false, false, false},
    {"test card", test_card, false, false, false},
    {"marquee", marquee, false, false, false},
    {"buffer", through_a_buffer, false, false, false},
    {"light", light_off, false, false, true},
    {"contrast", contrast, true, false, false},
    {"icons", icons, true, false, false},
};

/* Clearing makes a controller write rightward: only who wrote leftward has to say so again. */
static void transfers_of_a_clear(void) {
    static const struct {
        uint8_t entry;
        int transfers;
    } rows[] = {{0, 1}, {JL_CHAR_LEFTWARD, 2}, {JL_CHAR_AUTOSCROLL, 1}};
    const struct jl_char_config config = {
        .wire = &jl_char_wire_i2c, .columns = 16, .rows = 2, .i2c_address = 0x3E};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_char_panel panel;
        fail_at(-1);
        EXPECT_INT(jl_char_open(&panel, &config, &port), JL_OK);
        EXPECT_INT(jl_char_wake(&panel), JL_OK);
        EXPECT_INT(jl_char_entry(&panel, rows[i].entry), JL_OK);
        fail_at(100);
        test_row("entry %d", rows[i].entry);
        EXPECT_INT(jl_char_clear(&panel), JL_OK);
        EXPECT_INT(100 - bus.left, rows[i].transfers);
    }
    fail_at(-1);
}

static void character_modules(void) {
    static const struct {
        const char *name;
        const struct jl_char_wire *wire;
        uint8_t columns, rows;
    } modules[] = {
        {"i2c", &jl_char_wire_i2c, 16, 2},
        {"st7036", &jl_char_wire_st7036, 16, 2},
        {"three rows", &jl_char_wire_st7036, 16, 3},
        {"expander", &jl_char_wire_expander, 20, 4},
    };
    int failures = 0;
    for (size_t i = 0; i < sizeof modules / sizeof modules[0]; i++) {
        const struct jl_char_config config = {.wire = modules[i].wire,
                                              .expander = &jl_char_expander_usual,
                                              .columns = modules[i].columns,
                                              .rows = modules[i].rows,
                                              .i2c_address = 0x27,
                                              .glyphs = glyphs,
                                              .glyph_count = 1};
        for (size_t k = 0; k < sizeof char_calls / sizeof char_calls[0]; k++) {
            const struct char_call *call = &char_calls[k];
            if ((call->of_st7036 && modules[i].wire != &jl_char_wire_st7036) ||
                (call->of_expander && modules[i].wire != &jl_char_wire_expander)) {
                continue;
            }
            for (int n = 0;; n++) {
                struct jl_char_panel panel;
                test_row("%s: %s, transfer %d", modules[i].name, call->name, n);
                fail_at(-1);
                EXPECT_INT(jl_char_open(&panel, &config, &port), JL_OK);
                EXPECT_INT(jl_char_wake(&panel), JL_OK);
                fail_at(n);
                jl_status status = call->run(&panel);
                if (!bus.dead) { /* it has no more transfers */
                    EXPECT_INT(status, JL_OK);
                    EXPECT(n > 0);
                    break;
                }
                failures++;
                EXPECT_INT(status, JL_BUS_ERROR);
                EXPECT_INT(bus.after, 0);
                EXPECT_INT(jl_char_status(&panel), JL_BUS_ERROR);
                EXPECT_INT(jl_char_home(&panel), JL_NOT_AWAKE);
                fail_at(-1);
                EXPECT_INT(jl_char_wake(&panel), JL_OK);
                EXPECT_INT(call->run(&panel), JL_OK);
            }
        }
    }
    EXPECT(failures > 300);
}

/* ---- panels with calls of their own ---- */

static _Alignas(4) uint8_t pixels[30 * 128];

static jl_status draw(struct jl_panel *p) {
    struct jl_frame frame;
    jl_status status = jl_panel_frame(p, &frame, pixels, sizeof pixels);
    return status == JL_OK ? jl_panel_present(p, &frame) : status;
}
static jl_status send_piece(struct jl_panel *p) {
    return jl_panel_send(p, (struct jl_rect){0, 8, 16, 8}, pixels, 64);
}
static jl_status sleep_and_resume(struct jl_panel *p) {
    jl_status status = jl_panel_sleep(p);
    return status == JL_OK ? jl_panel_resume(p) : status;
}
static jl_status t6963c_text(struct jl_panel *p) {
    return jl_t6963c_text(p, 1, 0, "ok");
}
static jl_status t6963c_define(struct jl_panel *p) {
    return jl_t6963c_define(p, 1, dots);
}
static jl_status t6963c_symbol(struct jl_panel *p) {
    return jl_t6963c_symbol(p, 0, 1, 1);
}
static jl_status t6963c_show(struct jl_panel *p) {
    return jl_t6963c_text_show(p, true);
}
static jl_status st7920_text(struct jl_panel *p) {
    return jl_st7920_text(p, 2, 1, "ok");
}
static jl_status st7920_define(struct jl_panel *p) {
    static const uint16_t rows[16] = {1, 2, 3};
    return jl_st7920_define(p, 1, rows);
}
static jl_status st7920_symbol(struct jl_panel *p) {
    return jl_st7920_symbol(p, 2, 1, 1);
}

static jl_status contrast_of_panel(struct jl_panel *p) {
    return jl_panel_contrast(p, 9);
}
static jl_status inverted(struct jl_panel *p) {
    return jl_panel_invert(p, true);
}
static jl_status turned(struct jl_panel *p) {
    jl_status status = jl_panel_turn(p, JL_TURN_180);
    return status == JL_OK ? draw(p) : status;
}
static jl_status all_on(struct jl_panel *p) {
    return jl_panel_all_on(p, true);
}
static jl_status directly(struct jl_panel *p) {
    struct jl_direct direct;
    uint8_t memory[64];
    jl_status status = jl_direct_init(&direct, p, memory, sizeof memory);
    if (status == JL_OK) {
        jl_fill_rect(&direct.target, (struct jl_rect){0, 0, 16, 16}, JL_WHITE);
        jl_fill_rect(&direct.target, (struct jl_rect){16, 8, 8, 8}, JL_BLACK);
        status = direct.status;
    }
    return status;
}
static jl_status by_bands(struct jl_panel *p) {
    struct jl_bands bands;
    uint8_t memory[300];
    jl_status status = jl_bands_begin(&bands, p, memory, sizeof memory);
    while (status == JL_OK && jl_bands_next(&bands)) {
        jl_fill_rect(&bands.frame.target, (struct jl_rect){1, 1, 9, 9}, JL_WHITE);
    }
    return status == JL_OK ? jl_bands_end(&bands) : status;
}

static jl_status rolled(struct jl_panel *p) {
    jl_status status = jl_panel_roll(p, 0, 64, 9);
    return status == JL_OK ? jl_panel_roll(p, 0, 64, 0) : status;
}
static jl_status rows_shown(struct jl_panel *p) {
    return jl_panel_show_rows(p, 2, 5);
}
static jl_status idle(struct jl_panel *p) {
    return jl_panel_idle(p, true);
}
/* A frame of fewer colours, converted while it is sent. */
static jl_status converted(struct jl_panel *p) {
    static uint8_t small[32 * 16];
    struct jl_frame frame;
    uint8_t memory[100];
    jl_status status = jl_frame_init(&frame, &jl_rgb332, 32, 16, small, sizeof small);
    return status == JL_OK ? jl_panel_present_as(p, &frame, memory, sizeof memory) : status;
}
static jl_status changes(struct jl_panel *p) {
    static uint8_t shadow[32 * 16];
    struct jl_frame frame;
    struct jl_damage damage;
    struct jl_async async;
    jl_status status = jl_panel_frame(p, &frame, pixels, sizeof pixels);
    jl_frame_track(&frame, &damage);
    status = status == JL_OK ? jl_async_init(&async, p, NULL, NULL) : status;
    status = status == JL_OK ? jl_async_present_changes(&async, &frame, shadow) : status;
    status = status == JL_OK ? jl_async_finish(&async) : status;
    jl_fill_rect(&frame.target, (struct jl_rect){3, 3, 9, 9}, JL_WHITE);
    status = status == JL_OK ? jl_async_present_changes(&async, &frame, shadow) : status;
    status = status == JL_OK ? jl_async_finish(&async) : status;
    jl_clear(&frame.target, JL_BLACK);
    return status;
}

/* What most panels can do. */
#define USUAL_CALLS                                                                                \
    {                                                                                              \
        jl_panel_wake, draw, send_piece, sleep_and_resume, contrast_of_panel, inverted, by_bands,  \
            turned                                                                                 \
    }
#define SMALL .width = 32, .height = 16

static const struct {
    const char *name;
    struct jl_panel_config config;
    jl_status (*calls[8])(struct jl_panel *panel);
} panels[] = {
    {"ssd1306",
     {.controller = &jl_ssd1306, .bus = &jl_bus_i2c, SMALL, .i2c_address = 0x3C},
     USUAL_CALLS},
    {"ssd1306, byte by byte",
     {.controller = &jl_ssd1306, .bus = &jl_bus_i2c_single, SMALL, .i2c_address = 0x3C},
     {jl_panel_wake, draw, all_on, directly}},
    {"sh1106", {.controller = &jl_sh1106, .bus = &jl_bus_spi, SMALL}, USUAL_CALLS},
    {"sh1107", {.controller = &jl_sh1107, .bus = &jl_bus_spi, SMALL}, USUAL_CALLS},
    {"uc1609", {.controller = &jl_uc1609, .bus = &jl_bus_spi, SMALL}, USUAL_CALLS},
    {"st7565", {.controller = &jl_st7565, .bus = &jl_bus_8080_8, SMALL}, USUAL_CALLS},
    {"pcd8544",
     {.controller = &jl_pcd8544, .bus = &jl_bus_spi, SMALL},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, contrast_of_panel, inverted, all_on}},
    {"ssd1325",
     {.controller = &jl_ssd1325, .bus = &jl_bus_i2c, SMALL, .i2c_address = 0x3C},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, contrast_of_panel, inverted, by_bands}},
    {"ssd1322", {.controller = &jl_ssd1322, .bus = &jl_bus_spi, SMALL}, USUAL_CALLS},
    {"ssd1331", {.controller = &jl_ssd1331, .bus = &jl_bus_spi, SMALL}, USUAL_CALLS},
    {"ssd1351", {.controller = &jl_ssd1351, .bus = &jl_bus_spi, SMALL}, USUAL_CALLS},
    {"st7789",
     {.controller = &jl_st7789, .bus = &jl_bus_spi, SMALL},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, inverted, by_bands, turned, directly}},
    {"ili9225",
     {.controller = &jl_ili9225, .bus = &jl_bus_spi, SMALL},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, inverted, by_bands, turned, directly}},
    {"ili9341 on 16 lines",
     {.controller = &jl_ili9341, .bus = &jl_bus_8080_16, SMALL, .format = &jl_rgb565_cpu},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, by_bands, directly}},
    {"t6963c",
     {.controller = &jl_t6963c, .bus = &jl_bus_t6963c, .width = 32, .height = 16},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, t6963c_text, t6963c_define, t6963c_symbol,
      t6963c_show}},
    {"t6963c's text",
     {.controller = &jl_t6963c, .bus = &jl_bus_t6963c, .width = 32, .height = 16},
     {jl_t6963c_text_clear}},
    {"st7920 on 8 lines",
     {.controller = &jl_st7920, .bus = &jl_bus_6800_8_paced, .width = 128, .height = 16},
     {jl_panel_wake, draw, send_piece, sleep_and_resume, st7920_text, st7920_define, st7920_symbol,
      jl_st7920_text_clear}},
    {"ks0108",
     {.controller = &jl_ks0108, .bus = &jl_bus_6800_8_paced, .width = 192, .height = 16},
     {jl_panel_wake, draw, send_piece, sleep_and_resume}},
    {"sed1520",
     {.controller = &jl_sed1520, .bus = &jl_bus_6800_8, .width = 122, .height = 16},
     {jl_panel_wake, draw, send_piece, sleep_and_resume}},
    {"ws0010",
     {.controller = &jl_ws0010_graphics, .bus = &jl_bus_6800_8_paced, .width = 100, .height = 16},
     {jl_panel_wake, draw, send_piece, sleep_and_resume}},
    {"ssd1306 that rolls",
     {.controller = &jl_ssd1306,
      .bus = &jl_bus_i2c,
      .width = 32,
      .height = 64,
      .i2c_address = 0x3C,
      .motion = &jl_start_line_motion},
     {rolled, changes}},
    {"st7789 that rolls",
     {.controller = &jl_st7789, .bus = &jl_bus_spi, SMALL, .motion = &jl_dcs_motion},
     {rows_shown, idle, converted}},
    {"ili9225, converted", {.controller = &jl_ili9225, .bus = &jl_bus_spi, SMALL}, {converted}},
    {"memory LCD",
     {.controller = &jl_ls013b7dh03, .bus = &jl_bus_memory_lcd, .width = 128, .height = 16},
     {jl_panel_wake, draw, jl_memory_lcd_vcom}},
};

/* Long calls fail at their first transfers, at their last, and at some between. */
static void panels_with_calls_of_their_own(void) {
    int failures = 0;
    bus.answers = 0x2B; /* of a t6963c: ready for anything */
    for (size_t i = 0; i < sizeof panels / sizeof panels[0]; i++) {
        for (int k = 0; k < 8 && panels[i].calls[k]; k++) {
            for (int n = 0;; n += n < 40 ? 1 : 37) {
                struct jl_panel panel;
                test_row("%s: call %d, transfer %d", panels[i].name, k, n);
                fail_at(-1);
                EXPECT_INT(jl_panel_open(&panel, &panels[i].config, &port), JL_OK);
                EXPECT_INT(jl_panel_wake(&panel), JL_OK);
                fail_at(n);
                jl_status status = panels[i].calls[k](&panel);
                if (!bus.dead) {
                    EXPECT_INT(status, JL_OK);
                    EXPECT(n > 0);
                    break;
                }
                failures++;
                EXPECT_INT(status, JL_BUS_ERROR);
                EXPECT_INT(bus.after, 0);
                EXPECT_INT(jl_panel_status(&panel), JL_BUS_ERROR);
                EXPECT_INT(jl_panel_sleep(&panel), JL_NOT_AWAKE);
                fail_at(-1);
                EXPECT_INT(jl_panel_wake(&panel), JL_OK);
                EXPECT_INT(panels[i].calls[k](&panel), JL_OK);
            }
        }
    }
    EXPECT(failures > 500);
}

/* ---- questions: what is read fails, too ---- */

static jl_status identify(struct jl_panel *p) {
    uint32_t id;
    return jl_panel_identify(p, &jl_ili9341_reading, &id);
}
static jl_status ask(struct jl_panel *p) {
    uint8_t said;
    return jl_panel_ask(p, &jl_ili9341_reading, &said);
}
static jl_status test_wires(struct jl_panel *p) {
    struct jl_wire_test result;
    return jl_panel_test_wires(p, &jl_ili9341_reading, &result);
}

static void questions(void) {
    static const struct {
        const char *name;
        jl_status (*ask)(struct jl_panel *panel);
        jl_status answer; /* to nothing but zeros */
    } rows[] = {{"identity", identify, JL_NO_ANSWER},
                {"state", ask, JL_NO_ANSWER},
                {"wires", test_wires, JL_NO_ANSWER}};
    static const struct jl_panel_config config = {
        .controller = &jl_ili9341, .bus = &jl_bus_spi, .width = 240, .height = 320};
    bus.answers = 0;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        for (int n = 0;; n++) {
            struct jl_panel panel;
            test_row("%s, transfer %d", rows[i].name, n);
            fail_at(-1);
            EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
            EXPECT_INT(jl_panel_wake(&panel), JL_OK);
            fail_at(n);
            jl_status status = rows[i].ask(&panel);
            if (!bus.dead) {
                EXPECT_INT(status, rows[i].answer);
                EXPECT(n > 0);
                break;
            }
            EXPECT_INT(status, JL_BUS_ERROR);
            EXPECT_INT(bus.after, 0);
            EXPECT_INT(jl_panel_sleep(&panel), JL_NOT_AWAKE);
        }
    }
}

/* ---- touch panels: a reading that fails is no touch, and the next one is as ever ---- */

static void touch_panels(void) {
    static const struct {
        const struct jl_touch_part *part;
        uint8_t address, answers; /* such that a finger is told of */
        int after;                /* the converter of resistive glass is switched off in any case */
    } rows[] = {
        {&jl_xpt2046, 0, 0x40, 1},
        {&jl_ft6x36, 0x38, 0x01, 0},
        {&jl_gt911, 0x5D, 0x81, 0},
        {&jl_cst816, 0x15, 0x01, 0},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_touch_config config = {
            .part = rows[i].part, .width = 4000, .height = 4000, .i2c_address = rows[i].address};
        for (int n = 0;; n++) {
            struct jl_touch touch;
            struct jl_touch_point points[JL_TOUCH_POINTS];
            uint8_t count = 9;
            test_row("%s, transfer %d", rows[i].part->name, n);
            bus.answers = rows[i].answers;
            fail_at(-1);
            EXPECT_INT(jl_touch_open(&touch, &config, &port), JL_OK);
            EXPECT_INT(jl_touch_wake(&touch), JL_OK);
            fail_at(n);
            jl_status status = jl_touch_read(&touch, points, JL_TOUCH_POINTS, &count);
            if (!bus.dead) {
                EXPECT_INT(status, JL_OK);
                EXPECT(n > 0);
                break;
            }
            EXPECT_INT(status, JL_BUS_ERROR);
            EXPECT_INT(count, 0);
            EXPECT(bus.after <= rows[i].after);
            fail_at(-1);
            EXPECT_INT(jl_touch_read(&touch, points, JL_TOUCH_POINTS, &count), JL_OK);
        }
    }
}

const struct test_group test_groups[] = {
    {"character_modules", character_modules},
    {"transfers_of_a_clear", transfers_of_a_clear},
    {"panels_with_calls_of_their_own", panels_with_calls_of_their_own},
    {"questions", questions},
    {"touch_panels", touch_panels},
    {NULL, NULL},
};
