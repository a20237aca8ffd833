/* Faults of the board: what is broken is broken just so, and no more. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/catalog.h"
#include "jadelamp/host/fault.h"
#include "jadelamp/sim/cells.h"
#include "raw.h"
#include "shell.h"

/* ---- bytes: an ssd1306 on SPI, whose bytes are columns of eight pixels ---- */

#define AWAKE "R ~1 C8D C14 C20 C00 C21 C00 C7F C22 C00 C07 *1024 CAF ~200"

static struct raw oled(void) {
    struct raw raw =
        raw_open(&jl_emulated_ssd1306,
                 (struct jl_glass){.width = 128, .height = 64, .rows_other = false}, 1000000);
    jl_device_intend(raw.device, true, false); /* its directions are those of a reset */
    raw_play(&raw, AWAKE);
    return raw;
}

static int lit(struct raw *raw) {
    int x, y;
    return raw_count_color(raw->device, 0xFFFFFF, &x, &y);
}

/* With one bit in one wrong, what is sent upside down arrives. */
static void every_bit_flips(void) {
    struct raw raw = oled();
    const uint8_t upside_down[] = {0xFE, 0x00, 0x5A};
    EXPECT(jl_device_flip_bits(raw.device, 1, 7));
    raw_send(&raw, true, upside_down, 3);
    EXPECT(jl_device_flip_bits(raw.device, 0, 7));
    EXPECT_INT(lit(&raw), 1 + 8 + 4); /* 01, FF and A5 */
    raw_send(&raw, true, (const uint8_t[]){0x0F}, 1);
    EXPECT_INT(lit(&raw), 13 + 4);
    jl_board_destroy(raw.board);
}

static int flipped(uint32_t one_in, uint32_t seed, int *x, int *y) {
    struct raw raw = oled();
    jl_device_flip_bits(raw.device, one_in, seed);
    raw_play(&raw, "*1024");
    int count = raw_count_color(raw.device, 0xFFFFFF, x, y);
    jl_board_destroy(raw.board);
    return count;
}

/* 8192 bits: of one in N, on the average 8192/N; the deviation is less than the root of that. */
static void some_bits_flip(void) {
    static const struct {
        uint32_t one_in;
        int least, most;
    } rows[] = {{2, 3900, 4290}, {10, 740, 900}, {64, 95, 161}, {1000, 1, 17}, {4000000000u, 0, 0}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        int x[3] = {0}, y[3] = {0}, same = 0;
        for (uint32_t seed = 0; seed < 3; seed++) {
            test_row("one in %u, seed %u", (unsigned)rows[i].one_in, (unsigned)seed);
            int count = flipped(rows[i].one_in, seed, &x[seed], &y[seed]);
            EXPECT(count >= rows[i].least && count <= rows[i].most);
            int again_x = 0, again_y = 0;
            EXPECT_INT(flipped(rows[i].one_in, seed, &again_x, &again_y), count);
            EXPECT(again_x == x[seed] && again_y == y[seed]);
            same += seed && x[seed] == x[0] && y[seed] == y[0];
        }
        EXPECT(same < 2 || rows[i].most == 0 || rows[i].one_in == 2);
    }
}

/* The rest of a transfer is lost, and the next one is not. */
static void transfers_are_cut(void) {
    static const struct {
        uint64_t at;
        int lit; /* of three bytes FF, and of two in a transfer of their own */
    } rows[] = {{0, 16}, {1, 24}, {2, 32}, {3, 24}, {4, 32}, {5, 40}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = oled();
        test_row("cut at byte %d", (int)rows[i].at);
        EXPECT(jl_device_cut_at(raw.device, rows[i].at));
        raw_play(&raw, "+3 +2");
        EXPECT_INT(lit(&raw), rows[i].lit);
        jl_board_destroy(raw.board);
    }
}

/* ---- wires ---- */

