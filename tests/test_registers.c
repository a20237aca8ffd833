/* What registers do on the glass and to reads, on parts that any firmware may drive. */
#include <stdio.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/cells.h"
#include "jadelamp/sim/emulators.h"
#include "raw.h"

static const struct jl_glass usual = {.width = 96, .height = 64, .kind = JL_GLASS_TFT};

static void dark_glasses(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script, *why;
    } rows[] = {
        {&jl_emulated_ili9341, "R ~120 D11 D29 D2C *200", "every byte came with D/C high"},
        {&jl_emulated_ssd1306, "D8D14AF", "every byte came with D/C high"},
        {&jl_emulated_ili9341, "R ~120 C10 ~130", "sleep"},
        {&jl_emulated_ssd1322, "R ~1 CFD D12 CA6 CAF ~300 CA4",
         "switched off (A4): A6 shows the RAM"},
        {&jl_emulated_ssd1351, "R ~1 CFD D12 CFD DB1 CA6 CAF ~300 CA4",
         "switched off (A4): A6 shows the RAM"},
        {&jl_emulated_ssd1327, "R ~1 CFD12AF ~300 CA6", "switched off (A6): A4 shows the RAM"},
        {&jl_emulated_ssd1331, "R ~1 CAD8EAF ~300 CA6", "switched off (A6): A4 shows the RAM"},
        {&jl_emulated_ssd1331, "R ~1 CAD8EAF ~300 CA6A4", NULL},
        {&jl_emulated_ssd1351, "R ~1 CFD D12 CFD DB1 CA6 CAF ~300 CA4 CA6", NULL},
        {&jl_emulated_ili9488, "R ~120 C11 ~120 C29 C22", "all pixels are switched off (22): 13"},
        {&jl_emulated_ili9488, "R ~120 C11 ~120 C29 C22 C13", NULL},
        {&jl_emulated_ili9488, "R ~120 C11 ~120 C29 C23", NULL},
        {&jl_emulated_ili9341, "R ~120 C11 ~120 C29 C22", NULL}, /* it has no such command */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, usual, 4000000);
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        const char *why = jl_device_why_dark(raw.device);
        EXPECT_INT(why != NULL, rows[i].why != NULL);
        if (why && rows[i].why) {
            EXPECT_CONTAINS(why, rows[i].why);
        }
        jl_board_destroy(raw.board);
    }
    struct raw all = raw_open(&jl_emulated_ili9488, usual, 4000000);
    int at_x = 0, at_y = 0;
    raw_play(&all, "R ~120 C11 ~120 C29 C23");
    EXPECT_INT(raw_count_color(all.device, 0xFFFFFF, &at_x, &at_y), 96 * 64);
    jl_board_destroy(all.board);
    all = raw_open(&jl_emulated_ili9341, usual, 4000000);
    raw_play(&all, "R ~120 C11 ~120 C29 C23");
    EXPECT_CONTAINS(raw_said(all.board, "panel"), "unknown command 23");
    jl_board_destroy(all.board);
    /* All of it with D/C low: a wake-up sequence is short, a picture is not. */
    struct raw raw = raw_open(&jl_emulated_ssd1306, usual, 4000000);
    static uint8_t picture[1024];
    raw_send(&raw, false, picture, 900);
    EXPECT_CONTAINS(jl_device_why_dark(raw.device), "never switched on");
    raw_send(&raw, false, picture, 101);
    EXPECT_CONTAINS(jl_device_why_dark(raw.device), "every byte came with D/C low");
    jl_board_destroy(raw.board);
}

