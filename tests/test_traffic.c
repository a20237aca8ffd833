/*
 * Traffic of firmware that knows nothing of the part: random bytes, levels and glasses on every
 * emulated part and bus do no harm; and what a bus itself finds wrong.
 */
#include "harness.h"

#include <limits.h>
#include <stdio.h>
#include <string.h>

#include "jadelamp/sim/cells.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/rgb.h"
#include "jadelamp/sim/touch.h"
#include "raw.h"

static const struct jl_emulated_part *const parts[] = {
    &jl_emulated_ssd0303, &jl_emulated_ssd1305, &jl_emulated_ssd1306,     &jl_emulated_ssd1309,
    &jl_emulated_sh1106,  &jl_emulated_st7565,  &jl_emulated_st7567,      &jl_emulated_uc1701,
    &jl_emulated_pcd8544, &jl_emulated_st7920,  &jl_emulated_hd44780,     &jl_emulated_ssd1322,
    &jl_emulated_ssd1327, &jl_emulated_ssd1331, &jl_emulated_ssd1351,     &jl_emulated_ssd1680,
    &jl_emulated_ssd1681, &jl_emulated_uc8151,  &jl_emulated_uc8176,      &jl_emulated_uc8179,
    &jl_emulated_st7735,  &jl_emulated_st7789,  &jl_emulated_ili9341,     &jl_emulated_ili9488,
    &jl_emulated_gc9a01,  &jl_emulated_st7701,  &jl_emulated_xpt2046,     &jl_emulated_ft6x36,
    &jl_emulated_gt911,   &jl_emulated_cst816,  &jl_emulated_st7796,      &jl_emulated_ssd1315,
    &jl_emulated_ks0108,  &jl_emulated_sed1520, &jl_emulated_ls013b7dh03, &jl_emulated_ls027b7dh01,
    &jl_emulated_ili9225, &jl_emulated_ssd1325, &jl_emulated_uc1609,      &jl_emulated_sh1107,
    &jl_emulated_ili9163, &jl_emulated_gc9107,  &jl_emulated_hx8357,      &jl_emulated_t6963c,
};
enum { PARTS = sizeof parts / sizeof parts[0] };

/* Numbers that people, and mistakes, come up with. */
static int odd_number(struct test_random *random, int span) {
    static const int absurd[] = {INT_MIN, INT_MIN + 1, -4096, -1,      0,
                                 1,       4096,        4097,  INT_MAX, INT_MAX - 1};
    int kind = test_random_between(random, 0, 3);
    return kind == 0 ? absurd[test_random_between(random, 0, 9)]
                     : test_random_between(random, 0, kind == 1 ? 10 : span);
}

static struct jl_glass odd_glass(struct test_random *random) {
    struct jl_glass glass = {.width = odd_number(random, 500),
                             .height = odd_number(random, 500),
                             .column_offset = odd_number(random, 3),
                             .row_offset = odd_number(random, 3),
                             .kind = (enum jl_glass_kind)test_random_between(random, 0, 11),
                             .mirrored_x = test_random_next(random) & 1,
                             .mirrored_y = test_random_next(random) & 1,
                             .rows_other = test_random_next(random) & 1,
                             .external_supply = test_random_next(random) & 1,
                             .bgr = test_random_next(random) & 1,
                             .ips = test_random_next(random) & 1,
                             .round = test_random_next(random) & 1,
                             .light_wired = test_random_next(random) & 1};
    if (test_random_next(random) % 4 == 0) {
        glass.ram_width = odd_number(random, 300);
        glass.ram_height = odd_number(random, 300);
    }
    if (test_random_next(random) % 4 == 0) {
        glass.cell_columns = odd_number(random, 40);
        glass.cell_rows = odd_number(random, 4);
        glass.halves = test_random_next(random) & 1;
    }
    return glass;
}

/* A glass that the part can have, mostly. */
static struct jl_glass fitting_glass(const struct jl_emulated_part *part,
                                     struct test_random *random) {
    static const struct {
        const struct jl_emulated_part *part;
        int width, height;
        enum jl_glass_kind kind;
    } usual[] = {{&jl_emulated_pcd8544, 84, 48, JL_GLASS_LCD_GREY},
                 {&jl_emulated_st7920, 128, 64, JL_GLASS_LCD_BLUE},
                 {&jl_emulated_t6963c, 240, 128, JL_GLASS_LCD_BLUE},
                 {&jl_emulated_ws0010_graphics, 100, 16, JL_GLASS_YELLOW},
                 {&jl_emulated_sed1520, 122, 32, JL_GLASS_LCD_GREEN},
                 {&jl_emulated_ls013b7dh03, 128, 128, JL_GLASS_SILVER},
                 {&jl_emulated_ls027b7dh01, 400, 240, JL_GLASS_SILVER},
                 {&jl_emulated_ssd1331, 96, 64, JL_GLASS_COLOR_OLED},
                 {&jl_emulated_ssd1680, 122, 250, JL_GLASS_PAPER_RED},
                 {&jl_emulated_ssd1681, 200, 200, JL_GLASS_PAPER},
                 {&jl_emulated_uc8151, 128, 296, JL_GLASS_PAPER},
                 {&jl_emulated_uc8176, 400, 300, JL_GLASS_PAPER},
                 {&jl_emulated_uc8179, 800, 480, JL_GLASS_PAPER_RED}};
    if (part == &jl_emulated_hd44780) {
        return jl_glass_cells(test_random_between(random, 1, 40),
                              1 << test_random_between(random, 0, 1), JL_GLASS_LCD_GREEN);
    }
    struct jl_glass glass = {.width = 128, .height = 64, .kind = JL_GLASS_TFT};
    for (size_t i = 0; i < sizeof usual / sizeof usual[0]; i++) {
        if (usual[i].part == part) {
            glass.width = usual[i].width;
            glass.height = usual[i].height;
            glass.kind = usual[i].kind;
        }
    }
    return glass;
}