static void lines_are_stuck(void) {
    static const struct {
        bool high;
        int lit;
    } mosi[] = {{false, 0}, {true, 16}};
    for (size_t i = 0; i < 2; i++) {
        struct raw raw = oled();
        test_row("MOSI %d", mosi[i].high);
        EXPECT(jl_device_hold_pin(raw.device, JL_DEVICE_D0, mosi[i].high));
        raw_send(&raw, true, (const uint8_t[]){0x0F, 0x81}, 2);
        EXPECT_INT(lit(&raw), mosi[i].lit);
        jl_device_release_pin(raw.device, JL_DEVICE_D0);
        raw_send(&raw, true, (const uint8_t[]){0x0F}, 1);
        EXPECT_INT(lit(&raw), mosi[i].lit + 4);
        jl_board_destroy(raw.board);
    }
    /* Of a parallel bus, one bit of each byte. */
    struct jl_board *board = jl_board_create(1);
    struct jl_glass glass = {.width = 128, .height = 64};
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1306, "panel", &glass);
    struct raw raw = {.board = board, .device = device};
    raw.bus = jl_board_add_8080(board, 500, 0, 8);
    EXPECT(jl_stream_attach(raw.bus, device));
    raw_play(&raw, AWAKE);
    EXPECT(jl_device_hold_pin(device, (enum jl_device_pin)(JL_DEVICE_D0 + 3), false));
    raw_send(&raw, true, (const uint8_t[]){0xFF, 0x08, 0x04}, 3);
    EXPECT_INT(lit(&raw), 7 + 0 + 1);
    EXPECT(jl_device_hold_pin(device, (enum jl_device_pin)(JL_DEVICE_D0 + 5), false)); /* both */
    raw_send(&raw, true, (const uint8_t[]){0xFF, 0x28}, 2);
    EXPECT_INT(lit(&raw), 7 + 0 + 1 + 6 + 0);
    EXPECT(!jl_device_hold_pin(device, JL_DEVICE_BUSY, true)); /* it has none */
    jl_board_destroy(board);
}

/* D/C at one level: the data are commands; then as it was driven to meanwhile. */
static void a_pin_is_released(void) {
    struct raw raw = oled();
    EXPECT(jl_device_hold_pin(raw.device, JL_DEVICE_DC, false));
    raw_send(&raw, true, (const uint8_t[]){0xA5}, 1); /* all pixels on */
    EXPECT_INT(lit(&raw), 128 * 64);
    EXPECT(!jl_device_pin(raw.device, JL_DEVICE_DC));
    jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
    EXPECT(!jl_device_pin(raw.device, JL_DEVICE_DC));
    jl_device_release_pin(raw.device, JL_DEVICE_DC);
    EXPECT(jl_device_pin(raw.device, JL_DEVICE_DC));
    raw_play(&raw, "CA4");
    EXPECT_INT(lit(&raw), 0);
    jl_board_destroy(raw.board);
}

/* ---- the supply, and the clock ---- */

/* Registers go and the picture stays: switched on as after a reset, it is there again. */
static void a_brown_out_keeps_the_picture(void) {
    struct raw raw = oled();
    raw_play(&raw, "+7");
    jl_board_brown_out_at(raw.board, jl_board_now_ps(raw.board) + 5000000000u);
    raw_play(&raw, "~4");
    EXPECT(!jl_device_why_dark(raw.device));
    raw_play(&raw, "~2");
    EXPECT(jl_device_why_dark(raw.device) != NULL);
    raw_play(&raw, "C8D C14 CAF ~200");
    EXPECT_INT(lit(&raw), 56);
    jl_board_brown_out_at(raw.board, 0); /* past: now */
    EXPECT(jl_device_why_dark(raw.device) != NULL);
    EXPECT_TEXT(raw_said(raw.board, "panel"), "");
    jl_board_destroy(raw.board);
}

/* In the middle of a transfer: what comes after it goes where a reset has left the addresses. */
static void a_brown_out_in_flight(void) {
    static uint8_t ones[1024];
    struct raw raw = oled();
    memset(ones, 0xFF, sizeof ones);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
    EXPECT(jl_stream_start(raw.bus, ones, sizeof ones));
    jl_board_brown_out_at(raw.board, jl_board_now_ps(raw.board) + 512 * (uint64_t)8000000);
    jl_stream_finish(raw.bus);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, true);
    raw_play(&raw, "~1 C8D C14 CAF ~200");
    EXPECT_INT(lit(&raw), 512 * 8); /* the rest in page 0 once more */
    jl_board_destroy(raw.board);
}

/* ---- whole panels, as their drivers meet them ---- */