static void pixel_formats(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script; /* then two bytes F8 00 and more of them as one pixel */
        const char *pixel;
        uint32_t seen;
    } rows[] = {
        {&jl_emulated_st7789, "C3A D55", "DF800", 0xFF0000},
        {&jl_emulated_st7789, "C3A D55 CB0 D00E0", "DF800", 0xFF0000},
        {&jl_emulated_st7789, "C3A D55 CB0 D00E8", "D00F8", 0xFF0000},
        {&jl_emulated_ili9341, "C3A D55 CF6 D010020", "D1F00", 0x0000FF},
        {&jl_emulated_ili9341, "C3A D55 CF6 D010000", "D001F", 0x0000FF},
        {&jl_emulated_ili9341, "C3A D55 C3A D53", "DF800", 0xFF0000}, /* no 12 bits: it stays */
        {&jl_emulated_st7789, "C3A D53", "DF00000", 0xFF0000},
    };
    /* Three bytes of six bits each on an ssd1331. */
    struct raw oled =
        raw_open(&jl_emulated_ssd1331, (struct jl_glass){.width = 96, .height = 64}, 4000000);
    int at_x = 0, at_y = 0;
    raw_play(&oled, "R ~1 CA0B2 CAD8E CAF ~150 C25 C00005F3F C1503037505053F D3F2000");
    EXPECT_INT(raw_count_color(oled.device, 0xFF8200, &at_x, &at_y), 1);
    jl_board_destroy(oled.board);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(rows[i].part, (struct jl_glass){.width = 240, .height = 240}, 4000000);
        struct jl_picture glass;
        char script[200];
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, "R ~120 C11 ~120");
        raw_play(&raw, rows[i].script);
        snprintf(script, sizeof script, "C36 D%s C2A D000000EF C2B D000000EF C2C %s C29",
                 rows[i].part == &jl_emulated_ili9341 ? "40" : "00", rows[i].pixel);
        raw_play(&raw, script);
        EXPECT(jl_device_picture(raw.device, &glass));
        int found = 0;
        for (int p = 0; p < 240 * 240; p++) {
            const uint8_t *at = glass.rgb + 3 * p;
            found += ((uint32_t)at[0] << 16 | (uint32_t)at[1] << 8 | at[2]) == rows[i].seen &&
                     (p % 240 == 0 || p % 240 == 239) && (p / 240 == 0 || p / 240 == 239);
        }
        EXPECT(found > 0); /* in one of the corners */
        jl_picture_free(&glass);
        jl_board_destroy(raw.board);
    }
}

/* Status and RAM on parallel buses: a dummy byte first, then what was written, and no complaint. */
static void parallel_reads(void) {
    static const struct {
        const struct jl_emulated_part *part;
        bool enable; /* 6800 */
        const char *script;
        uint8_t status_off, status_on;
    } rows[] = {
        {&jl_emulated_ssd1306, false, "CAE CB2 C00 C10 D11223344 CB2 C00 C10", 0x40, 0x00},
        {&jl_emulated_ssd1306, true, "CAE CB2 C00 C10 D11223344 CB2 C00 C10", 0x40, 0x00},
        {&jl_emulated_sh1106, false, "CAE CB2 C00 C10 D11223344 CB2 C00 C10", 0x40, 0x00},
        {&jl_emulated_st7565, false, "CAE CA0 CC8 CB2 C00 C10 D11223344 CB2 C00 C10", 0x60, 0x40},
        {&jl_emulated_uc1701, true, "CAE CA1 CB2 C00 C10 D11223344 CB2 C00 C10", 0x20, 0x00},
    };
    static const uint8_t written[] = {0x11, 0x22, 0x33, 0x44};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = {.board = jl_board_create(3)};
        uint8_t bytes[5];
        raw.bus = rows[i].enable ? jl_board_add_6800(raw.board, 1000, 0)
                                 : jl_board_add_8080(raw.board, 1000, 0, 8);
        raw.device = jl_board_add_device(raw.board, rows[i].part, "panel", &usual);
        EXPECT(jl_stream_attach(raw.bus, raw.device));
        test_row("%s%s", jl_device_part(raw.device), rows[i].enable ? ", 6800" : "");
        raw_play(&raw, "R ~6");
        raw_play(&raw, rows[i].script);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
        jl_stream_read(raw.bus, bytes, 1);
        EXPECT_INT(bytes[0], rows[i].status_off);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
        jl_stream_read(raw.bus, bytes, 5);
        EXPECT_BYTES(bytes + 1, written, 4);
        raw_play(&raw, "CAF");
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
        jl_stream_read(raw.bus, bytes, 1);
        EXPECT_INT(bytes[0], rows[i].status_on);
        EXPECT_TEXT(raw_said(raw.board, "panel"), "");
        jl_board_destroy(raw.board);
    }
    /* Read, change, write: between E0 and EE the column counts with writes only. */
    struct raw raw = {.board = jl_board_create(3)};
    uint8_t bytes[2];
    raw.bus = jl_board_add_8080(raw.board, 1000, 0, 8);
    raw.device = jl_board_add_device(raw.board, &jl_emulated_st7565, "panel", &usual);
    EXPECT(jl_stream_attach(raw.bus, raw.device));
    raw_play(&raw, "R ~6 CB0 C03 C10 DF0 C03 C10 CE0");
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
    jl_stream_read(raw.bus, bytes, 2);
    EXPECT_INT(bytes[1], 0xF0);
    raw_play(&raw, "DFF CEE");
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
    jl_stream_read(raw.bus, bytes, 2);
    EXPECT_INT(bytes[1], 0xFF);
    jl_board_destroy(raw.board);
    /* SPI cannot be read. */
    raw = raw_open(&jl_emulated_ssd1306, usual, 1000000);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    jl_stream_read(raw.bus, bytes, 1);
    EXPECT_INT(bytes[0], 0xFF);
    jl_board_destroy(raw.board);
}

