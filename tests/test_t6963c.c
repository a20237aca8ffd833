/*
 * t6963c: by raw bytes, as a program without our library sends them; the bytes that the driver
 * sends; its text; and what it looks like when FS is high, or nobody reads the status.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

/* ---- by hand ---- */

struct lcd {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_stream_bus *bus;
    bool hasty; /* does not read the status */
};

static struct lcd open_lcd(int width, int height, bool narrow) {
    struct jl_glass glass = {
        .width = width, .height = height, .kind = JL_GLASS_LCD_BLUE, .rows_other = narrow};
    struct lcd lcd = {.board = jl_board_create(1)};
    lcd.device = jl_board_add_device(lcd.board, &jl_emulated_t6963c, "lcd", &glass);
    lcd.bus = jl_board_add_8080(lcd.board, 500, 0, 8);
    EXPECT(jl_stream_attach(lcd.bus, lcd.device));
    jl_device_set_pin(lcd.device, JL_DEVICE_CS, false);
    return lcd;
}

/* Any of the bits tells that it is ready, for what it is ready for. */
static void send(struct lcd *lcd, bool command, uint8_t byte) {
    uint8_t status = 0;
    jl_device_set_pin(lcd->device, JL_DEVICE_DC, true);
    for (int i = 0; !lcd->hasty && !(status & 0x0F) && i < 10; i++) {
        jl_stream_read(lcd->bus, &status, 1);
    }
    jl_device_set_pin(lcd->device, JL_DEVICE_DC, command);
    jl_stream_write(lcd->bus, &byte, 1);
}

/* "1E 00 c43": arguments, and commands marked by a c. */
static void play(struct lcd *lcd, const char *script) {
    unsigned byte;
    int length;
    for (; sscanf(script, " c%2x%n", &byte, &length) == 1 ||
           sscanf(script, " %2x%n", &byte, &length) == 1;
         script += length) {
        send(lcd, strchr("c", script[strspn(script, " ")]) != NULL, (uint8_t)byte);
    }
    EXPECT_INT(script[strspn(script, " ")], 0);
}

static bool dot(struct lcd *lcd, int x, int y) {
    struct jl_picture glass;
    EXPECT(jl_device_picture(lcd->device, &glass));
    bool lit = jl_picture_at(&glass, x, y)[0] != 0;
    jl_picture_free(&glass);
    return lit;
}

/* Eight dots as a byte, the left one in bit 7. */
static unsigned dots(struct lcd *lcd, int x, int y) {
    struct jl_picture glass;
    unsigned bits = 0;
    EXPECT(jl_device_picture(lcd->device, &glass));
    for (int i = 0; i < 8; i++) {
        bits = bits << 1 | (jl_picture_at(&glass, x + i, y)[0] != 0);
    }
    jl_picture_free(&glass);
    return bits;
}

/* All of the RAM blank; graphics at 0000, text at 1000h, 16 columns. */
static struct lcd open_blank(void) {
    struct lcd lcd = open_lcd(128, 64, false);
    play(&lcd, "00 00 c42 10 00 c43 00 10 c40 10 00 c41 03 00 c22 c80 00 00 c24 cB0");
    for (int i = 0; i < 0x2000; i++) {
        send(&lcd, false, 0x00);
    }
    play(&lcd, "cB2");
    return lcd;
}

static size_t found(struct lcd *lcd, enum jl_code code) {
    const struct jl_diagnostic *list;
    size_t count = 0;
    for (size_t i = jl_board_diagnostics(lcd->board, &list); i > 0; i--) {
        count += list[i - 1].code == code;
    }
    return count;
}