static void look_at(struct jl_device *device) {
    struct jl_picture picture, photo;
    if (!jl_device_picture(device, &picture)) {
        return;
    }
    EXPECT_INT(picture.width, jl_device_glass(device)->width);
    if (picture.width <= 200 && jl_glass_photo(jl_device_glass(device), &picture,
                                               jl_device_brightness(device), true, 2, &photo)) {
        jl_picture_free(&photo);
    }
    jl_picture_free(&picture);
    if (jl_device_seen(device, &picture)) {
        jl_picture_free(&picture);
    }
    (void)jl_device_why_dark(device);
}

/* Glasses that nobody can bond are refused, or harmless. */
static void absurd_glasses(void) {
    struct test_random random = {1612};
    int taken = 0, refused = 0;
    for (int p = 0; p < PARTS; p++) {
        test_row("part %d", p);
        for (int i = 0; i < test_cases(1600); i++) {
            struct jl_glass glass = odd_glass(&random);
            struct jl_board *board = jl_board_create((uint64_t)i);
            struct jl_device *device = jl_board_add_device(board, parts[p], "part", &glass);
            taken += device != NULL;
            refused += device == NULL;
            if (device) {
                look_at(device);
            }
            jl_board_destroy(board);
        }
    }
    EXPECT(taken > 100);
    EXPECT(refused > 100);
}

/* Bytes that mean something to many parts, among others. */
static uint8_t likely_byte(struct test_random *random) {
    static const uint8_t known[] = {0x00, 0x11, 0x29, 0x2A, 0x2B, 0x2C, 0x36, 0x3A, 0xAE, 0xAF,
                                    0x8D, 0x14, 0x20, 0x21, 0x22, 0x26, 0x2F, 0x5C, 0x15, 0x75,
                                    0xA0, 0xA8, 0xB0, 0xFD, 0x12, 0xFF, 0x40, 0x80, 0x10, 0x07};
    uint32_t n = test_random_next(random);
    return n & 1 ? known[n / 2 % sizeof known] : (uint8_t)(n >> 8);
}

static void play_i2c(struct jl_i2c_bus *bus, struct test_random *random) {
    static const uint8_t addresses[] = {0x78, 0x79, 0x7A, 0x4E, 0x4F, 0x70, 0xBA, 0x2A, 0x28};
    int kind = test_random_between(random, 0, 9);
    if (kind == 0) {
        jl_i2c_stop(bus);
    } else if (kind <= 3) {
        if (jl_i2c_start(bus)) {
            jl_i2c_write(bus, addresses[test_random_between(random, 0, 8)]);
        }
    } else if (kind == 4) {
        jl_i2c_read(bus, test_random_next(random) & 1);
    } else {
        jl_i2c_write(bus, likely_byte(random));
    }
}

static void play_stream(struct jl_stream_bus *bus, struct test_random *random, int lines) {
    uint8_t bytes[130];
    for (size_t i = 0; i < sizeof bytes; i++) {
        bytes[i] = likely_byte(random);
    }
    size_t count = (size_t)test_random_between(random, 0, 64);
    switch (test_random_between(random, 0, 10)) {
    case 0:
        jl_stream_read(bus, bytes, count);
        break;
    case 10: {
        uint16_t given;
        (void)jl_stream_gives(bus, count * 1000, &given);
        break;
    }
    case 1:
        if (!lines) {
            jl_stream_write_nine(bus, bytes, count, test_random_next(random) & 1);
        }
        break;
    case 2:
        jl_stream_repeat(bus, bytes, lines == 16 ? 2 : 1,
                         (uint32_t)test_random_between(random, 0, 500));
        break;
    default:
        jl_stream_write(bus, bytes, count * (lines == 16 ? 2 : 1));
        break;
    }
}

static void turn_pins(struct jl_device *device, struct test_random *random) {
    enum jl_device_pin pin = (enum jl_device_pin)test_random_between(random, 0, JL_DEVICE_D7);
    if (pin < JL_DEVICE_TE || pin > JL_DEVICE_PEN) {
        bool high = test_random_next(random) & 1;
        /* Mostly selected, and out of reset. */
        high = pin == JL_DEVICE_RESET && test_random_next(random) & 7 ? true : high;
        high = pin == JL_DEVICE_CS && test_random_next(random) & 7 ? false : high;
        jl_device_set_pin(device, pin, high);
    }
    (void)jl_device_pin(device, pin);
}