/* A module that was woken for one line says blocks above, as its glass shows, and hides its text.
 */
static void one_line_on_glass_of_two(void) {
    const struct jl_glass glass = jl_glass_cells(8, 2, JL_GLASS_LCD_GREEN);
    struct jl_board *board = jl_board_create(1);
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_hd44780, "lcd", &glass);
    static const uint8_t bytes[] = {0x30, 0x0C, 0x01, 0x80};
    char text[200];
    jl_board_wait_ps(board, 50000000000u);
    for (size_t i = 0; i < sizeof bytes + 1; i++) {
        jl_device_set_pin(device, JL_DEVICE_DC, i == sizeof bytes);
        for (int bit = 0; bit < 8; bit++) {
            uint8_t byte = i < sizeof bytes ? bytes[i] : 'A';
            jl_device_set_pin(device, (enum jl_device_pin)(JL_DEVICE_D0 + bit), byte >> bit & 1);
        }
        jl_board_wait_ps(board, 1000000);
        jl_device_set_pin(device, JL_DEVICE_E, true);
        jl_board_wait_ps(board, 1000000);
        jl_device_set_pin(device, JL_DEVICE_E, false);
        jl_board_wait_ps(board, 5000000000u);
    }
    jl_cells_text(device, text, sizeof text);
    EXPECT_CONTAINS(text, "|\u2588\u2588\u2588\u2588\u2588\u2588\u2588\u2588|\n|        |\n");
    EXPECT_CONTAINS(text, "hidden 00..4F |A");
    struct jl_picture picture;
    EXPECT(jl_device_picture(device, &picture));
    EXPECT_INT(jl_picture_at(&picture, 3, 3)[0], 255);
    EXPECT_INT(jl_picture_at(&picture, 3, 12)[0], 0);
    jl_picture_free(&picture);
    jl_board_destroy(board);
}

