/*
 * The emulated colour and grey controllers by themselves, written to as any firmware might:
 * the datasheets' limits, what mistakes look like, and buses with several devices.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "notebook.h"
#include "raw.h"

static struct jl_glass glass_of(int width, int height) {
    return (struct jl_glass){.width = width, .height = height, .kind = JL_GLASS_TFT};
}

#define AWAKE     "R ~120 C11 ~120 C3A D55 C29 "
#define TINY      "C2A D00000001 C2B D00000001 C2C "
#define SSD_AWAKE "R ~1 CFD D12 CAF ~250 "

static void complaints(void) {
    static const struct {
        const char *name;
        const struct jl_emulated_part *ops;
        int width, height;
        const char *script;
        const char *text; /* of the only complaint; NULL: none */
    } rows[] = {
        /* MIPI DCS */
        {"good", &jl_emulated_ili9341, 240, 320, AWAKE TINY "*8", NULL},
        {"reset too short", &jl_emulated_ili9341, 240, 320, "r ~120 C11",
         "reset was low for 1.0 us"},
        {"command right after reset", &jl_emulated_ili9341, 240, 320, "R ~4 C29",
         "29 came 1.00 ms too early after reset and is lost"},
        {"sleep out too early", &jl_emulated_ili9341, 240, 320, "R ~100 C11",
         "11 (exit_sleep_mode) came 20.0 ms too early"},
        {"command after soft reset", &jl_emulated_ili9341, 240, 320, "R ~120 C01 ~4 C36",
         "after 01 (soft_reset) and is lost"},
        {"command after sleep out", &jl_emulated_ili9341, 240, 320, "R ~120 C11 ~4 C29",
         "after 11 (exit_sleep_mode)"},
        {"5 ms suffice an ili9341", &jl_emulated_ili9341, 240, 320, "R ~120 C11 ~5 C29", NULL},
        {"but not an st7735", &jl_emulated_st7735, 128, 160, "R ~120 C11 ~119 C29",
         "29 came 1.00 ms too early after 11"},
        {"asleep again too soon", &jl_emulated_st7789, 240, 240, "R ~120 C11 ~100 C10",
         "10 came 100.0 ms after the sleep mode changed"},
        {"memory while asleep", &jl_emulated_st7789, 240, 240, "R ~120 C3A D55 " TINY "*8",
         "memory is written while the controller sleeps"},
        {"unknown command", &jl_emulated_st7789, 240, 240, AWAKE "CA9", "unknown command A9"},
        {"no brightness on st7735", &jl_emulated_st7735, 128, 160, AWAKE "~120 C51 D80",
         "unknown command 51"},
        {"too few arguments", &jl_emulated_st7789, 240, 240, AWAKE "C2A D0000 C2C",
         "command 2A got 2 argument(s), expected 4"},
        {"pixels without 2C", &jl_emulated_st7789, 240, 240, AWAKE "C2A D000000EF *10",
         "command 2A takes 4 argument(s), more came: pixels need 2C"},
        {"resume without 3C", &jl_emulated_st7789, 240, 240, AWAKE TINY "*4 C38 *4",
         "command 38 takes 0 argument(s), more came"},
        {"resume with 3C", &jl_emulated_st7789, 240, 240, AWAKE TINY "*4 C38 C3C *4", NULL},
        {"end before start", &jl_emulated_st7789, 240, 240, AWAKE "C2A D000A0009",
         "2A (set_column_address) 10..9: the end lies before the start"},
        {"past the columns", &jl_emulated_st7789, 240, 240, AWAKE "C2A D000000F0",
         "2A (set_column_address) 0..240: the RAM ends at 239"},
        {"on its side it is longer", &jl_emulated_st7789, 240, 240, AWAKE "C36 D20 C2A D0000013F",
         NULL},
        {"on its side, rows", &jl_emulated_st7789, 240, 240, AWAKE "C36 D20 C2B D0000013F",
         "2B (set_page_address) 0..319: the RAM ends at 239"},
        {"little endian", &jl_emulated_st7789, 240, 240, AWAKE "C2A D0000EF00",
         "the RAM ends at 239"},
        {"half a pixel", &jl_emulated_st7789, 240, 240, AWAKE TINY "*3 C29",
         "the last pixel is cut: 1 byte(s)"},
        {"D/C upside down", &jl_emulated_st7789, 240, 240, "R ~120 D11 D29",
         "data 11 before any command"},
        {"16 bits on serial ili9488", &jl_emulated_ili9488, 320, 480, "R ~120 C3A D55",
         "no 16 bits a pixel on a serial bus"},
        {"no such pixels", &jl_emulated_ili9341, 240, 320, "R ~120 C3A D77",
         "3A (set_pixel_format) 77: expected 5"},
        {"scroll area too short", &jl_emulated_ili9341, 240, 320, AWAKE "C33 D000000F00000",
         "33 (set_scroll_area) 0 + 240 + 0 lines: expected a sum of 320"},
        {"scroll start outside", &jl_emulated_ili9341, 240, 320,
         AWAKE "C33 D000A006400D2 C37 D0005",
         "37 (set_scroll_start) 5: expected a line of the scroll area, 10..109"},
        {"vendor locked", &jl_emulated_gc9a01, 240, 240, "R ~120 CB6 D0020",
         "vendor command B6 without FE and EF"},
        {"no key", &jl_emulated_st7796, 320, 480, AWAKE "CB4 D01",
         "vendor command B4 without F0 C3 and F0 96"},
        {"half of a key", &jl_emulated_st7796, 320, 480, AWAKE "CF0 DC3 CB4 D01",
         "vendor command B4 without F0 C3 and F0 96"},
        {"the halves exchanged", &jl_emulated_st7796, 320, 480, AWAKE "CF0 D96 CF0 DC3 CB4 D01",
         "vendor command B4 without F0 C3 and F0 96"},
        {"both halves", &jl_emulated_st7796, 320, 480, AWAKE "CF0 DC3 CF0 D96 CB4 D01", NULL},
        {"locked again", &jl_emulated_st7796, 320, 480,
         AWAKE "CF0 DC3 CF0 D96 CF0 D3C CF0 D69 CB4 D01",
         "vendor command B4 without F0 C3 and F0 96"},
        {"vendor open", &jl_emulated_gc9a01, 240, 240, "R ~120 CFE CEF CB6 D0020", NULL},
        /* the grey and colour OLEDs */
        {"good ssd1351", &jl_emulated_ssd1351, 128, 128,
         "R ~1 CFD D12 CFD DB1 CA0 D74 CA2 D00 C15 D0001 C75 D0001 C5C *8 CAF", NULL},
        {"5C forgotten", &jl_emulated_ssd1351, 128, 128, SSD_AWAKE "C15 D0001 C75 D0001 *8",
         "pixels need 5C before them"},
        {"FD B1 forgotten", &jl_emulated_ssd1351, 128, 128, SSD_AWAKE "CA2 D00",
         "command A2 while locked has no effect: send FD B1"},
        {"locked", &jl_emulated_ssd1322, 256, 64, "R ~1 CFD D16 CAF", "send FD 12"},
        {"arguments as opcodes", &jl_emulated_ssd1322, 256, 64, SSD_AWAKE "C15 C00",
         "command 15 got 0 argument(s), expected 2"},
        {"arguments as data", &jl_emulated_ssd1331, 96, 64, "R ~1 C15 D0001",
         "data arrive while command 15 waits for 2"},
        {"one argument as data", &jl_emulated_ssd1331, 96, 64, "R ~1 C1500 D01",
         "data arrive while command 15 waits for 1"},
        {"columns in pixels", &jl_emulated_ssd1322, 256, 64, SSD_AWAKE "C15 D70EF",
         "15 (columns) 112..239: expected 0..119"},
        {"rows turned around", &jl_emulated_ssd1327, 128, 128, "R ~1 C750500",
         "75 (rows) 5..0: expected 0..127"},
        {"unknown command", &jl_emulated_ssd1331, 96, 64, "R ~1 C40", "unknown command 40"},
        {"reset too short", &jl_emulated_ssd1322, 256, 64, "r ~1 CAE", "at least 100 us"},
        {"half a pixel", &jl_emulated_ssd1331, 96, 64, "R ~1 C1500017500 C01 *3 CAE",
         "the last pixel is cut"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].ops, glass_of(rows[i].width, rows[i].height), 5000000);
        const struct jl_diagnostic *list;
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        size_t count = jl_board_diagnostics(raw.board, &list), complaints = 0;
        for (size_t d = 0; d < count; d++) {
            complaints += list[d].severity != JL_SEVERITY_NOTE;
        }
        EXPECT_INT((long long)complaints, rows[i].text != NULL);
        if (rows[i].text && count) {
            EXPECT_CONTAINS(list[0].text, rows[i].text);
        }
        jl_board_destroy(raw.board);
    }
}