static void random_traffic(void) {
    struct test_random random = {16};
    int attached = 0, found = 0;
    for (int p = 0; p < PARTS; p++) {
        for (int wiring = 0; wiring < 6; wiring++) {
            struct jl_board *board = jl_board_create((uint64_t)(p * 10 + wiring));
            struct jl_glass glass = fitting_glass(parts[p], &random);
            struct jl_device *device = jl_board_add_device(board, parts[p], "part", &glass);
            test_row("part %d, wiring %d", p, wiring);
            if (!EXPECT(device != NULL)) {
                jl_board_destroy(board);
                continue;
            }
            struct jl_i2c_bus *i2c = jl_board_add_i2c(board, 400000, 0);
            struct jl_stream_bus *stream = wiring == 1   ? jl_board_add_spi(board, 4000000, 0, 3)
                                           : wiring == 2 ? jl_board_add_8080(board, 300, 0, 8)
                                           : wiring == 3 ? jl_board_add_8080(board, 300, 0, 16)
                                           : wiring == 4 ? jl_board_add_6800(board, 1000, 0)
                                                         : jl_board_add_spi(board, 4000000, 0, 0);
            bool on_stream = wiring > 0 && jl_stream_attach(stream, device);
            bool on_i2c = wiring == 0 && jl_i2c_attach(i2c, device, 0x3C);
            jl_device_three_wire(device, wiring == 5);
            attached += on_stream || on_i2c;
            for (int i = 0; i < test_cases(2000); i++) {
                int what = test_random_between(&random, 0, 19);
                if (what < 4) {
                    turn_pins(device, &random);
                } else if (what == 4) {
                    jl_board_wait_ps(board,
                                     (uint64_t)test_random_between(&random, 0, 200) * 1000000000u);
                } else if (what == 5 && test_random_next(&random) % 16 == 0) {
                    jl_device_set_plugged(device, test_random_next(&random) & 3);
                } else if (on_i2c) {
                    play_i2c(i2c, &random);
                } else if (on_stream) {
                    play_stream(stream, &random, wiring == 2 ? 8 : wiring == 3 ? 16 : 0);
                }
            }
            look_at(device);
            found += (int)jl_board_diagnostic_total(board);
            jl_board_destroy(board);
        }
    }
    EXPECT(attached > 60);
    EXPECT(found > 100);
}

/* ---- what a bus finds wrong ---- */

/* "S78 00 AF P": START, bytes, STOP. */
static void play_script(struct jl_i2c_bus *bus, const char *script) {
    for (const char *at = script; *at; at++) {
        if (*at == 'S') {
            jl_i2c_start(bus);
        } else if (*at == 'P') {
            jl_i2c_stop(bus);
        } else if (*at != ' ') {
            unsigned value = 0;
            for (int i = 0; i < 2; i++) {
                char c = at[i];
                value = value * 16 + (unsigned)(c <= '9' ? c - '0' : c - 'A' + 10);
            }
            jl_i2c_write(bus, (uint8_t)value);
            at++;
        }
    }
}

#define LIGHT "00 8D 14 AF"

static void addresses_on_i2c(void) {
    static const struct {
        const char *script;
        bool lit;
        const char *says;
    } rows[] = {
        {"S78 " LIGHT "P", true, ""},
        {"S79 " LIGHT "P", false,
         "bytes are sent behind the address byte 79, whose read bit is set: the part drives SDA "
         "itself; send 78\n"},
        {"SF0 P", false,
         "nobody acknowledged the byte F0: 0x78 is the 8-bit form of 0x3C, and was shifted once "
         "more; give the 7-bit address, 0x3C\n"},
        {"S3C P", false,
         "nobody acknowledged the byte 3C: it is the 7-bit address 0x3C, which goes out shifted, "
         "with the write bit: 78\n"},
        {"S7A P S40 P S20 P", false, ""}, /* asking who is there */
        {"S7A " LIGHT "P", false,
         "bytes are sent on although nobody acknowledged address 0x3D; on this bus there is "
         "0x3C\n"},
        {"S78 P " LIGHT, false, "a byte behind a STOP reaches nobody: begin with START and an"},
        {LIGHT, false, "a byte behind a STOP reaches nobody"},
        {"S78 00 8D S78 00 14 S78 00 AF P", true, ""},
        {"S78 P S78 " LIGHT "P", true, ""},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_glass glass = {.width = 128, .height = 64, .kind = JL_GLASS_WHITE};
        struct jl_board *board = jl_board_create(3);
        struct jl_i2c_bus *bus = jl_board_add_i2c(board, 400000, 0);
        struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1306, "oled", &glass);
        EXPECT(jl_i2c_attach(bus, device, 0x3C));
        test_row("%s", rows[i].script);
        play_script(bus, rows[i].script);
        jl_board_wait_ps(board, 300000000000u);
        EXPECT_INT(jl_device_why_dark(device) == NULL, rows[i].lit);
        EXPECT_CONTAINS(raw_said(board, "i2c"), rows[i].says);
        EXPECT_INT(*raw_said(board, "i2c") != '\0', *rows[i].says != '\0');
        jl_board_destroy(board);
    }
}