/* An ssd1331 draws by itself: counted by colour. The RAM is black before: 25 clears it. */
static void drawing_commands(void) {
    static const struct {
        const char *script;
        uint32_t color;
        int count;
    } rows[] = {
        /* outline green (C 0, B 63, A 0) of 11 x 11, nothing inside */
        {"C22 C0A05140F C003F00 C3F0000", 0x00FF00, 40},
        {"C22 C0A05140F C003F00 C3F0000", 0xFF0000, 0},
        {"C2601 C22 C0A05140F C003F00 C3F0000", 0xFF0000, 81},
        {"C21 C0000093F C00003F", 0x0000FF, 64}, /* steep: a pixel a row */
        {"C21 C5F3F5F3F C3F3F3F", 0xFFFFFF, 1},
        {"C21 C3F0A000A C3F3F3F", 0xFFFFFF, 64}, /* from the right to the left */
        {"C2601 C22 C00000909 C3F3F3F C3F3F3F C23 C000009091414", 0xFFFFFF, 200},
        {"C2601 C22 C00000909 C3F3F3F C3F3F3F C23 C000009095736", 0xFFFFFF,
         190}, /* up to column 96 */
        {"C2611 C22 C00000909 C3F3F3F C3F3F3F C23 C000009091414", 0xFFFFFF, 100},
        {"C2601 C22 C00000909 C3F3F3F C3F3F3F C24 C00000904", 0xFFFFFF, 50},
        {"C2601 C22 C00000909 C3F3F3F C3F3F3F C25 C00000904", 0xFFFFFF, 50},
        {"C22 C0A051404 C003F00 C3F0000", 0x00FF00, 0}, /* an end before the start */
        {"C22 C0A056040 C003F00 C3F0000", 0x00FF00, 0}, /* past the glass */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(&jl_emulated_ssd1331, (struct jl_glass){.width = 96, .height = 64}, 4000000);
        int x = 0, y = 0;
        test_row("%s", rows[i].script);
        raw_play(&raw, "R ~1 CA072 CAD8E CAF ~150 C25 C00005F3F ~1");
        raw_play(&raw, rows[i].script);
        EXPECT_INT(raw_count_color(raw.device, rows[i].color, &x, &y), rows[i].count);
        EXPECT_INT(*raw_said(raw.board, "panel") != '\0', i >= sizeof rows / sizeof rows[0] - 2);
        jl_board_destroy(raw.board);
    }
}

/* 53: bit 5 gives the light to 51, and bit 2 turns it on (datasheets of the st7789, ili9341). */
static void light_control(void) {
    static const struct {
        const char *script;
        int brightness;
    } rows[] = {{"C51 D80", 255},
                {"C51 D80 C53 D24", 0x80},
                {"C51 D80 C53 D20", 0},
                {"C51 D80 C53 D04", 255}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(&jl_emulated_st7789,
                     (struct jl_glass){.width = 240, .height = 320, .kind = JL_GLASS_TFT}, 8000000);
        raw_play(&raw, "R ~120 C11 ~120 C29 ~50");
        raw_play(&raw, rows[i].script);
        test_row("%s", rows[i].script);
        EXPECT_INT(jl_device_brightness(raw.device), rows[i].brightness);
        jl_board_destroy(raw.board);
    }
}

static void dimmed_panels(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script;
        int brightness;
    } rows[] = {
        {&jl_emulated_ssd1305, "R ~1 C8190 CAF ~150", 0x90},
        {&jl_emulated_ssd1305, "R ~1 C8190 CAB002000 CAC ~150", 0x20},
        {&jl_emulated_ssd1305, "R ~1 C8190 CAB002000 CAC ~150 CAF", 0x90},
        {&jl_emulated_ssd1331, "R ~1 C8190 CAD8E CAF ~150", 0x90},
        {&jl_emulated_ssd1331, "R ~1 C8190 CAD8E CAB0030303010 CAC ~150", 0x30},
        {&jl_emulated_ssd1351, "R ~1 CFD D12 CFD DB1 CA6 CAF ~250 CC1 DC8C8C8 CC7 D0F", 200},
        {&jl_emulated_ssd1351, "R ~1 CFD D12 CFD DB1 CA6 CAF ~250 CC1 DC8C8C8 CC7 D07", 100},
        {&jl_emulated_ssd1351, "R ~1 CFD D12 CFD DB1 CA6 CAF ~250 CC1 DC8C8C8 CC7 D00",
         12}, /* 1/16 */
        {&jl_emulated_ssd1322, "R ~1 CFD D12 CA6 CAF ~250 CC1 DC8 CC7 D0F", 200},
        {&jl_emulated_ssd1322, "R ~1 CFD D12 CA6 CAF ~250 CC1 DC8 CC7 D03", 50},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, usual, 4000000);
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        EXPECT_TEXT(jl_device_why_dark(raw.device) ? jl_device_why_dark(raw.device) : "", "");
        EXPECT_INT(jl_device_brightness(raw.device), rows[i].brightness);
        jl_board_destroy(raw.board);
    }
}