/* Why a glass stays dark, said in a sentence. */
static void dark(void) {
    static const struct {
        const struct jl_emulated_part *ops;
        int width, height;
        const char *script, *why;
    } rows[] = {
        {&jl_emulated_st7789, 240, 240, "", "never left its sleep mode"},
        {&jl_emulated_st7789, 240, 240, "R ~120 C29", "never left its sleep mode"},
        {&jl_emulated_st7789, 240, 240, "R ~120 C11 ~120", "never switched on"},
        {&jl_emulated_st7789, 240, 240, AWAKE "C28", "switched off (28)"},
        {&jl_emulated_st7789, 240, 240, AWAKE "~120 C10", "sleeps: 11"},
        {&jl_emulated_st7789, 240, 240, AWAKE, NULL},
        {&jl_emulated_ssd1351, 128, 128, "", "never switched on"},
        {&jl_emulated_ssd1351, 128, 128, "R ~1 CAF ~199", "less than its light-up time"},
        {&jl_emulated_ssd1351, 128, 128, "R ~1 CAF ~201", NULL},
        {&jl_emulated_ssd1351, 128, 128, "R ~1 CAF CAE", "sleeps (AE)"},
        {&jl_emulated_ssd1331, 96, 64, "R ~1 CAF ~201", "send AD 8E"},
        {&jl_emulated_ssd1331, 96, 64, "R ~1 CAD8EAF ~201", NULL},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].ops, glass_of(rows[i].width, rows[i].height), 5000000);
        struct jl_picture picture;
        test_row("row %zu", i);
        raw_play(&raw, rows[i].script);
        const char *why = jl_device_why_dark(raw.device);
        EXPECT_INT(why == NULL, rows[i].why == NULL);
        if (why && rows[i].why) {
            EXPECT_CONTAINS(why, rows[i].why);
        }
        EXPECT(jl_device_picture(raw.device, &picture));
        int lit = 0;
        for (int at = 0; at < picture.width * picture.height * 3; at++) {
            lit += picture.rgb[at] != 0;
        }
        /* The noise of power-on shows where the display is on. */
        EXPECT_INT(lit > picture.width * picture.height, why == NULL);
        jl_picture_free(&picture);
        jl_device_set_pin(raw.device, JL_DEVICE_RESET, false);
        EXPECT_CONTAINS(jl_device_why_dark(raw.device), "reset");
        jl_board_destroy(raw.board);
    }
}

