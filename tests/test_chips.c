/*
 * Two controllers behind one glass, by raw bytes: each is selected, addressed and switched on by
 * itself; and what it looks like when their selects are mixed up.
 */
#include "harness.h"

#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"

struct lcd {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_stream_bus *bus;
    bool low;
};

static struct lcd open_lcd(const struct jl_emulated_part *part, int width, int height, bool low) {
    struct jl_glass glass = {
        .width = width, .height = height, .kind = JL_GLASS_LCD_BLUE, .rows_other = low};
    struct lcd lcd = {.board = jl_board_create(1), .low = low};
    lcd.device = jl_board_add_device(lcd.board, part, "lcd", &glass);
    lcd.bus = jl_board_add_6800(lcd.board, 1000, 0);
    EXPECT(jl_stream_attach(lcd.bus, lcd.device));
    jl_device_set_pin(lcd.device, JL_DEVICE_CS, false);
    return lcd;
}

static void choose_third(struct lcd *lcd, bool third) {
    jl_device_set_pin(lcd->device, JL_DEVICE_CHIP3, third != lcd->low);
}

static void choose(struct lcd *lcd, bool left, bool right) {
    jl_device_set_pin(lcd->device, JL_DEVICE_CHIP1, left != lcd->low);
    jl_device_set_pin(lcd->device, JL_DEVICE_CHIP2, right != lcd->low);
}

static void send(struct lcd *lcd, bool data, uint8_t byte) {
    jl_device_set_pin(lcd->device, JL_DEVICE_DC, data);
    jl_stream_write(lcd->bus, &byte, 1);
    jl_board_wait_ps(lcd->board, 14000000);
}

/* All of the glass dark, but for one byte of each half; then on. */
static void fill(struct lcd *lcd, int columns, uint8_t set_column, uint8_t on, bool exchanged) {
    for (int half = 0; half < 2; half++) {
        choose(lcd, half == exchanged, half != exchanged);
        for (int page = 0; page < 8; page++) {
            send(lcd, false, (uint8_t)(0xB8 + (page & 7)));
            send(lcd, false, set_column);
            for (int column = 0; column < columns; column++) {
                bool mark = page == 1 && column == 3;
                send(lcd, true, mark ? (half ? 0x18 : 0x81) : 0x00);
            }
        }
    }
    choose(lcd, true, true);
    send(lcd, false, on);
}

static unsigned byte_at(struct lcd *lcd, int x, int page) {
    struct jl_picture glass;
    unsigned bits = 0;
    EXPECT(jl_device_picture(lcd->device, &glass));
    for (int bit = 0; bit < 8; bit++) {
        bits |= (unsigned)(jl_picture_at(&glass, x, 8 * page + bit)[0] != 0) << bit;
    }
    jl_picture_free(&glass);
    return bits;
}

static bool told(const struct lcd *lcd, const char *text) {
    const struct jl_diagnostic *list;
    for (size_t i = jl_board_diagnostics(lcd->board, &list); i > 0; i--) {
        if (strstr(list[i - 1].text, text)) {
            return true;
        }
    }
    return false;
}

/* Where the two marks are: as they should, on low selects, and with the selects exchanged. */
static void halves_by_their_selects(void) {
    static const struct {
        const char *name;
        bool low, exchanged;
        unsigned left, right;
    } rows[] = {{"usual", false, false, 0x81, 0x18},
                {"low selects", true, false, 0x81, 0x18},
                {"exchanged", false, true, 0x18, 0x81}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct lcd lcd = open_lcd(&jl_emulated_ks0108, 128, 64, rows[i].low);
        test_row("%s", rows[i].name);
        fill(&lcd, 64, 0x40, 0x3F, rows[i].exchanged);
        EXPECT_INT(byte_at(&lcd, 3, 1), rows[i].left);
        EXPECT_INT(byte_at(&lcd, 64 + 3, 1), rows[i].right);
        EXPECT_INT(byte_at(&lcd, 4, 1), 0);
        send(&lcd, false, 0xC0 + 8); /* both start a page lower */
        EXPECT_INT(byte_at(&lcd, 3, 0), rows[i].left);
        jl_board_destroy(lcd.board);
    }
    struct lcd lcd = open_lcd(&jl_emulated_sed1520, 122, 32, false);
    send(&lcd, false, 0xA9);
    fill(&lcd, 61, 0x00, 0xAF, false);
    EXPECT_INT(byte_at(&lcd, 3, 1), 0x81);
    EXPECT_INT(byte_at(&lcd, 61 + 3, 1), 0x18);
    jl_board_destroy(lcd.board);
}