/* What lies beyond the multiplex ratio is not driven: not a row more, not a row less. */
static void rows_that_are_driven(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *script;
        int rows;
    } rows[] = {
        {&jl_emulated_ssd1327, "R ~1 CA83F CA5 CAF ~250", 64},
        {&jl_emulated_ssd1327, "R ~1 CA81F CA5 CAF ~250", 32},
        {&jl_emulated_ssd1331, "R ~1 CAD8E CA81F CA5 CAF ~150", 32},
        {&jl_emulated_ssd1351, "R ~1 CFD D12 CCA D1F CA5 CAF ~250", 32},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_glass glass = {.width = 96, .height = 64};
        struct raw raw = raw_open(rows[i].part, glass, 4000000);
        struct jl_picture seen;
        int lit = 0;
        raw_play(&raw, rows[i].script);
        EXPECT(jl_device_picture(raw.device, &seen));
        for (int y = 0; y < 64; y++) {
            lit += jl_picture_at(&seen, 5, y)[0] > 128;
        }
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        EXPECT_INT(lit, rows[i].rows);
        jl_picture_free(&seen);
        jl_board_destroy(raw.board);
    }
}

/* In the middle of a transfer a part that is reset stops answering. */
static void a_reset_within_a_transfer(void) {
    const struct jl_glass glass = {.width = 128, .height = 128};
    struct jl_board *board = jl_board_create(1);
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1327, "p", &glass);
    struct jl_i2c_bus *bus = jl_board_add_i2c(board, 400000, 0);
    EXPECT(jl_i2c_attach(bus, device, 0x3C));
    jl_device_set_pin(device, JL_DEVICE_RESET, false);
    jl_board_wait_ps(board, 1000000000);
    jl_device_set_pin(device, JL_DEVICE_RESET, true);
    jl_board_wait_ps(board, 1000000000);
    EXPECT(jl_i2c_start(bus));
    EXPECT(jl_i2c_write(bus, 0x78) && jl_i2c_write(bus, 0x00) && jl_i2c_write(bus, 0xA4));
    jl_device_set_pin(device, JL_DEVICE_RESET, false);
    EXPECT(!jl_i2c_write(bus, 0xAE));
    jl_i2c_stop(bus);
    jl_board_destroy(board);
}