/* CS left high, or turned round: the glass is dark because no byte ever reached the part. */
static void never_selected(void) {
    static const struct {
        const struct jl_emulated_part *ops;
        int width, height;
        const char *why;
    } rows[] = {
        {&jl_emulated_st7789, 240, 240, "CS was high whenever a byte passed"},
        {&jl_emulated_st7920, 128, 64, "CS was low whenever a byte passed"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].ops, glass_of(rows[i].width, rows[i].height), 500000);
        const char *before = jl_device_why_dark(raw.device);
        test_row("row %zu", i);
        EXPECT(before && !strstr(before, "CS"));
        raw.select_high = i == 0; /* the wrong level for this part */
        raw_play(&raw, AWAKE);
        EXPECT_CONTAINS(jl_device_why_dark(raw.device), rows[i].why);
        jl_device_set_plugged(raw.device, false);
        EXPECT_CONTAINS(jl_device_why_dark(raw.device), "unplugged");
        jl_device_set_plugged(raw.device, true);
        EXPECT(strcmp(jl_device_why_dark(raw.device), before) == 0);
        raw.select_high = !raw.select_high;
        raw_play(&raw, "C00");
        EXPECT(strstr(jl_device_why_dark(raw.device), "CS") == NULL);
        jl_board_destroy(raw.board);
    }
}