static void nobody_selected(void) {
    static const struct {
        const struct jl_emulated_part *part;
        int lines;
        bool high; /* CS */
        const char *bus, *says;
    } rows[] = {
        {&jl_emulated_ili9341, 0, true, "spi", "bytes pass while no part is selected: no CS is"},
        {&jl_emulated_ili9341, 0, false, "spi", ""},
        {&jl_emulated_ili9341, 8, true, "8080", "no CS is active"},
        {&jl_emulated_st7920, 0, false, "spi", "no CS is active (high selects here)"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_glass glass = {.width = 128,
                                       .height = rows[i].part == &jl_emulated_st7920 ? 64 : 200};
        struct jl_board *board = jl_board_create(3);
        struct jl_stream_bus *bus = rows[i].lines ? jl_board_add_8080(board, 300, 0, 8)
                                                  : jl_board_add_spi(board, 100000, 0, 0);
        struct jl_device *device = jl_board_add_device(board, rows[i].part, "part", &glass);
        EXPECT(device && jl_stream_attach(bus, device));
        jl_device_set_pin(device, JL_DEVICE_CS, rows[i].high);
        test_row("%s, CS %d", jl_device_part(device), rows[i].high);
        for (int k = 0; k < 5; k++) {
            jl_stream_write(bus, (const uint8_t[]){0, 0}, 2);
        }
        EXPECT_CONTAINS(raw_said(board, rows[i].bus), rows[i].says);
        EXPECT_INT(*raw_said(board, rows[i].bus) != '\0', *rows[i].says != '\0');
        jl_board_destroy(board);
    }
}

/* ---- diagnostics ---- */

static struct {
    int calls;
    uint32_t last_count;
} live;

static void take(void *context, const struct jl_diagnostic *diagnostic) {
    live.calls++;
    live.last_count = diagnostic->count;
    EXPECT(context == &live);
}

/* A flood of one thing is one entry with a count, and hides no other. */
static void repeats_fold(void) {
    struct raw raw =
        raw_open(&jl_emulated_ili9341,
                 (struct jl_glass){.width = 240, .height = 320, .kind = JL_GLASS_TFT}, 5000000);
    const struct jl_diagnostic *list;
    live.calls = 0;
    raw_play(&raw, "R ~120 C11 ~120");
    jl_board_on_diagnostic(raw.board, take, &live);
    uint64_t before = jl_stream_byte_count(raw.bus);
    for (int i = 0; i < 900; i++) { /* fewer than a D/C that is stuck takes */
        raw_play(&raw, i == 500 ? "C5F" : "CA9");
    }
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 2);
    EXPECT_INT(list[0].count, 899);
    EXPECT_INT(list[1].count, 1);
    EXPECT_INT(live.calls, 900);
    EXPECT_INT(live.last_count, 899);
    EXPECT_INT((long long)(list[0].byte - before), 0);
    EXPECT_INT((long long)(list[1].byte - before), 500);
    EXPECT(list[0].last_ps > list[0].at_ps);
    EXPECT_INT((long long)(list[1].last_ps - list[1].at_ps), 0);
    EXPECT_TEXT(list[0].part, "ili9341");
    EXPECT_TEXT(jl_code_name(list[0].code), "unknown-command");
    EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 900);
    jl_board_on_diagnostic(raw.board, NULL, NULL);
    raw_play(&raw, "CA9");
    EXPECT_INT(live.calls, 900);
    jl_board_destroy(raw.board);
}

/* Data go to a part many at a time; what it reports has the time and place of its own byte. */
static void places_within_a_transfer(void) {
    enum how { SPI, NINE, DMA, BY_8080, WORDS };
    static const struct {
        const struct jl_emulated_part *part;
        enum how how;
        const char *script;
        int index; /* of the byte, or the word, that is told */
        const char *says;
    } rows[] = {
        {&jl_emulated_sh1106, SPI, "R ~1 CAF ~150 CB00018", 4, "past the last column"},
        {&jl_emulated_sh1106, NINE, "R ~1 CAF ~150 CB00018", 4, "past the last column"},
        {&jl_emulated_sh1106, DMA, "R ~1 CAF ~150 CB00018", 4, "past the last column"},
        {&jl_emulated_sh1106, BY_8080, "R ~1 CAF ~150 CB00018", 4, "past the last column"},
        {&jl_emulated_st7565, SPI, "R ~1 CB00018", 4, "past the last column"},
        {&jl_emulated_ssd1331, SPI, "R ~1 CA072750000150001", 5, "more pixels than the window"},
        {&jl_emulated_ssd1331, WORDS, "R ~1 CA0 C72 C15 C00 C01 C75 C00 C00", 2,
         "more pixels than the window"},
        {&jl_emulated_st7789, SPI, "R ~120 C11 ~120 C3A D55 C2A D00000001 C2B D00000000 C2C", 5,
         "more pixels than the window"},
        {&jl_emulated_st7789, NINE, "R ~120 C11 ~120 C3A D55 C2A D00000001 C2B D00000000 C2C", 5,
         "more pixels than the window"},
        {&jl_emulated_st7789, WORDS,
         "R ~120 C11 ~120 C3A D55 C2A D00 D00 D00 D01 C2B D00 D00 D00 D00 C2C", 2,
         "more pixels than the window"},
    };
    static const uint8_t data[20];
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        enum how how = rows[i].how;
        struct jl_glass glass = fitting_glass(rows[i].part, NULL);
        struct raw raw = {.board = jl_board_create(1)};
        raw.bus = how == BY_8080 || how == WORDS
                      ? jl_board_add_8080(raw.board, 1000, 0, how == WORDS ? 16 : 8)
                      : jl_board_add_spi(raw.board, 4000000, 0, 0);
        raw.device = jl_board_add_device(raw.board, rows[i].part, "panel", &glass);
        test_row("%s, way %d", jl_device_part(raw.device), (int)how);
        EXPECT(jl_stream_attach(raw.bus, raw.device));
        jl_device_three_wire(raw.device, how == NINE);
        raw.nine = how == NINE;
        raw.words = how == WORDS;
        raw_play(&raw, rows[i].script);
        uint64_t start = jl_board_now_ps(raw.board), before = jl_stream_byte_count(raw.bus);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        if (how == DMA) {
            EXPECT(jl_stream_start(raw.bus, data, sizeof data));
            jl_stream_finish(raw.bus);
        } else if (how == WORDS) {
            jl_stream_write(raw.bus, data, sizeof data);
        } else {
            raw_send(&raw, true, data, sizeof data);
        }
        /* 2 us a byte at 4 MHz, 2.25 a word of nine bits; 1 us from strobe to strobe */
        static const int unit_ns[] = {2000, 2250, 2000, 1000, 1000};
        const struct jl_diagnostic *list, *told = NULL;
        size_t count = jl_board_diagnostics(raw.board, &list);
        for (size_t k = 0; k < count; k++) {
            told = strstr(list[k].text, rows[i].says) ? &list[k] : told;
        }
        EXPECT(told);
        EXPECT_INT(told ? (long long)(told->at_ps - start) / 1000 : 0,
                   rows[i].index * unit_ns[how]);
        EXPECT_INT(told ? (long long)(told->byte - before) : 0,
                   rows[i].index * (how == WORDS ? 2 : 1));
        jl_board_destroy(raw.board);
    }
}