/* E2 of st7565 and st7567 leaves power, direction of the columns and the display as they are. */
static void soft_resets(void) {
    static const struct {
        const struct jl_emulated_part *part;
        bool lit;
    } rows[] = {
        {&jl_emulated_st7565, true}, {&jl_emulated_st7567, true}, {&jl_emulated_uc1701, false}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(
            rows[i].part, (struct jl_glass){.width = 128, .height = 64, .kind = JL_GLASS_LCD_GREY},
            4000000);
        int x[3] = {0}, y[3] = {0};
        test_row("%s", jl_device_part(raw.device));
        raw_play(&raw, "R ~6 CA1 CA2 C2C ~60 C2E ~60 C2F ~60 C24 C8120 CC8 C42 CAF");
        for (int page = 0; page < 8; page++) {
            char script[80];
            snprintf(script, sizeof script, "CB%d C10 C00 *132", page);
            raw_play(&raw, script);
        }
        raw_play(&raw, "CB0 C10 C04 D01 C42");
        EXPECT(!jl_device_why_dark(raw.device));
        EXPECT_INT(raw_count_color(raw.device, 0xFFFFFF, &x[0], &y[0]), 1);
        raw_play(&raw, "CE2 ~2");
        EXPECT_INT(jl_device_why_dark(raw.device) == NULL, rows[i].lit);
        if (rows[i].lit) {
            EXPECT_INT(raw_count_color(raw.device, 0xFFFFFF, &x[1], &y[1]), 1);
            EXPECT_INT(x[1], x[0]); /* the columns' direction stays */
            EXPECT(y[1] != y[0]);   /* the commons' one, and the start line, do not */
            raw_play(&raw, "CC8 C42");
            EXPECT_INT(raw_count_color(raw.device, 0xFFFFFF, &x[2], &y[2]), 1);
            EXPECT_INT(y[2], y[0]);
        }
        jl_board_destroy(raw.board);
    }
}

/* SS and GS of an ili9341: the same RAM, mirrored on the glass. */
static void outputs_mirrored_by_b6(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *argument;
        bool mirrored_x, mirrored_y;
    } rows[] = {{&jl_emulated_ili9341, "0A8227", false, false},
                {&jl_emulated_ili9341, "0AA227", true, false},
                {&jl_emulated_ili9341, "0AC227", false, true},
                {&jl_emulated_ili9341, "0AE227", true, true},
                {&jl_emulated_ili9488, "020227", false, false},
                {&jl_emulated_ili9488, "022227", true, false},
                {&jl_emulated_ili9488, "024227", false, true}};
    int first_x = 0, first_y = 0;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(
            rows[i].part,
            (struct jl_glass){.width = 240, .height = 320, .ram_width = 240, .ram_height = 320},
            4000000);
        char script[200];
        int x = 0, y = 0;
        test_row("%s, B6 %s", jl_device_part(raw.device), rows[i].argument);
        snprintf(
            script, sizeof script,
            "R ~120 C11 ~120 C3A D66 C36 D00 C2A D000500EF C2B D0007013F CB6 D%s C2C DFC0000 C29",
            rows[i].argument);
        raw_play(&raw, "R ~120 C11 ~120 C3A D66 C2A D000000EF C2B D0000013F C2C");
        for (int k = 0; k < 6; k++) {
            raw_play(&raw, "*38400");
        }
        raw_play(&raw, script);
        EXPECT_INT(raw_count_color(raw.device, 0xFF0000, &x, &y) +
                       raw_count_color(raw.device, 0x0000FF, &x, &y),
                   1);
        first_x = i ? first_x : x;
        first_y = i ? first_y : y;
        EXPECT_INT(x, rows[i].mirrored_x ? 239 - first_x : first_x);
        EXPECT_INT(y, rows[i].mirrored_y ? 319 - first_y : first_y);
        jl_board_destroy(raw.board);
    }
    EXPECT(first_x == 5 || first_x == 234);
    EXPECT(first_y == 7 || first_y == 312);
}