static uint32_t pixel(struct raw *raw, int x, int y) {
    struct jl_picture picture;
    EXPECT(jl_device_picture(raw->device, &picture));
    const uint8_t *at = jl_picture_at(&picture, x, y);
    uint32_t color = (uint32_t)at[0] << 16 | (uint32_t)at[1] << 8 | at[2];
    jl_picture_free(&picture);
    return color;
}

/* What red becomes: the colour table of usual mistakes. */
static void colors_of_mistakes(void) {
    static const struct {
        const char *name;
        const struct jl_emulated_part *ops;
        bool ips, bgr;
        const char *script; /* its last data are the pixel (0, 0) */
        uint32_t color;
    } rows[] = {
        {"red", &jl_emulated_ili9341, false, false, AWAKE TINY "DF800", 0xFF0000},
        {"bytes swapped", &jl_emulated_ili9341, false, false, AWAKE TINY "D00F8", 0x001CC6},
        {"order of the glass", &jl_emulated_ili9341, false, true, AWAKE TINY "DF800", 0x0000FF},
        {"both orders", &jl_emulated_ili9341, false, true, AWAKE "C36 D08 " TINY "DF800", 0xFF0000},
        {"IPS without 21", &jl_emulated_st7789, true, false, AWAKE TINY "DF800", 0x00FFFF},
        {"IPS with 21", &jl_emulated_st7789, true, false, AWAKE "C21 " TINY "DF800", 0xFF0000},
        {"21 on a usual glass", &jl_emulated_st7789, false, false, AWAKE "C21 " TINY "DF800",
         0x00FFFF},
        /* F8 is 62 of 63 */
        {"5-6-5 into 6-6-6", &jl_emulated_ili9341, false, false, AWAKE "C3A D66 " TINY "DF800F8",
         0xFB00FB},
        {"3A forgotten: 6-6-6", &jl_emulated_ili9341, false, false,
         "R ~120 C11 ~120 C29 " TINY "DF800F8", 0xFB00FB},
        {"4-4-4", &jl_emulated_st7789, false, false, AWAKE "C3A D53 " TINY "DF00F0F", 0xFF0000},
        {"1-1-1", &jl_emulated_ili9488, false, false, AWAKE "C3A D11 " TINY "D20", 0xFF0000},
        /* red 17 of 31 has its top bit set, green 28 of 63 and blue 15 of 31 have not */
        {"idle", &jl_emulated_ili9341, false, false, AWAKE "C39 " TINY "D8B8F", 0xFF0000},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_glass glass = glass_of(240, 240);
        glass.ips = rows[i].ips;
        glass.bgr = rows[i].bgr;
        struct raw raw = raw_open(rows[i].ops, glass, 5000000);
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        EXPECT_INT(pixel(&raw, 0, 0), rows[i].color);
        jl_board_destroy(raw.board);
    }
}

/* ---- clocks ---- */

static void fill_all(struct raw *raw, int bytes) {
    static uint8_t shades[153600];
    memset(shades, 0x5A, sizeof shades);
    raw_send(raw, true, shades, (size_t)bytes);
}