/* Commands in one transfer are too early one by one, each at its own time. */
static void waits_within_a_transfer(void) {
    struct raw raw =
        raw_open(&jl_emulated_ili9341,
                 (struct jl_glass){.width = 240, .height = 320, .kind = JL_GLASS_TFT}, 100000);
    const struct jl_diagnostic *list;
    raw_play(&raw, "R ~120");
    uint64_t start = jl_board_now_ps(raw.board);
    raw_send(&raw, false, (const uint8_t[]){0x11, 0x29}, 2);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "29 came");
    EXPECT_CONTAINS(list[0].text, "too early after 11");
    EXPECT_INT((long long)((list[0].at_ps - start) / 1000000), 80); /* behind one byte at 100 kHz */
    jl_board_wait_ps(raw.board, 200000000000u);
    EXPECT_CONTAINS(jl_device_why_dark(raw.device), "29"); /* it was lost */
    jl_board_destroy(raw.board);
}

/* Names are for scripts: lower case and hyphens, no two alike, each with a meaning. */
static void codes_have_names(void) {
    for (int code = JL_CODE_ADDRESS_SHIFTED; code <= JL_CODE_NOT_TAKEN; code++) {
        const char *name = jl_code_name((enum jl_code)code);
        test_row("%s", name);
        EXPECT_INT((long long)strspn(name, "abcdefghijklmnopqrstuvwxyz-"), (long long)strlen(name));
        EXPECT(strlen(jl_code_meaning((enum jl_code)code)) >= 15);
        for (int other = JL_CODE_ADDRESS_SHIFTED; other < code; other++) {
            EXPECT(strcmp(name, jl_code_name((enum jl_code)other)) != 0);
        }
    }
}

/* ---- commands of others ---- */

static const struct jl_glass usual = {.width = 96, .height = 64, .kind = JL_GLASS_TFT};

static void commands_of_relatives(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script, *says;
    } rows[] = {
        {&jl_emulated_sh1106, "C20", "unknown command 20: this part has page addressing only"},
        {&jl_emulated_sh1106, "C22", "page addressing only: B0..B7, 10..1F and 00..0F"},
        {&jl_emulated_sh1106, "C8D14", "unknown command 8D: this part has no charge pump; AD 8B"},
        {&jl_emulated_sh1106, "C2F", "this part does not scroll"},
        {&jl_emulated_ssd1306, "CAD", "the converter is an sh1106's; here 8D 14"},
        {&jl_emulated_st7565, "C8D", "here 2C, 2E and 2F switch the supply on"},
        {&jl_emulated_ili9341, "R ~120 C15",
         "unknown command 15: columns are an OLED controller's"},
        {&jl_emulated_st7789, "R ~120 C5C", "here 2C begins them"},
        {&jl_emulated_st7735, "R ~120 CAF", "here 29 switches the display on and 28 off"},
        {&jl_emulated_ssd1351, "R ~1 C2A", "columns are a TFT controller's so; here 15 sets them"},
        {&jl_emulated_ssd1322, "R ~1 C29", "that switches a TFT on; here it is AF"},
        {&jl_emulated_ili9341, "R ~120 CA9", "unknown command A9"},
        {&jl_emulated_ssd1306, "CD601", "zoomed is not shown here"},
        {&jl_emulated_ssd1306, "C232F", "a picture that fades"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, usual, 4000000);
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        EXPECT_CONTAINS(raw_said(raw.board, "panel"), rows[i].says);
        jl_board_destroy(raw.board);
    }
}

#define WAKE_1306 "CAE CD580 CA83F CD300 C40 C8D14 C2000 CA1 CC8 CDA12 C81CF CD9F1 CDB40 CA4 CA6 "