/* What the first argument may be: the first value on either side of it, and its ends. */
static void arguments_out_of_range(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *wake;
        bool as_data;
        unsigned opcode, least, most;
    } rows[] = {
        {&jl_emulated_ssd1322, "R ~1", true, 0xCA, 15, 127},
        {&jl_emulated_ssd1322, "R ~1", true, 0xA1, 0, 127},
        {&jl_emulated_ssd1322, "R ~1", true, 0xC7, 0, 15},
        {&jl_emulated_ssd1322, "R ~1", true, 0xBE, 0, 7},
        {&jl_emulated_ssd1325, "R ~1", false, 0xA2, 0, 79},
        {&jl_emulated_ssd1327, "R ~1", false, 0xA8, 15, 127},
        {&jl_emulated_ssd1327, "R ~1", false, 0xB6, 1, 15},
        {&jl_emulated_ssd1351, "R ~1 CFD DB1", true, 0xCA, 15, 127},
        {&jl_emulated_ssd1351, "R ~1 CFD DB1", true, 0xBB, 0, 31},
        {&jl_emulated_ssd1331, "R ~1", false, 0xA8, 15, 63},
        {&jl_emulated_ssd1331, "R ~1", false, 0x87, 0, 15},
        {&jl_emulated_ssd1331, "R ~1", false, 0xBE, 0, 62},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, usual, 4000000);
        raw_play(&raw, rows[i].wake);
        for (unsigned value = 0; value < 256; value++) {
            char script[20], sentence[80];
            size_t before = jl_board_diagnostic_total(raw.board);
            bool good = value >= rows[i].least && value <= rows[i].most;
            test_row("%s, %02X %02X", jl_device_part(raw.device), rows[i].opcode, value);
            snprintf(script, sizeof script, rows[i].as_data ? "C%02X D%02X" : "C%02X%02X",
                     rows[i].opcode, value);
            raw_play(&raw, script);
            EXPECT_INT((long long)(jl_board_diagnostic_total(raw.board) - before), !good);
            if (!good && value < rows[i].least + 4u) {
                snprintf(sentence, sizeof sentence,
                         "command %02X: argument %02X, expected %02X..%02X", rows[i].opcode, value,
                         rows[i].least, rows[i].most);
                EXPECT_CONTAINS(raw_said(raw.board, "panel"), sentence);
            }
        }
        jl_board_destroy(raw.board);
    }
}

/* A partial area whose start lies behind its end goes around: rows between the two are off. */
static void partial_areas(void) {
    static const struct {
        int start, end;
    } rows[] = {{10, 99}, {99, 10}, {0, 319}, {319, 0}, {200, 200}, {11, 10}};
    static uint8_t white[240 * 2];
    memset(white, 0xFF, sizeof white);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(&jl_emulated_ili9341,
                                  (struct jl_glass){.width = 240, .height = 320}, 10000000);
        struct jl_picture glass;
        char script[100];
        int start = rows[i].start, end = rows[i].end, wrong = 0;
        test_row("%d..%d", start, end);
        raw_play(&raw, "R ~120 C11 ~120 C3A D55 C2A D000000EF C2B D0000013F C2C");
        for (int y = 0; y < 320; y++) {
            raw_send(&raw, true, white, sizeof white);
        }
        snprintf(script, sizeof script, "C29 C30 D%04X%04X C12", start, end);
        raw_play(&raw, script);
        EXPECT(jl_device_picture(raw.device, &glass));
        for (int y = 0; y < 320; y++) {
            bool inside = start <= end ? y >= start && y <= end : y >= start || y <= end;
            wrong += (jl_picture_at(&glass, 7, y)[0] == 255) != inside;
        }
        EXPECT_INT(wrong, 0);
        jl_picture_free(&glass);
        jl_board_destroy(raw.board);
    }
}