static void too_fast_is_repeatable(void) {
    static const struct {
        const struct jl_emulated_part *ops;
        int width, height;
        uint32_t clock_hz, tolerated_hz;
        const char *text;
        int least, most; /* wrong pixels */
    } rows[] = {
        {&jl_emulated_ili9341, 240, 320, 10000000, 0, NULL, 0, 0},
        {&jl_emulated_ili9341, 240, 320, 11000000, 0,
         "SPI clock 11.00 MHz, the datasheet allows 10.00", 20, 400},
        {&jl_emulated_ili9341, 240, 320, 40000000, 0, "SPI clock 40.00 MHz", 900, 3000},
        {&jl_emulated_ili9341, 240, 320, 40000000, 40000000, "SPI clock 40.00 MHz", 0, 0},
        {&jl_emulated_gc9a01, 240, 240, 100000000, 0, NULL, 0, 0},
        {&jl_emulated_st7735, 128, 160, 30000000, 0, "the datasheet allows 15.15 MHz", 80, 400},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint32_t sums[2];
        for (int run = 0; run < 2; run++) {
            struct raw raw =
                raw_open(rows[i].ops, glass_of(rows[i].width, rows[i].height), 5000000);
            char window[80];
            const struct jl_diagnostic *list;
            struct jl_picture picture;
            test_row("row %zu", i);
            if (rows[i].tolerated_hz) {
                jl_device_tolerates(raw.device, 1000000000000u / rows[i].tolerated_hz);
            }
            snprintf(window, sizeof window, AWAKE "C2A D0000%04X C2B D0000%04X C2C",
                     (unsigned)rows[i].width - 1, (unsigned)rows[i].height - 1);
            raw_play(&raw, window);
            EXPECT(jl_stream_clock(raw.bus, rows[i].clock_hz));
            fill_all(&raw, rows[i].width * rows[i].height * 2);
            EXPECT(jl_device_picture(raw.device, &picture));
            int wrong = 0;
            sums[run] = 0;
            for (int at = 0; at < picture.width * picture.height; at++) {
                const uint8_t *rgb = picture.rgb + 3 * at;
                /* 5A5A: 11, 18, 26 of 31, 63, 31 */
                wrong += rgb[0] != 0x5A || rgb[1] != 0x49 || rgb[2] != 0xD6;
                sums[run] = sums[run] * 31 + rgb[0] + rgb[1] + rgb[2];
            }
            jl_picture_free(&picture);
            EXPECT(wrong >= rows[i].least && wrong <= rows[i].most);
            size_t count = jl_board_diagnostics(raw.board, &list);
            EXPECT_INT((long long)count, rows[i].text != NULL);
            if (count && rows[i].text) {
                EXPECT_CONTAINS(list[0].text, rows[i].text);
                EXPECT_INT(list[0].severity,
                           rows[i].tolerated_hz ? JL_SEVERITY_NOTE : JL_SEVERITY_WARNING);
            }
            jl_board_destroy(raw.board);
        }
        EXPECT(sums[0] == sums[1]);
    }
}

static void parallel_cycles(void) {
    static const struct {
        uint32_t cycle_ns;
        int lines;
        const char *text;
    } rows[] = {
        {66, 8, NULL}, {66, 16, NULL}, {50, 8, "write cycle of 50.0 ns"}, {30, 16, "66.0 ns"}};
    for (size_t i = 0; i < 4; i++) {
        struct jl_board *board = jl_board_create(1);
        struct jl_glass glass = glass_of(240, 320);
        struct jl_stream_bus *bus = jl_board_add_8080(board, rows[i].cycle_ns, 0, rows[i].lines);
        struct jl_device *device = jl_board_add_device(board, &jl_emulated_ili9341, "p", &glass);
        const struct jl_diagnostic *list;
        const uint16_t nops[8] = {0};
        test_row("row %zu", i);
        EXPECT(jl_stream_attach(bus, device));
        jl_device_set_pin(device, JL_DEVICE_RESET, false);
        jl_board_wait_ps(board, 10000000u);
        jl_device_set_pin(device, JL_DEVICE_RESET, true);
        jl_board_wait_ps(board, 5000000000u);
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_device_set_pin(device, JL_DEVICE_CS, false);
        uint64_t start = jl_board_now_ps(board);
        jl_stream_write(bus, (const uint8_t *)nops, 16);
        /* a strobe a byte, or a strobe a word */
        EXPECT_INT((long long)(jl_board_now_ps(board) - start),
                   (long long)rows[i].cycle_ns * 1000 * (rows[i].lines == 16 ? 8 : 16));
        EXPECT_INT((long long)jl_stream_byte_count(bus), 16);
        size_t count = jl_board_diagnostics(board, &list);
        EXPECT_INT(count > 0, rows[i].text != NULL);
        if (count && rows[i].text) {
            EXPECT_CONTAINS(list[0].text, rows[i].text);
        }
        jl_board_destroy(board);
    }
    struct jl_board *board = jl_board_create(1);
    EXPECT(!jl_board_add_8080(board, 0, 0, 8));
    EXPECT(!jl_board_add_8080(board, 66, 0, 12));
    EXPECT(!jl_board_add_spi(board, 8000000, 0, 1));
    struct jl_stream_bus *words = jl_board_add_8080(board, 300, 0, 16);
    struct jl_glass grey = glass_of(256, 64);
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1322, "g", &grey);
    EXPECT(!jl_stream_attach(words, device)); /* it has no 16-bit bus */
    EXPECT(!jl_stream_clock(words, 1000000));
    jl_board_destroy(board);
}