/* Whose commands the unknown ones are. */
static void whose_commands(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script, *says; /* NULL: nobody's */
    } rows[] = {
        {&jl_emulated_sh1106, WAKE_1306 "C21007F C220007",
         "4 of 4 commands unknown here are known to ssd1306 or ssd1315:"},
        {&jl_emulated_ssd1306, "C33 CAD8B CEE CE0", "known to sh1106"},
        {&jl_emulated_st7565, WAKE_1306, "known to ssd1306"},
        {&jl_emulated_ssd1351, "R ~1 C11 C36 C3A C2A C2B C2C",
         "6 of 6 commands unknown here are known to"},
        {&jl_emulated_ili9341, "R ~120 CAE CB3 CCA CA2 CA1 CA0 C15 C75 C5C CAF", "ssd1351"},
        {&jl_emulated_st7789, "R ~120 CCF CED CCB CEA CF7",
         "5 of 5 commands unknown here are known to ili9341:"},
        {&jl_emulated_ssd1680, "R ~10 C00 C02 C05 C06 C07 C13", "known to uc8"},
        /* the part's own, too few, nobody's, and what is more than a sequence */
        {&jl_emulated_ssd1306, WAKE_1306, NULL},
        {&jl_emulated_sh1106, "C20 C21", NULL},
        {&jl_emulated_ili9341, "R ~120 C5F C6F C7F C8F", NULL},
        {&jl_emulated_ssd1322, "R ~1 CFD C12 CA0 C14 CB3 C91 CCA C3F", NULL}, /* arguments */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(rows[i].part, fitting_glass(rows[i].part, &(struct test_random){0}), 4000000);
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        const char *said = raw_said(raw.board, "panel");
        EXPECT_CONTAINS(said, rows[i].says ? rows[i].says : "");
        int guesses = 0;
        for (const char *at = said; (at = strstr(at, "is that the part")); at++) {
            guesses++;
        }
        EXPECT_INT(guesses, rows[i].says != NULL);
        jl_board_destroy(raw.board);
    }
}

/* A sequence whose bits come from the other end, and others that only look a little like it. */
static void bits_from_the_other_end(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script;
        bool says;
    } rows[] = {
        /* 11 29 2A 2B 2C 36 3A 13, reversed */
        {&jl_emulated_ili9341, "R ~120 C88 C94 C54 CD4 C34 C6C C5C CC8", true},
        {&jl_emulated_ili9341, "R ~120 C88 C94 C54 CD4 C34", false}, /* too few to tell */
        {&jl_emulated_ili9341, "R ~120 CA9 CAE C40 C94 C54 CD4 C34 C6C", false},
        {&jl_emulated_st7789, "R ~120 C11 ~120 C29 C2A C2B", false},
        /* FD AF A2 B1 5C A0 AD AB, reversed */
        {&jl_emulated_ssd1351, "R ~1 CBF CF5 C45 C8D C3A C05 CB5 CD5", true},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, usual, 4000000);
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        EXPECT_INT(strstr(raw_said(raw.board, "panel"), "their bits reversed") != NULL,
                   rows[i].says);
        jl_board_destroy(raw.board);
    }
}

/* ---- wiring that the program does not know ---- */

/* A wake-up by four lines behind an expander, as a program with a map sends it. */
static void wake_by_map(struct jl_i2c_bus *bus, struct jl_board *board,
                        const struct jl_cells_wiring *map) {
    static const uint8_t nibbles[] = {3, 3, 3, 2, 2, 8, 0, 8, 0, 1, 0, 6, 0, 0xC};
    for (size_t i = 0; i < sizeof nibbles; i++) {
        uint8_t byte = (uint8_t)(1 << map->light);
        for (int k = 0; k < 4; k++) {
            byte = (uint8_t)(byte | (nibbles[i] >> k & 1) << map->data[k]);
        }
        const uint8_t bytes[] = {(uint8_t)(byte | 1 << map->e), byte};
        for (int k = 0; k < 2; k++) {
            jl_i2c_start(bus);
            jl_i2c_write(bus, 0x4E);
            jl_i2c_write(bus, bytes[k]);
            jl_i2c_stop(bus);
        }
        jl_board_wait_ps(board, 5000000000u);
    }
}

static void expanders_with_another_map(void) {
    static const struct jl_cells_wiring maps[] = {{0, 1, 2, -1, 3, {4, 5, 6, 7}, false},
                                                  {4, 5, 6, -1, 7, {0, 1, 2, 3}, false},
                                                  {6, 5, 4, -1, 7, {0, 1, 2, 3}, false}};
    static const char *const names[] = {"rs P0, rw P1, e P2, light P3, d4..d7 P4..P7",
                                        "rs P4, rw P5, e P6, light P7, d4..d7 P0..P3",
                                        "rs P6, rw P5, e P4, light P7, d4..d7 P0..P3"};
    for (int wired = 0; wired < 3; wired++) {
        for (int sent = 0; sent < 3; sent++) {
            const struct jl_glass glass = jl_glass_cells(16, 2, JL_GLASS_LCD_GREEN);
            struct jl_board *board = jl_board_create(1);
            struct jl_i2c_bus *bus = jl_board_add_i2c(board, 100000, 0);
            struct jl_device *module =
                jl_board_add_device(board, &jl_emulated_hd44780, "lcd", &glass);
            struct jl_device *expander =
                jl_board_add_expander(board, "expander", module, &maps[wired]);
            test_row("wired %d, sent %d", wired, sent);
            EXPECT(jl_i2c_attach(bus, expander, 0x27));
            jl_board_wait_ps(board, 50000000000u);
            wake_by_map(bus, board, &maps[sent]);
            const char *said = raw_said(board, "expander");
            EXPECT_CONTAINS(said, wired == sent ? "" : names[sent]);
            EXPECT_INT(*said != '\0', wired != sent);
            jl_board_destroy(board);
        }
    }
}