static void drivers_notice(void) {
    static const struct {
        const char *card, *faults[3];
        jl_status wake, present;
        const char *why; /* it is dark, in part; NULL: it is lit */
    } rows[] = {
        {"ssd1306-128x64-i2c", {"unplugged"}, JL_NO_ANSWER, JL_NOT_AWAKE, "unplugged"},
        {"ssd1306-128x64-i2c", {"nack-at=40"}, JL_NO_ANSWER, JL_NOT_AWAKE, "switched on"},
        {"ssd1306-128x64-i2c", {"sda-low"}, JL_TIMEOUT, JL_NOT_AWAKE, "switched on"},
        {"ssd1306-128x64-i2c", {"brown-out-at=30"}, JL_OK, JL_NO_ANSWER, "switched on"},
        {"ssd1306-128x64-i2c", {"cut-at=0"}, JL_OK, JL_OK, NULL},
        {"ssd1306-128x64-i2c", {"cut-at=2"}, JL_OK, JL_OK, NULL},
        {"ssd1306-128x64-i2c", {"slow=4", "nack-at=1200"}, JL_OK, JL_NO_ANSWER, NULL},
        {"st7789-240x240-spi", {"mosi-low"}, JL_OK, JL_OK, "sleep"},
        {"st7789-240x240-spi", {"dc-high"}, JL_OK, JL_OK, "D/C high"},
        {"st7789-240x240-spi", {"cs-high"}, JL_OK, JL_OK, "CS was high"},
        {"st7789-240x240-spi", {"reset-low"}, JL_OK, JL_OK, "reset"},
        {"st7789-240x240-spi", {"brown-out-at=400"}, JL_OK, JL_OK, "sleep"},
        {"ili9341-240x320-8080", {"d4-low"}, JL_OK, JL_OK, "sleep"}, /* 11 becomes 01 */
        {"ssd1680-122x250-spi", {"busy-high"}, JL_TIMEOUT, JL_NOT_AWAKE, ""},
        {"uc8151-128x296-spi", {"busy-low"}, JL_TIMEOUT, JL_NOT_AWAKE, ""},
        {"hd44780-16x2-expander", {"nack-at=30"}, JL_NO_ANSWER, JL_NOT_AWAKE, ""},
        {"hd44780-16x2-expander", {"e-low"}, JL_OK, JL_OK, NULL}, /* a row of blocks */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        static struct jl_rig rig;
        static struct jl_card card;
        struct jl_complaint complaint = {""};
        struct jl_fault faults[3];
        size_t count = 0;
        test_row("%s %s", rows[i].card, rows[i].faults[0]);
        EXPECT(jl_card_find(rows[i].card, &card, &complaint));
        EXPECT_TEXT(complaint.text, "");
        EXPECT(jl_rig_open(&rig, &card, &complaint));
        for (; count < 3 && rows[i].faults[count]; count++) {
            EXPECT(jl_fault_read(rows[i].faults[count], &faults[count], &complaint));
        }
        EXPECT(jl_fault_inject(faults, count, &rig, UINT64_MAX, &complaint));
        EXPECT_TEXT(complaint.text, "");
        EXPECT_INT(jl_rig_wake(&rig), rows[i].wake);
        if (card.cells.bus) {
            jl_char_put(&rig.cells, 0, 0, "tide 1.51");
            EXPECT_INT(jl_char_present(&rig.cells), rows[i].present);
        } else {
            jl_fill_rect(jl_rig_frame(&rig) ? &rig.frame.target : NULL,
                         (struct jl_rect){0, 0, 50, 50}, JL_RGB(255, 255, 255));
            EXPECT_INT(jl_rig_present(&rig), rows[i].present);
        }
        jl_board_wait_ps(rig.board, 300000000000u);
        const char *why = jl_device_why_dark(rig.device);
        EXPECT(!why == !rows[i].why);
        EXPECT_CONTAINS(why ? why : "", rows[i].why ? rows[i].why : "");
        jl_rig_close(&rig);
    }
}