static void graphics_by_hand(void) {
    static const struct {
        const char *script;
        int x, y;
        unsigned expected;
    } rows[] = {
        {"22 00 c24 A5 cC0", 16, 2, 0xA5},           /* 22h is row 2, column 2 */
        {"22 00 c24 A5 cC4 5A cC4", 16, 2, 0x5A},    /* C4 stays where it is */
        {"22 00 c24 11 cC2 22 cC2", 8, 2, 0x22},     /* C2 goes back */
        {"0F 00 c24 cB0 81 42 cB2", 0, 1, 0x42},     /* on to the next row */
        {"22 00 c24 cFF cF8 cF8", 16, 2, 0x81},      /* bits 7 and 0 */
        {"22 00 c24 FF cC4 cF0 cF7", 16, 2, 0x7E},   /* and without them */
        {"10 00 c42 22 00 c24 A5 cC0", 16, 1, 0xA5}, /* the home is a row further on */
        {"0F 00 c43 0F 00 c24 A5 cC0", 0, 1, 0xA5},  /* rows of 15 bytes */
        {"00 20 c24 3C cC0", 0, 0, 0x3C},            /* 2000h is 0000h again */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].script);
        struct lcd lcd = open_blank();
        play(&lcd, "c98");
        play(&lcd, rows[i].script);
        EXPECT_INT(dots(&lcd, rows[i].x, rows[i].y), rows[i].expected);
        jl_board_destroy(lcd.board);
    }
}

static void text_by_hand(void) {
    static const struct {
        const char *script;
        int x, y;
        unsigned expected;
    } rows[] = {
        /* an I of the ROM is 01110 on its first row, in the middle of 8 dots */
        {"00 10 c24 29 cC0 c94", 0, 0, 0x1C},
        {"11 10 c24 29 cC0 c94", 8, 8, 0x1C},
        {"00 10 c24 29 cC0 c98", 0, 0, 0x00}, /* graphics only */
        /* code 80h is at 1C00h, as 22 says 3 */
        {"00 1C c24 C3 cC0 00 10 c24 80 cC0 c94", 0, 0, 0xC3},
        /* all from RAM: code 29h is at 1948h */
        {"48 19 c24 99 cC0 00 10 c24 29 cC0 c88 c94", 0, 0, 0x99},
        /* with graphics 14h: both, one of them, both at once */
        {"00 10 c24 29 cC0 00 00 c24 54 cC0 c80 c9C", 0, 0, 0x5C},
        {"00 10 c24 29 cC0 00 00 c24 54 cC0 c81 c9C", 0, 0, 0x48},
        {"00 10 c24 29 cC0 00 00 c24 54 cC0 c83 c9C", 0, 0, 0x14},
        /* an attribute of 5 turns a cell around, 3 hides it */
        {"00 10 c24 29 cC0 00 00 c24 05 cC0 c84 c94", 0, 0, 0xE3},
        {"00 10 c24 29 cC0 00 00 c24 03 cC0 c84 c94", 0, 0, 0x00},
        /* a cursor of two lines in cell 1, 1 */
        {"01 01 c21 cA1 c96", 8, 15, 0xFF},
        {"01 01 c21 cA1 c96", 8, 14, 0xFF},
        {"01 01 c21 cA1 c96", 8, 13, 0x00},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].script);
        struct lcd lcd = open_blank();
        play(&lcd, rows[i].script);
        EXPECT_INT(dots(&lcd, rows[i].x, rows[i].y), rows[i].expected);
        jl_board_destroy(lcd.board);
    }
}

static void read_by_hand(void) {
    struct lcd lcd = open_blank();
    uint8_t byte;
    play(&lcd, "22 00 c24 A5 cC0 5A cC0 22 00 c24 cC1");
    jl_device_set_pin(lcd.device, JL_DEVICE_DC, false);
    jl_stream_read(lcd.bus, &byte, 1);
    EXPECT_INT(byte, 0xA5);
    play(&lcd, "cC3");
    jl_device_set_pin(lcd.device, JL_DEVICE_DC, false);
    jl_stream_read(lcd.bus, &byte, 1);
    EXPECT_INT(byte, 0x5A);
    play(&lcd, "22 00 c24 cB1");
    jl_device_set_pin(lcd.device, JL_DEVICE_DC, false);
    uint8_t two[2];
    jl_stream_read(lcd.bus, two, 2);
    EXPECT_INT(two[0] << 8 | two[1], 0xA55A);
    jl_board_destroy(lcd.board);
}