/* At power-on an expander's outputs are all high, E among them; programs first set them all low. */
static void first_bytes_of_expanders(void) {
    static const int firsts[] = {-1, 0x00, 0x08, 0x04, 0x0C, 0x30, 0x38, 0xF0};
    static const struct jl_cells_wiring map = {0, 1, 2, -1, 3, {4, 5, 6, 7}, false};
    for (size_t i = 0; i < sizeof firsts / sizeof firsts[0]; i++) {
        const struct jl_glass glass = jl_glass_cells(16, 2, JL_GLASS_LCD_GREEN);
        struct jl_board *board = jl_board_create(1);
        struct jl_i2c_bus *bus = jl_board_add_i2c(board, 100000, 0);
        struct jl_device *module = jl_board_add_device(board, &jl_emulated_hd44780, "lcd", &glass);
        struct jl_device *expander = jl_board_add_expander(board, "expander", module, &map);
        test_row("first byte %02X", (unsigned)firsts[i]);
        EXPECT(jl_i2c_attach(bus, expander, 0x27));
        jl_board_wait_ps(board, 50000000000u);
        if (firsts[i] >= 0) {
            jl_i2c_start(bus);
            jl_i2c_write(bus, 0x4E);
            jl_i2c_write(bus, (uint8_t)firsts[i]);
            jl_i2c_stop(bus);
            jl_board_wait_ps(board, 5000000000u);
        }
        wake_by_map(bus, board, &map);
        EXPECT_TEXT(raw_said(board, "expander"), "");
        EXPECT_TEXT(raw_said(board, "lcd"), "");
        EXPECT(!jl_device_why_dark(module));
        jl_board_destroy(board);
    }
}

/* Nibbles on the pins of a character module, whose program makes one mistake. */
static void nibbles_out_of_step(void) {
    static const struct {
        const char *name, *sent; /* hexadecimal digits; a small t: RS is high from here on */
        const char *says;
    } rows[] = {
        {"right", "3332280801060Ct4142", NULL},
        {"right, lights up before the clear", "3332280C0106t41", NULL},
        {"woken again", "33322801060C3332280801060Ct41", NULL},
        {"woken again within a byte", "33322801060C03332280801060Ct41", NULL},
        {"a pulse too many", "33322800801060Ct4142", "RS changed between the two nibbles"},
        {"a pulse too few", "333228081060Ct4142", "RS changed between the two nibbles"},
        {"no knocks: 28 is 2, then half a byte", "280801060Ct4142", "3 3 3 2 were not sent"},
        {"the 2 is missing", "333", NULL},
        {"the 2 is missing, then data", "3330801060Ct4142", "2 behind 3 3 3 is missing"},
        {"low nibble first", "333282801060C0t1424", "nibbles exchanged"},
        {"text that goes to second lines", "33322801060CC08082601082C0", NULL},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_glass glass = jl_glass_cells(16, 2, JL_GLASS_LCD_GREEN);
        struct raw raw = {.board = jl_board_create(1)};
        raw.device = jl_board_add_device(raw.board, &jl_emulated_hd44780, "lcd", &glass);
        test_row("%s", rows[i].name);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
        jl_board_wait_ps(raw.board, 50000000000u);
        for (const char *at = rows[i].sent; *at; at++) {
            if (*at == 't') {
                jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
                continue;
            }
            unsigned nibble = *at > '9' ? (unsigned)(*at - 'A' + 10) : (unsigned)(*at - '0');
            for (int bit = 0; bit < 4; bit++) {
                jl_device_set_pin(raw.device, (enum jl_device_pin)(JL_DEVICE_D0 + 4 + bit),
                                  nibble >> bit & 1);
            }
            jl_board_wait_ps(raw.board, 1000000);
            jl_device_set_pin(raw.device, JL_DEVICE_E, true);
            jl_board_wait_ps(raw.board, 1000000);
            jl_device_set_pin(raw.device, JL_DEVICE_E, false);
            jl_board_wait_ps(raw.board, 5000000000u);
        }
        const char *said = raw_said(raw.board, "lcd");
        EXPECT_CONTAINS(said, rows[i].says ? rows[i].says : "");
        EXPECT_INT(*said != '\0', rows[i].says != NULL);
        jl_board_destroy(raw.board);
    }
}

/* Words of nine bits on a part for four wires, and the other way round. */
static void words_of_another_length(void) {
    static const struct {
        bool strapped_for_3, nine;
        int words;
        const char *says;
    } rows[] = {
        {false, true, 1,
         "1 of its 8 bits are lost; they came by nine, as for 3 wires, and the "
         "part is strapped for 4"},
        {false, true, 8, ""}, /* 72 bits are nine bytes, too */
        {true, true, 3, ""},
        {true, false, 1,
         "8 of its 9 bits are lost; they came by eight, as for 4 wires, and the "
         "part is strapped for 3"},
        {false, false, 3, ""},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(&jl_emulated_ili9341, (struct jl_glass){.width = 240, .height = 320}, 4000000);
        const uint8_t bytes[8] = {0x36, 0x36, 0x36, 0x36, 0x36, 0x36, 0x36, 0x36};
        test_row("%zu", i);
        jl_device_three_wire(raw.device, rows[i].strapped_for_3);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        if (rows[i].nine) {
            jl_stream_write_nine(raw.bus, bytes, (size_t)rows[i].words, false);
        } else {
            jl_stream_write(raw.bus, bytes, (size_t)rows[i].words);
        }
        jl_device_set_pin(raw.device, JL_DEVICE_CS, true);
        const char *said = raw_said(raw.board, "panel");
        EXPECT_INT(strstr(said, "CS rose") != NULL, *rows[i].says != '\0');
        EXPECT_CONTAINS(said, rows[i].says);
        jl_board_destroy(raw.board);
    }
}