/* The text stays behind a display that is off, and all outputs of the expander go high. */
static void a_module_keeps_its_text(void) {
    static struct jl_rig rig;
    static struct jl_card card;
    struct jl_complaint complaint = {""};
    char text[100];
    EXPECT(jl_card_find("hd44780-16x2-expander", &card, &complaint));
    EXPECT(jl_rig_open(&rig, &card, &complaint));
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    jl_char_put(&rig.cells, 0, 0, "tide 1.51");
    EXPECT_INT(jl_char_present(&rig.cells), JL_OK);
    EXPECT(jl_cells_text(rig.device, text, sizeof text) > 0);
    EXPECT_CONTAINS(text, "|tide 1.51 ");
    jl_board_brown_out_at(rig.board, 0);
    for (int pin = JL_DEVICE_E; pin <= JL_DEVICE_RW; pin += JL_DEVICE_RW - JL_DEVICE_E) {
        EXPECT(jl_device_pin(rig.device, (enum jl_device_pin)pin));
    }
    EXPECT(jl_cells_text(rig.device, text, sizeof text) > 0);
    EXPECT_CONTAINS(text, "hidden"); /* in the memory */
    EXPECT_CONTAINS(text, "tide 1.51");
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    jl_char_put(&rig.cells, 0, 1, "high 14:10");
    EXPECT_INT(jl_char_present(&rig.cells), JL_OK);
    EXPECT(jl_cells_text(rig.device, text, sizeof text) > 0);
    EXPECT_CONTAINS(text, "high 14:10");
    jl_rig_close(&rig);
}

/* Wire time is so many times what it was, to the picosecond. */
static void a_slow_clock(void) {
    struct raw raw = oled();
    uint64_t before = jl_board_now_ps(raw.board);
    raw_play(&raw, "*100");
    uint64_t usual = jl_board_now_ps(raw.board) - before;
    EXPECT_INT((long long)usual, 800000000);
    EXPECT(jl_stream_slow_down(raw.bus, 1000) && jl_stream_slow_down(raw.bus, 7));
    EXPECT(!jl_stream_slow_down(raw.bus, 0) && !jl_stream_slow_down(raw.bus, 1001));
    before = jl_board_now_ps(raw.board);
    raw_play(&raw, "*100");
    EXPECT_INT((long long)(jl_board_now_ps(raw.board) - before), (long long)(7 * usual));
    EXPECT(jl_stream_clock(raw.bus, 2000000)); /* of a master's own, and still slow */
    before = jl_board_now_ps(raw.board);
    raw_play(&raw, "*100");
    EXPECT_INT((long long)(jl_board_now_ps(raw.board) - before), (long long)(7 * usual / 2));
    jl_board_destroy(raw.board);
}

/* ---- as they are typed ---- */

static void what_can_be_typed(void) {
    static const struct {
        const char *text;
        bool good;
        enum jl_fault_kind kind;
        uint64_t number;
        uint32_t seed;
        int pin;
    } rows[] = {
        {"unplugged", true, JL_FAULT_UNPLUGGED, 0, 1, 0},
        {"nack-at=0", true, JL_FAULT_NACK_AT, 0, 1, 0},
        {"cut-at=12", true, JL_FAULT_CUT_AT, 12, 1, 0},
        {"flip=1000", true, JL_FAULT_FLIP, 1000, 1, 0},
        {"flip=4294967295,4294967295", true, JL_FAULT_FLIP, 4294967295u, 4294967295u, 0},
        {"slow=1000", true, JL_FAULT_SLOW, 1000, 1, 0},
        {"brown-out-at=1.5", true, JL_FAULT_BROWN_OUT_AT, 1500000000, 1, 0},
        {"d7-high", true, JL_FAULT_PIN, 0, 1, JL_DEVICE_D7},
        {"rs-low", true, JL_FAULT_PIN, 0, 1, JL_DEVICE_DC},
        {"", false, 0, 0, 0, 0},
        {"flip=0", false, 0, 0, 0, 0},
        {"flip=4294967296", false, 0, 0, 0, 0},
        {"flip=5,", false, 0, 0, 0, 0},
        {"flip=5,6,7", false, 0, 0, 0, 0},
        {"slow=0", false, 0, 0, 0, 0},
        {"slow=1001", false, 0, 0, 0, 0},
        {"cut-at=-1", false, 0, 0, 0, 0},
        {"cut-at=99999999999999999999", false, 0, 0, 0, 0},
        {"cut-at=5x", false, 0, 0, 0, 0},
        {"brown-out-at=", false, 0, 0, 0, 0},
        {"brown-out-at=nan", false, 0, 0, 0, 0},
        {"brown-out-at=-1", false, 0, 0, 0, 0},
        {"brown-out-at=1e10", false, 0, 0, 0, 0},
        {"brown-out-at=5x", false, 0, 0, 0, 0},
        {"nack-at", false, 0, 0, 0, 0},
        {"nack-at=x", false, 0, 0, 0, 0},
        {"flip=5,4294967296", false, 0, 0, 0, 0},
        {"flip=5,x", false, 0, 0, 0, 0},
        {"d/-high", false, 0, 0, 0, 0},
        {"x1-high", false, 0, 0, 0, 0},
        {"d8-high", false, 0, 0, 0, 0},
        {"busy", false, 0, 0, 0, 0},
        {"busy-middle", false, 0, 0, 0, 0},
        {"-low", false, 0, 0, 0, 0},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_fault fault;
        struct jl_complaint complaint = {""};
        test_row("%s", rows[i].text);
        EXPECT(jl_fault_read(rows[i].text, &fault, &complaint) == rows[i].good);
        EXPECT_CONTAINS(complaint.text, rows[i].good ? "" : "expected unplugged");
        if (rows[i].good) {
            EXPECT_INT(fault.kind, rows[i].kind);
            EXPECT_INT((long long)fault.number, (long long)rows[i].number);
            EXPECT_INT(fault.seed, rows[i].seed);
            EXPECT_INT(fault.pin, rows[i].pin);
        }
    }
}