static void mistakes_are_told(void) {
    static const struct {
        const char *script;
        bool hasty;
        enum jl_code code;
        const char *says;
    } rows[] = {
        {"c98 00 00 c24", true, JL_CODE_BUSY, "read the status"},
        {"00 c24", false, JL_CODE_ARGUMENT_COUNT, "takes 2 bytes in front of it, and 1 came"},
        {"00 c98", false, JL_CODE_ARGUMENT_COUNT, "takes 0 bytes in front of it, and 1 came"},
        {"00 00 00 c24", false, JL_CODE_ARGUMENT_COUNT, "auto write"},
        {"00 00 c24 cB0 00 c98", false, JL_CODE_ARGUMENT_COUNT, "which B2 ends"},
        {"cD0", false, JL_CODE_UNKNOWN_COMMAND, "unknown command D0"},
        {"0C 00 c43 c98 00 00 c24 cB0 00", false, JL_CODE_GEOMETRY, "rows overlap"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_diagnostic *list;
        bool said = false;
        test_row("%s", rows[i].script);
        struct lcd lcd = open_blank();
        lcd.hasty = rows[i].hasty;
        EXPECT_INT((long long)found(&lcd, rows[i].code), 0);
        play(&lcd, rows[i].script);
        for (size_t k = jl_board_diagnostics(lcd.board, &list); k > 0; k--) {
            said |= list[k - 1].code == rows[i].code && strstr(list[k - 1].text, rows[i].says);
        }
        EXPECT(said);
        jl_board_destroy(lcd.board);
    }
    struct lcd lcd = open_blank();
    EXPECT(strstr(jl_device_why_dark(lcd.device), "never switched on") != NULL);
    play(&lcd, "c98");
    EXPECT(jl_device_why_dark(lcd.device) == NULL);
    play(&lcd, "c90");
    EXPECT(strstr(jl_device_why_dark(lcd.device), "98 (graphics)") != NULL);
    jl_device_set_pin(lcd.device, JL_DEVICE_RESET, false);
    EXPECT(strstr(jl_device_why_dark(lcd.device), "reset") != NULL);
    jl_board_destroy(lcd.board);
}

/* ---- the driver ---- */

static struct {
    char text[8000];
    bool high, never;
    int reads;
} wire;

static jl_status wire_send(void *context, const struct jl_transfer *t) {
    (void)context;
    EXPECT_INT((long long)t->body_bytes, 1);
    EXPECT(wire.never || wire.reads == 1); /* the status, since the byte before */
    wire.reads = 0;
    size_t length = strlen(wire.text);
    snprintf(wire.text + length, sizeof wire.text - length, "%s%s%02X", length ? " " : "",
             wire.high ? "c" : "", t->body[0]);
    return JL_OK;
}

static jl_status wire_receive(void *context, const struct jl_transfer *t, uint8_t *bytes,
                              size_t count) {
    (void)context;
    EXPECT(wire.high && !t->body_bytes && count == 1);
    wire.reads++;
    bytes[0] = wire.never ? 0x00 : 0x2B;
    return JL_OK;
}

static void wire_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    wire.high = pin == JL_PIN_DC ? high : wire.high;
}