/* Three thirds, each marked and switched on by itself. */
static void three_controllers(void) {
    static const uint8_t marks[] = {0x81, 0x18, 0x42};
    struct lcd lcd = open_lcd(&jl_emulated_ks0108, 192, 64, true);
    for (int which = 0; which < 3; which++) {
        choose(&lcd, which == 0, which == 1);
        choose_third(&lcd, which == 2);
        send(&lcd, false, 0xB9);
        send(&lcd, false, 0x43);
        send(&lcd, true, marks[which]);
        send(&lcd, true, 0x00);
    }
    for (int which = 0; which < 3; which++) {
        choose(&lcd, which == 0, which == 1);
        choose_third(&lcd, which == 2);
        send(&lcd, false, 0x3F);
        EXPECT(told(&lcd, "the middle is off"));
        EXPECT(told(&lcd, "the right third is off"));
        EXPECT_INT(byte_at(&lcd, 64 * which + 3, 1), marks[which]);
        EXPECT_INT(byte_at(&lcd, 64 * which + 4, 1), 0);
    }
    EXPECT_INT(byte_at(&lcd, 3, 1), 0x81);
    jl_board_destroy(lcd.board);
    struct jl_glass wide = {.width = 193, .height = 64, .kind = JL_GLASS_LCD_BLUE};
    struct jl_board *board = jl_board_create(1);
    EXPECT(!jl_board_add_device(board, &jl_emulated_ks0108, "wide", &wide));
    wide.width = 123;
    wide.height = 32;
    EXPECT(!jl_board_add_device(board, &jl_emulated_sed1520, "wide", &wide));
    jl_board_destroy(board);
}

static void mistakes_are_told(void) {
    struct lcd lcd = open_lcd(&jl_emulated_ks0108, 128, 64, false);
    EXPECT_CONTAINS(jl_device_why_dark(lcd.device), "all controllers are off: 3F");
    choose(&lcd, true, false);
    send(&lcd, false, 0x3F);
    send(&lcd, true, 0xFF);
    EXPECT(told(&lcd, "the right half is off"));
    choose(&lcd, false, false);
    send(&lcd, false, 0x3F);
    EXPECT(told(&lcd, "no controller is selected: their lines select while they are high"));
    choose(&lcd, true, true);
    jl_device_set_pin(lcd.device, JL_DEVICE_DC, false);
    const uint8_t hasty[] = {0x40, 0xB8};
    jl_stream_write(lcd.bus, hasty, sizeof hasty);
    EXPECT(told(&lcd, "byte B8 ignored: it came 9.0 us before the controller was ready"));
    jl_board_destroy(lcd.board);

    lcd = open_lcd(&jl_emulated_sed1520, 122, 32, false);
    for (int i = 0; i < 81; i++) {
        send(&lcd, true, 0);
    }
    EXPECT(told(&lcd, "data past the last column, 79, are lost"));
    jl_board_destroy(lcd.board);
}

/* Clearing and going home take milliseconds, all else less than 40 us. */
static void how_long_a_ws0010_is_busy(void) {
    static const struct {
        bool data, is_long;
        uint8_t byte;
    } rows[] = {{false, true, 0x01},  {false, true, 0x02},  {false, true, 0x03},
                {false, false, 0x04}, {false, false, 0x07}, {false, false, 0x0C},
                {false, false, 0x38}, {false, false, 0xC5}, {true, false, 0x01}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct lcd lcd = open_lcd(&jl_emulated_ws0010_graphics, 100, 16, false);
        jl_board_wait_ps(lcd.board, 500000000000);
        send(&lcd, false, 0x38);
        jl_board_wait_ps(lcd.board, 40000000);
        send(&lcd, rows[i].data, rows[i].byte);
        jl_board_wait_ps(lcd.board, 24000000); /* 14 us passed */
        send(&lcd, false, 0x38);
        test_row("%s %02X", rows[i].data ? "data" : "command", rows[i].byte);
        EXPECT_INT(told(&lcd, "byte 38 ignored: it came"), rows[i].is_long);
        jl_board_destroy(lcd.board);
    }
}

/* The status, and the RAM behind a dummy byte. */
static void status_and_memory_are_read(void) {
    struct lcd lcd = open_lcd(&jl_emulated_ks0108, 128, 64, false);
    uint8_t bytes[3];
    choose(&lcd, false, true);
    send(&lcd, false, 0xBA);
    send(&lcd, false, 0x45);
    send(&lcd, true, 0x3C);
    send(&lcd, true, 0xC3);
    send(&lcd, false, 0x45);
    jl_device_set_pin(lcd.device, JL_DEVICE_DC, true);
    jl_stream_read(lcd.bus, bytes, 3);
    EXPECT_INT(bytes[1], 0x3C);
    EXPECT_INT(bytes[2], 0xC3);
    jl_device_set_pin(lcd.device, JL_DEVICE_DC, false);
    jl_stream_read(lcd.bus, bytes, 1);
    EXPECT_INT(bytes[0], 0x20); /* off, and ready */
    send(&lcd, false, 0x3F);
    jl_stream_read(lcd.bus, bytes, 1);
    EXPECT_INT(bytes[0], 0x00);
    jl_board_destroy(lcd.board);
}

const struct test_group test_groups[] = {
    {"halves_by_their_selects", halves_by_their_selects},
    {"three_controllers", three_controllers},
    {"mistakes_are_told", mistakes_are_told},
    {"how_long_a_ws0010_is_busy", how_long_a_ws0010_is_busy},
    {"status_and_memory_are_read", status_and_memory_are_read},
    {NULL, NULL},
};