static void by_the_command(void) {
    static const struct {
        const char *arguments;
        int status;
        const char *says;
    } rows[] = {
        {"light st7789-240x240-spi --fault nack-at=1", 2, "try cut-at"},
        {"light st7789-240x240-spi --fault busy-high", 2, "no such wire"},
        {"light hd44780-16x2-4bit --fault flip=9", 2, "no bus of bytes"},
        {"light hd44780-16x2-4bit --fault cut-at=9", 2, "nothing to cut"},
        {"light hd44780-16x2-4bit --fault slow=9", 2, "no clock"},
        {"light ssd1306-128x64-i2c --fault slow=1000", 2, "no clock"}, /* 400 Hz */
        {"light st7789-240x240-spi --fault sda-low", 2, "there is no SDA"},
        {"light rgb-480x272 --no-wires --fault slow=9", 2, "no clock"},
        {"light ssd1306-128x64-i2c --no-wires --fault unplugged", 1, "no answer"},
        {"light ssd1306-128x64-i2c --fault flip=2 --fault nack-at=30", 1, "no answer"},
        {"light ssd1306-128x64-i2c --fault slow=2 --fault slow=2 --fault slow=2 --fault slow=2 "
         "--fault slow=2 --fault slow=2 --fault slow=2 --fault slow=2 --fault slow=2",
         2, "8 of them at most"},
        {"light ssd1306-128x64-i2c", 0, "lit"},
        {"replay ssd1306-128x64-i2c.vcd --card ssd1306-128x64-i2c --into a", 0, "lit"},
        {"replay ssd1306-128x64-i2c.vcd --card ssd1306-128x64-i2c --into a --fault slow=2", 2,
         "no meaning in a replay"},
        {"replay ssd1306-128x64-i2c.vcd --card ssd1306-128x64-i2c --into a --fault sda-low", 2,
         "no meaning in a replay"},
        {"replay ssd1306-128x64-i2c.vcd --card ssd1306-128x64-i2c --into a --fault brown-out-at=49",
         1, "dark: the display was never switched on"},
        {"replay ssd1306-128x64-i2c.vcd --card ssd1306-128x64-i2c --into a "
         "--fault brown-out-at=9999",
         0, "lit"},
        {"replay ssd1306-128x64-i2c.vcd --card ssd1306-128x64-i2c --into a --fault flip=8", 1,
         "error"},
        {"demo --into d --fault brown-out-at=30", 1, "no answer"},
        {"demo --into d --fault busy-low", 2, "no such wire"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        test_row("%s", rows[i].arguments);
        snprintf(line, sizeof line, JADELAMP " %s", rows[i].arguments);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"every_bit_flips", every_bit_flips},
    {"some_bits_flip", some_bits_flip},
    {"transfers_are_cut", transfers_are_cut},
    {"lines_are_stuck", lines_are_stuck},
    {"a_pin_is_released", a_pin_is_released},
    {"a_brown_out_keeps_the_picture", a_brown_out_keeps_the_picture},
    {"a_brown_out_in_flight", a_brown_out_in_flight},
    {"drivers_notice", drivers_notice},
    {"a_module_keeps_its_text", a_module_keeps_its_text},
    {"a_slow_clock", a_slow_clock},
    {"what_can_be_typed", what_can_be_typed},
    {"by_the_command", by_the_command},
    {NULL, NULL},
};