/* Nine bits a word: D/C first; what is cut short by CS is lost. */
static void three_wires(void) {
    struct raw raw = raw_open(&jl_emulated_ili9341, glass_of(240, 320), 5000000);
    const struct jl_diagnostic *list;
    jl_device_three_wire(raw.device, true);
    raw_play(&raw, "R ~120");
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    /* 0 0101 1111 is command 5F, unknown; packed with 1 0101 1111 as its data it is AF.. */
    const uint8_t packed[] = {0x2F, 0xC0}; /* 0 0101 1111, then 7 bits of padding, one set */
    jl_stream_write(raw.bus, packed, 2);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, true);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 2);
    EXPECT_CONTAINS(list[0].text, "unknown command 5F");
    EXPECT_CONTAINS(list[1].text, "CS rose in the middle of a word: 7 of its 9 bits are lost");
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    uint64_t start = jl_board_now_ps(raw.board);
    jl_stream_write_nine(raw.bus, (const uint8_t[]){0x5E}, 1, false);
    EXPECT_INT((long long)(jl_board_now_ps(raw.board) - start), 9 * 200000);
    jl_stream_write_nine(raw.bus, (const uint8_t[]){0x77, 0x78}, 2, true);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, true);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 3);
    EXPECT_CONTAINS(list[2].text, "command 5E takes 1 argument(s), more came");
    jl_board_destroy(raw.board);
}

/* Two panels on the same wires, each at its own clock; and what a shared CS does. */
static void shared_bus(void) {
    struct raw tft = raw_open(&jl_emulated_st7789, glass_of(240, 240), 15000000);
    struct raw oled = tft;
    struct jl_glass small = {.width = 96, .height = 64};
    const struct jl_diagnostic *list;
    oled.device = jl_board_add_device(oled.board, &jl_emulated_ssd1331, "oled", &small);
    EXPECT(jl_stream_attach(oled.bus, oled.device));
    raw_play(&tft, AWAKE);
    EXPECT(jl_stream_clock(tft.bus, 6000000));
    raw_play(&oled, "R ~1 CA072AD8EAF C1500017500 C01 DF800");
    EXPECT(jl_stream_clock(tft.bus, 15000000));
    raw_play(&tft, TINY "D07E0 ~150");
    EXPECT_INT((long long)jl_board_diagnostics(tft.board, &list), 0);
    EXPECT_INT(pixel(&tft, 0, 0), 0x00FF00);
    EXPECT_INT(pixel(&oled, 0, 0), 0xFF0000);
    jl_device_set_pin(oled.device, JL_DEVICE_CS, false);
    raw_play(&tft, "C00");
    EXPECT_INT((long long)jl_board_diagnostics(tft.board, &list), 2);
    EXPECT_CONTAINS(list[0].text, "takes bytes together with panel: the CS pins of both are low");
    EXPECT_CONTAINS(list[1].text, "SPI clock 15.00 MHz, the datasheet allows 6.67 MHz");
    jl_board_destroy(tft.board);
}