/* Reads of the RAM of grey and colour parts, in each format, from an address as it was written. */
static void parallel_reads_of_pixels(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *set, *window, *write, *read;
    } rows[] = {
        {&jl_emulated_ssd1322, "CFD D12 CA0 D1411", "C15 D1C1D C75 D0304", "C5C", "C5D"},
        {&jl_emulated_ssd1322, "CFD D12 CA0 D0611", "C15 D1C1D C75 D0304", "C5C", "C5D"},
        {&jl_emulated_ssd1322, "CFD D12 CA0 D1011", "C15 D1C1D C75 D0304", "C5C", "C5D"},
        {&jl_emulated_ssd1325, "CA050", "C150305750506", "CE3", "CE3"},
        {&jl_emulated_ssd1325, "CA043", "C150305750506", "CE3", "CE3"},
        {&jl_emulated_ssd1327, "CFD12A051", "C150305750506", "CE3", "CE3"},
        {&jl_emulated_ssd1327, "CFD12A042", "C150305750506", "CE3", "CE3"},
        {&jl_emulated_ssd1351, "CFD D12 CFD DB1 CA0 D74", "C15 D0304 C75 D0506", "C5C", "C5D"},
        {&jl_emulated_ssd1351, "CFD D12 CFD DB1 CA0 D70", "C15 D0304 C75 D0506", "C5C", "C5D"},
        {&jl_emulated_ssd1351, "CFD D12 CFD DB1 CA0 DB6", "C15 D0304 C75 D0506", "C5C", "C5D"},
        {&jl_emulated_ssd1331, "CA072", "C15030475050A", "CE3", "CE3"},
        {&jl_emulated_ssd1331, "CA076", "C15030475050A", "CE3", "CE3"},
        {&jl_emulated_ssd1331, "CA032", "C15030475050A", "CE3", "CE3"},
        {&jl_emulated_ssd1331, "CA0B0", "C15030475050A", "CE3", "CE3"},
    };
    /* Two pixels of three bytes, three of two, six of one. */
    static const uint8_t sent[] = {0x21, 0x3E, 0x00, 0x0C, 0x15, 0x2D};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_glass glass = {.width = 96, .height = 64};
        struct raw raw = {.board = jl_board_create(3)};
        uint8_t bytes[7];
        raw.bus = jl_board_add_8080(raw.board, 1000, 0, 8);
        raw.device = jl_board_add_device(raw.board, rows[i].part, "panel", &glass);
        EXPECT(jl_stream_attach(raw.bus, raw.device));
        test_row("%s, %s", jl_device_part(raw.device), rows[i].set);
        raw_play(&raw, "R ~6");
        raw_play(&raw, rows[i].set);
        raw_play(&raw, rows[i].window);
        raw_play(&raw, rows[i].write);
        raw_send(&raw, true, sent, 6);
        raw_play(&raw, rows[i].window);
        raw_play(&raw, rows[i].read);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
        jl_stream_read(raw.bus, bytes, 7);
        for (int k = 0; k < 6; k++) {
            bool six = strstr(rows[i].set, "CA0B0") != NULL;
            bool outer = k % 3 != 1;
            /* the lowest of six bits is the highest again where the RAM has five */
            int expected = six && outer ? (sent[k] & 0x3E) | sent[k] >> 5 : sent[k];
            EXPECT_INT(bytes[k + 1], expected);
        }
        raw_play(&raw, "CE3");
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
        jl_stream_read(raw.bus, bytes, 1);
        EXPECT_INT(bytes[0], 0x40);     /* off */
        raw_play(&raw, rows[i].window); /* a dummy byte again */
        raw_play(&raw, rows[i].read);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, true);
        jl_stream_read(raw.bus, bytes, 3);
        EXPECT_INT(bytes[2], sent[1]);
        EXPECT_TEXT(raw_said(raw.board, "panel"), "");
        jl_board_destroy(raw.board);
    }
}

const struct test_group test_groups[] = {
    {"dark_glasses", dark_glasses},
    {"pixel_formats", pixel_formats},
    {"parallel_reads", parallel_reads},
    {"one_line_on_glass_of_two", one_line_on_glass_of_two},
    {"drawing_commands", drawing_commands},
    {"dimmed_panels", dimmed_panels},
    {"rows_that_are_driven", rows_that_are_driven},
    {"a_reset_within_a_transfer", a_reset_within_a_transfer},
    {"light_control", light_control},
    {"soft_resets", soft_resets},
    {"outputs_mirrored_by_b6", outputs_mirrored_by_b6},
    {"arguments_out_of_range", arguments_out_of_range},
    {"partial_areas", partial_areas},
    {"parallel_reads_of_pixels", parallel_reads_of_pixels},
    {NULL, NULL},
};