static void data_before_commands(void) {
    static const struct jl_emulated_part *const all[] = {
        &jl_emulated_ssd1306, &jl_emulated_sh1106,  &jl_emulated_st7565, &jl_emulated_ssd1322,
        &jl_emulated_ssd1351, &jl_emulated_ili9341, &jl_emulated_st7735};
    for (size_t i = 0; i < sizeof all / sizeof all[0]; i++) {
        struct raw raw = raw_open(all[i], usual, 4000000);
        test_row("%s", jl_device_part(raw.device));
        raw_play(&raw, "R ~120 DA5 D00");
        EXPECT_CONTAINS(raw_said(raw.board, "panel"), "data A5 before any command: is D/C wired");
        EXPECT(strstr(raw_said(raw.board, "panel"), "data 00 before") == NULL); /* once */
        jl_board_destroy(raw.board);
        raw = raw_open(all[i], usual, 4000000);
        raw_play(&raw, "R ~120 CAE DA5");
        EXPECT(strstr(raw_said(raw.board, "panel"), "before any command") == NULL);
        jl_board_destroy(raw.board);
    }
}

/* ---- buses that a part lacks ---- */

static void buses_that_parts_lack(void) {
    static const struct {
        const struct jl_emulated_part *part;
        bool spi, bus_8080, words, bus_6800, i2c;
    } rows[] = {
        {&jl_emulated_ssd1306, true, true, false, true, true},
        {&jl_emulated_pcd8544, true, false, false, false, false},
        {&jl_emulated_st7735, true, true, true, true, false},
        {&jl_emulated_st7789, true, true, true, false, false},
        {&jl_emulated_ili9341, true, true, true, false, false},
        {&jl_emulated_ili9488, true, true, true, false, false},
        {&jl_emulated_gc9a01, true, true, true, false, false},
        {&jl_emulated_st7796, true, true, true, false, false},
        {&jl_emulated_ili9163, true, true, true, false, false},
        {&jl_emulated_gc9107, true, false, false, false, false},
        {&jl_emulated_st7920, true, false, false, true, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_glass glass = fitting_glass(rows[i].part, NULL);
        struct jl_board *board = jl_board_create(1);
        struct jl_device *device = jl_board_add_device(board, rows[i].part, "part", &glass);
        test_row("%s", jl_device_part(device));
        EXPECT_INT(jl_stream_attach(jl_board_add_spi(board, 1000000, 0, 0), device), rows[i].spi);
        EXPECT_INT(jl_stream_attach(jl_board_add_8080(board, 300, 0, 8), device), rows[i].bus_8080);
        EXPECT_INT(jl_stream_attach(jl_board_add_8080(board, 300, 0, 16), device), rows[i].words);
        EXPECT_INT(jl_stream_attach(jl_board_add_6800(board, 300, 0), device), rows[i].bus_6800);
        EXPECT_INT(jl_i2c_attach(jl_board_add_i2c(board, 100000, 0), device, 0x3C), rows[i].i2c);
        jl_board_destroy(board);
    }
}

/* Lines that are turned around, and nobody there: the pull-ups are seen. */
static void unplugged_modules_read_high(void) {
    const struct jl_glass glass = jl_glass_cells(16, 2, JL_GLASS_LCD_GREEN);
    struct jl_board *board = jl_board_create(1);
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_hd44780, "lcd", &glass);
    for (int i = 0; i < 8; i++) {
        jl_device_set_pin(device, (enum jl_device_pin)(JL_DEVICE_D0 + i), false);
    }
    jl_device_set_plugged(device, false);
    EXPECT(!jl_device_pin(device, JL_DEVICE_D7)); /* the master drives it */
    jl_device_set_pin(device, JL_DEVICE_RW, true);
    EXPECT(jl_device_pin(device, JL_DEVICE_D7));
    EXPECT(jl_device_pin(device, JL_DEVICE_D0));
    jl_board_destroy(board);
}

const struct test_group test_groups[] = {
    {"absurd_glasses", absurd_glasses},
    {"random_traffic", random_traffic},
    {"addresses_on_i2c", addresses_on_i2c},
    {"nobody_selected", nobody_selected},
    {"codes_have_names", codes_have_names},
    {"repeats_fold", repeats_fold},
    {"places_within_a_transfer", places_within_a_transfer},
    {"waits_within_a_transfer", waits_within_a_transfer},
    {"commands_of_relatives", commands_of_relatives},
    {"whose_commands", whose_commands},
    {"bits_from_the_other_end", bits_from_the_other_end},
    {"expanders_with_another_map", expanders_with_another_map},
    {"first_bytes_of_expanders", first_bytes_of_expanders},
    {"nibbles_out_of_step", nibbles_out_of_step},
    {"words_of_another_length", words_of_another_length},
    {"data_before_commands", data_before_commands},
    {"buses_that_parts_lack", buses_that_parts_lack},
    {"unplugged_modules_read_high", unplugged_modules_read_high},
    {NULL, NULL},
};