static void wire_wait(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static const struct jl_port_ops wire_ops = {
    .send = wire_send, .receive = wire_receive, .set_pin = wire_pin, .wait_us = wire_wait};
static const struct jl_panel_config small = {
    .controller = &jl_t6963c, .bus = &jl_bus_t6963c, .width = 32, .height = 16};

/* Arguments, then their command; auto write around pixels. */
static void exact_bytes(void) {
    struct jl_port port = {.ops = &wire_ops};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    uint8_t memory[4 * 16];
    memset(&wire, 0, sizeof wire);
    EXPECT_INT(jl_panel_open(&panel, &small, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    char expected[2000] = "cB2 c90 c80 00 00 c42 00 10 c40 04 00 c43 04 00 c41 03 00 c22 "
                          "00 00 c24 cB0";
    for (int i = 0; i < 64; i++) {
        strcat(expected, " 00");
    }
    strcat(expected, " cB2 c98");
    EXPECT_TEXT(wire.text, expected);

    EXPECT_INT(jl_frame_init(&frame, &jl_mono_rows, 32, 16, memory, sizeof memory), JL_OK);
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
    wire.text[0] = '\0';
    jl_fill_rect(&frame.target, (struct jl_rect){9, 3, 3, 2}, JL_WHITE);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
    EXPECT_TEXT(wire.text, "0D 00 c24 cB0 70 cB2 11 00 c24 cB0 70 cB2");

    wire.text[0] = '\0';
    EXPECT_INT(jl_t6963c_text(&panel, 1, 1, "A~"), JL_OK);
    EXPECT_INT(jl_t6963c_symbol(&panel, 3, 0, 2), JL_OK);
    EXPECT_INT(jl_t6963c_define(&panel, 2, (const uint8_t[8]){1, 2, 3, 4, 5, 6, 7, 8}), JL_OK);
    EXPECT_TEXT(wire.text, "05 10 c24 cB0 21 5E cB2 03 10 c24 cB0 82 cB2 "
                           "10 1C c24 cB0 01 02 03 04 05 06 07 08 cB2");
    wire.text[0] = '\0';
    EXPECT_INT(jl_t6963c_text_clear(&panel), JL_OK);
    EXPECT_INT(jl_panel_sleep(&panel), JL_OK);
    EXPECT_INT(jl_panel_resume(&panel), JL_OK);
    EXPECT_TEXT(wire.text, "00 10 c24 cB0 00 00 00 00 00 00 00 00 cB2 c9C c90 c98");
}

static void refused(void) {
    struct jl_port port = {.ops = &wire_ops};
    struct jl_port_ops blind = wire_ops;
    struct jl_panel panel;
    struct jl_panel_config config = small;
    memset(&wire, 0, sizeof wire);
    EXPECT_INT(jl_panel_open(&panel, &small, &port), JL_OK);
    EXPECT_INT(jl_t6963c_text(&panel, 0, 0, "no"), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    wire.text[0] = '\0';
    EXPECT_INT(jl_t6963c_text(&panel, 2, 0, "abc"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_text(&panel, 0, 2, "a"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_symbol(&panel, 4, 0, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_symbol(&panel, 0, 0, 128), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_define(&panel, 128, (const uint8_t[8]){0}), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_t6963c_text(NULL, 0, 0, "a"), JL_BAD_ARGUMENT);
    EXPECT_TEXT(wire.text, "");
    wire.never = true; /* it never becomes ready */
    EXPECT_INT(jl_t6963c_text(&panel, 0, 0, "a"), JL_TIMEOUT);
    EXPECT_INT(jl_panel_wake(&panel), JL_TIMEOUT);

    blind.receive = NULL;
    port.ops = &blind;
    EXPECT_INT(jl_panel_open(&panel, &small, &port), JL_BAD_PORT);
    port.ops = &wire_ops;
    config.width = 36;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_BAD_SIZE);
    config.width = 128;
    config.controller = &jl_ks0108;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_BAD_BUS);
}

struct stage {
    struct jl_board *board;
    struct jl_sim_port sim;
    struct jl_port port;
    struct lcd lcd;
    struct jl_panel panel;
    struct jl_frame frame;
    uint8_t memory[30 * 128];
};

static const struct jl_panel_config large = {
    .controller = &jl_t6963c, .bus = &jl_bus_t6963c, .width = 240, .height = 128};

static void open_stage(struct stage *stage, bool narrow) {
    stage->lcd = open_lcd(240, 128, narrow);
    stage->board = stage->lcd.board;
    stage->sim = (struct jl_sim_port){
        .board = stage->board, .stream = stage->lcd.bus, .device = stage->lcd.device};
    stage->port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &stage->sim};
    EXPECT_INT(jl_panel_open(&stage->panel, &large, &stage->port), JL_OK);
    EXPECT_INT(
        jl_frame_init(&stage->frame, &jl_mono_rows, 240, 128, stage->memory, sizeof stage->memory),
        JL_OK);
    EXPECT_INT(jl_panel_wake(&stage->panel), JL_OK);
}

/* A byte is 6 dots, and a row of the glass takes 40 of them. */
static void narrow_font(void) {
    static struct stage stage;
    struct jl_picture seen;
    struct test_random random = {3};
    open_stage(&stage, true);
    for (size_t i = 0; i < sizeof stage.memory; i++) {
        stage.memory[i] = (uint8_t)(test_random_next(&random) >> 9);
    }
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
    EXPECT(jl_device_picture(stage.lcd.device, &seen));
    int wrong = 0;
    for (int y = 0; y < 127; y++) { /* the last row runs on into memory that is not graphics */
        for (int x = 0; x < 240; x++) {
            bool expected = stage.memory[30 * y + x / 6] >> (5 - x % 6) & 1;
            wrong += (jl_picture_at(&seen, x, y)[0] != 0) != expected;
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&seen);
    EXPECT_INT((long long)found(&stage.lcd, JL_CODE_GEOMETRY), 1);
    jl_board_destroy(stage.board);
}

/* Text over graphics; both stay when the other changes. */
static void text_over_graphics(void) {
    static struct stage stage;
    open_stage(&stage, false);
    jl_fill_rect(&stage.frame.target, (struct jl_rect){8, 0, 1, 8}, JL_WHITE);
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
    EXPECT_INT(jl_t6963c_text_clear(&stage.panel), JL_OK);
    EXPECT_INT(jl_t6963c_text(&stage.panel, 1, 0, "II"), JL_OK);
    EXPECT_INT(jl_t6963c_define(&stage.panel, 127, (const uint8_t[8]){0x81}), JL_OK);
    EXPECT_INT(jl_t6963c_symbol(&stage.panel, 29, 15, 127), JL_OK);
    EXPECT_INT(dots(&stage.lcd, 8, 0), 0x9C);
    EXPECT_INT(dots(&stage.lcd, 16, 0), 0x1C);
    EXPECT_INT(dots(&stage.lcd, 232, 120), 0x81);
    EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
    EXPECT(jl_device_why_dark(stage.lcd.device) != NULL);
    EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
    EXPECT_INT(dots(&stage.lcd, 8, 0), 0x80);
    EXPECT_INT(jl_t6963c_text_show(&stage.panel, true), JL_OK);
    EXPECT_INT(dots(&stage.lcd, 8, 0), 0x9C);
    EXPECT_INT(jl_t6963c_text_clear(&stage.panel), JL_OK);
    EXPECT_INT(dots(&stage.lcd, 8, 0), 0x80);
    EXPECT_INT(dots(&stage.lcd, 232, 120), 0x00);
    EXPECT_INT((long long)found(&stage.lcd, JL_CODE_BUSY), 0);
    jl_board_destroy(stage.board);
}

/* A transfer that was cut off leaves it in auto write; a wake-up without a reset gets it out. */
static void woken_out_of_auto_write(void) {
    static struct stage stage;
    open_stage(&stage, false);
    play(&stage.lcd, "00 00 c24 cB0 FF FF");
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    jl_draw_pixel(&stage.frame.target, 239, 127, JL_WHITE);
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
    EXPECT(dot(&stage.lcd, 239, 127));
    EXPECT_INT(dots(&stage.lcd, 0, 0), 0);
    EXPECT_INT((long long)found(&stage.lcd, JL_CODE_ARGUMENT_COUNT), 0);
    jl_board_destroy(stage.board);
}

const struct test_group test_groups[] = {
    {"graphics_by_hand", graphics_by_hand},
    {"text_by_hand", text_by_hand},
    {"read_by_hand", read_by_hand},
    {"mistakes_are_told", mistakes_are_told},
    {"exact_bytes", exact_bytes},
    {"refused", refused},
    {"narrow_font", narrow_font},
    {"text_over_graphics", text_over_graphics},
    {"woken_out_of_auto_write", woken_out_of_auto_write},
    {NULL, NULL},
};