/* D/C or CS moved while DMA still sends: the tail goes wrong, and is reported. */
static void pins_in_flight(void) {
    for (int pin = 0; pin < 2; pin++) {
        struct raw raw = raw_open(&jl_emulated_st7789, glass_of(240, 240), 10000000);
        const struct jl_diagnostic *list;
        static uint8_t pixels[8] = {0xF8, 0, 0xF8, 0, 0xF8, 0, 0xF8, 0};
        test_row("pin %d", pin);
        raw_play(&raw, AWAKE TINY);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        EXPECT(jl_stream_start(raw.bus, pixels, 8));
        EXPECT(!jl_stream_start(raw.bus, pixels, 8));
        EXPECT(!jl_stream_clock(raw.bus, 5000000));
        EXPECT_INT((long long)jl_stream_left_ps(raw.bus), 8 * 800000);
        jl_board_wait_ps(raw.board, 5 * 800000); /* two pixels and a half */
        EXPECT(jl_stream_busy(raw.bus));
        jl_device_set_pin(raw.device, pin ? JL_DEVICE_CS : JL_DEVICE_DC, pin);
        size_t count = jl_board_diagnostics(raw.board, &list);
        EXPECT_INT((long long)count, 1);
        EXPECT_CONTAINS(list[0].text, pin ? "CS changed while" : "D/C changed while");
        jl_stream_finish(raw.bus);
        EXPECT(!jl_stream_busy(raw.bus));
        EXPECT_INT((long long)jl_stream_byte_count(raw.bus) > 8, true);
        EXPECT_INT(pixel(&raw, 1, 0), 0xFF0000);
        EXPECT(pixel(&raw, 1, 1) != 0xFF0000);
        jl_board_destroy(raw.board);
    }
}

/* RAM is noise at power-on, the same in each run; columns beyond the glass are not seen. */
static void noise_and_hidden_columns(void) {
    struct jl_glass glass = glass_of(135, 240);
    glass.column_offset = 52;
    glass.row_offset = 40;
    struct raw raw = raw_open(&jl_emulated_st7789, glass, 10000000);
    struct raw again = raw_open(&jl_emulated_st7789, glass, 10000000);
    struct jl_picture first, second;
    raw_play(&raw, AWAKE);
    raw_play(&again, AWAKE);
    EXPECT(jl_device_picture(raw.device, &first) && jl_device_picture(again.device, &second));
    EXPECT_BYTES(first.rgb, second.rgb, 135 * 240 * 3);
    int dark_pixels = 0;
    for (int i = 0; i < 135 * 240; i++) {
        dark_pixels += !first.rgb[3 * i] && !first.rgb[3 * i + 1] && !first.rgb[3 * i + 2];
    }
    EXPECT(dark_pixels < 10);
    jl_picture_free(&second);
    /* Everything left of the glass is written; nothing of it shows. */
    raw_play(&raw, "C2A D00000033 C2B D0000013F C2C *33280");
    EXPECT(jl_device_picture(raw.device, &second));
    EXPECT_BYTES(first.rgb, second.rgb, 135 * 240 * 3);
    jl_picture_free(&second);
    raw_play(&raw, "C2A D00340034 C2B D00280028 C2C DFFFF");
    EXPECT_INT(pixel(&raw, 0, 0), 0xFFFFFF);
    jl_picture_free(&first);
    jl_board_destroy(raw.board);
    jl_board_destroy(again.board);
    struct jl_board *board = jl_board_create(1);
    glass.column_offset = 106; /* one more than fits */
    EXPECT(!jl_board_add_device(board, &jl_emulated_st7789, "p", &glass));
    glass = (struct jl_glass){.width = 128, .height = 160, .ram_width = 133, .ram_height = 162};
    EXPECT(!jl_board_add_device(board, &jl_emulated_st7735, "p", &glass));
    jl_board_destroy(board);
}

/* G09 of the ssd1351: the offset after reset is 96 rows. */
static void offset_after_reset(void) {
    struct jl_glass glass = {.width = 128, .height = 128};
    struct raw raw = raw_open(&jl_emulated_ssd1351, glass, 10000000);
    raw_play(&raw, SSD_AWAKE "CA0 D64 C15 D0000 C75 D0505 C5C DFFFF");
    /* Row 5 is scanned on COM (5 - 96) mod 128 = 37, counted from the bottom: row 90. */
    EXPECT_INT(pixel(&raw, 0, 90), 0xFFFFFF);
    raw_play(&raw, "CFD DB1 CA2 D00");
    EXPECT_INT(pixel(&raw, 0, 122), 0xFFFFFF);
    jl_board_destroy(raw.board);
}

/* Any bytes in any order: no crash, no endless loop, and every picture can be taken. */
static void any_bytes(void) {
    static const struct jl_emulated_part *const parts[] = {
        &jl_emulated_st7735,  &jl_emulated_st7789,  &jl_emulated_ili9341, &jl_emulated_ili9488,
        &jl_emulated_gc9a01,  &jl_emulated_ssd1351, &jl_emulated_ssd1331, &jl_emulated_ssd1327,
        &jl_emulated_ssd1322, &jl_emulated_st7796,  &jl_emulated_ili9163, &jl_emulated_gc9107,
        &jl_emulated_hx8357,  &jl_emulated_ssd1325, &jl_emulated_ili9225};
    for (size_t i = 0; i < sizeof parts / sizeof parts[0]; i++) {
        struct raw raw = raw_open(parts[i], glass_of(80, 60), 10000000);
        struct test_random random = {(uint32_t)(77 + i)};
        struct jl_picture picture;
        test_row("part %zu", i);
        for (int burst = 0; burst < test_cases(12000); burst++) {
            uint8_t bytes[200];
            size_t count = (size_t)test_random_between(&random, 1, 200);
            for (size_t b = 0; b < count; b++) {
                bytes[b] = (uint8_t)(test_random_next(&random) >> 9);
            }
            if (burst % 40 == 0) {
                raw_play(&raw, burst % 80 ? "R ~120 C11 ~120 C29" : "R ~1 CFD D12 CFD DB1 CAF");
            }
            /* mostly few opcodes and many data */
            bool data = test_random_between(&random, 0, 3) != 0;
            raw_send(&raw, data, bytes, data ? count : 1);
            jl_board_wait_ps(raw.board, 6000000000u);
            if (burst % 100 == 99) {
                EXPECT(jl_device_picture(raw.device, &picture));
                jl_picture_free(&picture);
                EXPECT(jl_device_seen(raw.device, &picture));
                jl_picture_free(&picture);
            }
        }
        jl_board_destroy(raw.board);
    }
}

static struct notebook book;

/* A step of one byte, where an opcode has two: it goes out as it is, and nothing behind it. */
static void step_shorter_than_an_opcode(void) {
    static const struct jl_port port = {.ops = &note_ops, .context = &book};
    const uint8_t steps[] = {JL_STEP_SEND(0x07)};
    const struct jl_panel_config config = {.controller = &jl_ili9225,
                                           .bus = &jl_bus_spi,
                                           .width = 176,
                                           .height = 220,
                                           .wake_steps = steps,
                                           .wake_steps_bytes = sizeof steps};
    struct jl_panel panel;
    book = (struct notebook){.kept = 8};
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_TEXT(book.text, "C07");
}

const struct test_group test_groups[] = {
    {"complaints", complaints},
    {"dark", dark},
    {"never_selected", never_selected},
    {"colors_of_mistakes", colors_of_mistakes},
    {"too_fast_is_repeatable", too_fast_is_repeatable},
    {"parallel_cycles", parallel_cycles},
    {"three_wires", three_wires},
    {"shared_bus", shared_bus},
    {"pins_in_flight", pins_in_flight},
    {"noise_and_hidden_columns", noise_and_hidden_columns},
    {"offset_after_reset", offset_after_reset},
    {"any_bytes", any_bytes},
    {"step_shorter_than_an_opcode", step_shorter_than_an_opcode},
    {NULL, NULL},
};
