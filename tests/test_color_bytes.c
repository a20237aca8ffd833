/* Colour and grey panels: the exact bytes of windows, of wake-up sequences and of settings. */
#include "harness.h"

#include <string.h>

#include "notebook.h"
#include "stage.h"

static struct notebook book;

/* A window of 3x2 pixels at (10, 20), from each datasheet's own command table. */
static void window_bytes(void) {
    static const struct {
        const char *make;
        int turn, x, w;
        const char *expected;
    } rows[] = {
        /* DCS: 2A and 2B with 16-bit start and end, then 2C. */
        {"ili9341 240x320", 0, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"ili9341 240x320", 1, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"ili9488 320x480", 0, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"gc9a01 240x240", 2, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"ili9163 128x128", 0, 10, 3, "C2A D000A000C C2B D00340035 C2C D"}, /* 32 rows on */
        {"ili9225 176x220", 0, 10, 3,
         "C0036 D000C C0037 D000A C0038 D0015 C0039 D0014 C0020 D000A C0021 D0014 C0022 D"},
        {"ili9225 176x220", 2, 10, 3, /* 175 - 10, 219 - 20 */
         "C0036 D00A5 C0037 D00A3 C0038 D00C7 C0039 D00C6 C0020 D00A5 C0021 D00C7 C0022 D"},
        {"gc9107 128x128", 0, 10, 3, "C2A D000C000E C2B D00150016 C2C D"},
        {"st7796 320x480", 0, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"st7735 128x160 strapped", 0, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        /* mounted half-turned: MX and MY count from the far ends: 132-128-2 = 2, 162-160-1 = 1 */
        {"st7735 128x160 offset", 0, 10, 3, "C2A D000C000E C2B D00150016 C2C D"},
        {"st7735 128x128", 0, 10, 3, "C2A D000C000E C2B D00170018 C2C D"}, /* (2, 3) */
        {"st7735 128x128", 2, 10, 3, "C2A D000C000E C2B D00150016 C2C D"}, /* (2, 1) */
        {"st7735 80x160", 0, 10, 3, "C2A D00240026 C2B D00150016 C2C D"},  /* (26, 1) */
        {"st7735 80x160", 3, 10, 3, "C2A D000B000D C2B D002E002F C2C D"},  /* (1, 26) */
        /* 240x240 of 240x320: (0,0) (0,0) (0,80) (80,0); 135x240: (52,40) (40,53) (53,40) (40,52)
         */
        {"st7789 240x240", 0, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"st7789 240x240", 1, 10, 3, "C2A D000A000C C2B D00140015 C2C D"},
        {"st7789 240x240", 2, 10, 3, "C2A D000A000C C2B D00640065 C2C D"},
        {"st7789 240x240", 3, 10, 3, "C2A D005A005C C2B D00140015 C2C D"},
        {"st7789 135x240", 0, 10, 3, "C2A D003E0040 C2B D003C003D C2C D"},
        {"st7789 135x240", 1, 10, 3, "C2A D00320034 C2B D0049004A C2C D"},
        {"st7789 135x240", 2, 10, 3, "C2A D003F0041 C2B D003C003D C2C D"},
        {"st7789 135x240", 3, 10, 3, "C2A D00320034 C2B D00480049 C2C D"},
        {"st7789 170x320", 0, 10, 3, "C2A D002D002F C2B D00140015 C2C D"},
        /* 15h, 75h and 5Ch with arguments as data; columns of one pixel. */
        {"ssd1351 128x128", 0, 10, 3, "C15 D0A0C C75 D1415 C5C D"},
        /* on its side: columns are the picture's rows */
        {"ssd1351 128x128", 1, 10, 3, "C15 D1415 C75 D0A0C C5C D"},
        /* one burst with D/C low, and no opcode for pixels */
        {"ssd1331 96x64", 0, 10, 3, "C150A0C751415 D"},
        /* pairs of pixels: 10..13 are columns 5..6; 96 wide glass begins at column 8 */
        {"ssd1327 128x128", 0, 10, 4, "C150506751415 D"},
        {"ssd1325 128x64", 0, 10, 4, "C150506751415 D"},
        {"ssd1327 96x96", 0, 10, 4, "C150D0E751415 D"},
        /* fours: 12..15 are column 3 behind the 28 that the glass does not show */
        {"ssd1322 256x64", 0, 12, 4, "C15 D1F1F C75 D1415 C5C D"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = make_named(rows[i].make);
        struct jl_port port = {.ops = &note_ops, .context = &book};
        struct stage stage;
        uint8_t pixels[24];
        test_row("%s, turn %d", rows[i].make, rows[i].turn);
        stage_open(&stage, make, &(struct wish){.turn = (uint8_t)rows[i].turn});
        memset(&book, 0, sizeof book);
        EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
        EXPECT_INT((long long)book.length, 0); /* nothing is sent */
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        memset(&book, 0, sizeof book);
        book.kept = 64;
        memset(pixels, 0xA5, sizeof pixels);
        struct jl_rect area = {(int16_t)rows[i].x, 20, (int16_t)rows[i].w, 2};
        int bits = stage.panel.format->bits_per_pixel;
        EXPECT_INT(jl_panel_send(&stage.panel, area, pixels, (uint16_t)(rows[i].w * bits / 8)),
                   JL_OK);
        char expected[256];
        strcpy(expected, rows[i].expected);
        for (int byte = 0; byte < rows[i].w * 2 * bits / 8; byte++) {
            strcat(expected, "A5");
        }
        /* one window, one data transfer */
        EXPECT_TEXT(book.text, expected);
        stage_close(&stage);
    }
}

/* What the description puts into the set-up: address mode, remap, pixel format, inversion. */
static void setup_bytes(void) {
    static const struct {
        const char *make;
        int turn, module_change;
        bool inverted;
        const struct jl_format *format;
        const char *expected;
    } rows[] = {
        /* 36h: r = 0..3 on unmirrored glass are 00 60 C0 A0; 48 28 88 E8 on the usual ili9341 */
        {"st7789 240x240", 0, 0, false, NULL, "C36 D00 C3A D55 C21"},
        {"st7789 240x240", 1, 0, false, NULL, "C36 D60 C3A D55 C21"},
        {"st7789 240x240", 2, 0, false, NULL, "C36 DC0 C3A D55 C21"},
        {"st7789 240x240", 3, 0, false, NULL, "C36 DA0 C3A D55 C21"},
        {"st7789 240x240", 0, JL_MODULE_IPS, false, NULL, "C36 D00 C3A D55 C20"},
        {"st7789 240x240", 0, JL_MODULE_BGR, true, &jl_rgb666, "C36 D08 C3A D66 C20"},
        {"ili9341 240x320", 0, 0, false, NULL, "C36 D48 C3A D55 C20"},
        {"ili9341 240x320", 1, 0, false, NULL, "C36 D28 C3A D55 C20"},
        {"ili9341 240x320", 2, 0, false, NULL, "C36 D88 C3A D55 C20"},
        {"ili9341 240x320", 3, 0, false, NULL, "C36 DE8 C3A D55 C20"},
        {"ili9488 320x480", 0, 0, false, NULL, "C36 D48 C3A D66 C20"},
        {"st7735 128x160 offset", 0, 0, false, NULL, "C36 DC8 C3A D55 C20"},
        {"st7735 128x160 offset", 1, 0, false, NULL, "C36 DA8 C3A D55 C20"},
        {"st7735 128x160 offset", 2, 0, false, NULL, "C36 D08 C3A D55 C20"},
        {"st7735 128x160 offset", 3, 0, false, NULL, "C36 D68 C3A D55 C20"},
        {"ssd1351 128x128", 0, 0, false, NULL, "CCA D7F CA0 D74 CA1 D00 CC1 DC880C8 CA6"},
        {"ssd1351 128x128", 2, JL_MODULE_BGR, true, &jl_rgb666_low,
         "CCA D7F CA0 DA2 CA1 D00 CC1 DC880C8 CA7"},
        {"ssd1331 96x64", 0, 0, false, NULL, "CA83F CA072 CA100 C81918250837D CA4"},
        {"ssd1331 96x64", 0, JL_MODULE_BGR, false, &jl_rgb332,
         "CA83F CA036 CA100 C81918250837D CA4"},
        {"ssd1327 128x128", 0, 0, false, NULL, "CA87F CA051 CA100 C8180 CA4"},
        {"ssd1325 128x64", 0, 0, false, NULL, "CA83F CA050 CA24C CA100 C8160 CA4"},
        {"ssd1325 128x64", 2, 0, false, NULL, "CA83F CA043 CA244 CA100 C8160 CA4"},
        {"ssd1325 128x80", 0, 0, false, NULL, "CA84F CA050 CA200 CA100 C8160 CA4"},
        {"ssd1327 128x128", 2, 0, false, NULL, "CA87F CA042 CA100 C8180 CA4"},
        {"ssd1322 256x64", 0, 0, false, NULL, "CCA D3F CA0 D1411 CA1 D00 CC1 D9F CA6"},
        {"ssd1322 256x64", 2, 0, true, NULL, "CCA D3F CA0 D0611 CA1 D00 CC1 D9F CA7"},
    };
    static const uint8_t only_setup[] = {JL_STEP_SETUP};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = make_named(rows[i].make);
        struct jl_port port = {.ops = &note_ops, .context = &book};
        struct stage stage;
        test_row("%s, turn %d", rows[i].make, rows[i].turn);
        stage_open(&stage, make,
                   &(struct wish){.turn = (uint8_t)rows[i].turn,
                                  .module_change = (uint8_t)rows[i].module_change,
                                  .inverted = rows[i].inverted,
                                  .format = rows[i].format});
        stage.config.wake_steps = only_setup;
        stage.config.wake_steps_bytes = sizeof only_setup;
        memset(&book, 0, sizeof book);
        book.kept = 64;
        EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        char *light = strstr(book.text, " C53"); /* the brightness is looked at elsewhere */
        if (light) {
            *light = '\0';
        }
        EXPECT_TEXT(book.text, rows[i].expected);
        stage_close(&stage);
    }
}

static void setting_bytes(void) {
    static const struct {
        const char *make;
        const char *contrast, *sleep, *resume, *idle, *all_on, *lit_again;
    } rows[] = {
        {"ili9341 240x320", "C53 D24 C51 D60", "C28 C10", "C11 C29", "C39", "", ""},
        {"ili9488 320x480", "C53 D24 C51 D60", "C28 C10", "C11 C29", "C39", "", ""},
        {"st7789 240x320", "C53 D24 C51 D60", "C28 C10", "C11 C29", "C39", "", ""},
        {"gc9a01 240x240", "C53 D24 C51 D60", "C28 C10", "C11 C29", "C39", "", ""},
        {"ili9225 176x220", "", "C0007 D0000 C0010 D0001", "C0010 D0800 C0007 D1017", "", "", ""},
        {"hx8357 320x480", "C53 D24 C51 D60", "C28 C10", "C11 C29", "C39", "", ""},
        {"ili9163 128x128", "", "C28 C10", "C11 C29", "C39", "", ""},
        {"st7796 320x480", "C53 D24 C51 D60", "C28 C10", "C11 C29", "C39", "", ""},
        {"st7735 128x128", "", "C28 C10", "C11 C29", "C39", "", ""},
        {"ssd1351 128x128", "CC1 D603D60", "CAE", "CAF", "", "CA5", "CA6"},
        {"ssd1331 96x64", "C816082348352", "CAE", "CAF", "", "CA5", "CA4"},
        {"ssd1327 128x128", "C8160", "CAE", "CAF", "", "CA5", "CA4"},
        {"ssd1325 128x64", "C8130", "CAE", "CAF", "", "CA5", "CA4"},
        {"ssd1322 256x64", "CC1 D60", "CAE", "CAF", "", "CA5", "CA6"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_port port = {.ops = &note_ops, .context = &book};
        struct stage stage;
        test_row("%s", rows[i].make);
        stage_open(&stage, make_named(rows[i].make), &(struct wish){0});
        EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
        book.kept = 8;
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
#define EXPECT_SENT(call, bytes)                                                                   \
    do {                                                                                           \
        memset(&book, 0, sizeof book);                                                             \
        book.kept = 8;                                                                             \
        EXPECT_INT((call), *(bytes) ? JL_OK : JL_UNSUPPORTED);                                     \
        EXPECT_TEXT(book.text, (bytes));                                                           \
    } while (0)
        EXPECT_SENT(jl_panel_contrast(&stage.panel, 0x60), rows[i].contrast);
        EXPECT_SENT(jl_panel_idle(&stage.panel, true), rows[i].idle);
        EXPECT_SENT(jl_panel_all_on(&stage.panel, true), rows[i].all_on);
        EXPECT_SENT(jl_panel_all_on(&stage.panel, false), rows[i].lit_again);
        EXPECT_SENT(jl_panel_sleep(&stage.panel), rows[i].sleep);
        EXPECT_SENT(jl_panel_resume(&stage.panel), rows[i].resume);
        stage_close(&stage);
    }
}

/* What encoders write is run unchecked: it must be well-formed and fit. */
static void encoders_write_good_steps(void) {
    for (int i = 0; i <= MAKES; i++) {
        static const struct make mono = {
            "ssd1306", &jl_ssd1306, &jl_emulated_ssd1306,           128,   64,  0, 0, 0, 0, 0,
            10000000,  300,         {&jl_mono_columns, NULL, NULL}, false, NULL};
        const struct make *make = i < MAKES ? &makes[i] : &mono;
        const struct jl_controller *controller = make->controller;
        struct stage stage;
        uint8_t steps[JL_STEPS_MOST_BYTES + 8];
        test_row("%s", make->name);
        EXPECT_INT(jl_steps_check(controller->wake_steps, controller->wake_steps_bytes), JL_OK);
        stage_open(&stage, make, &(struct wish){0});
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        for (int call = 0; call < 2 + 6 * 256; call++) {
            memset(steps, 0xEE, sizeof steps);
            struct jl_rect all = {0, 0, stage.panel.width, stage.panel.height};
            struct jl_stretch stretch = {.plane = 0};
            size_t bytes =
                call == 0   ? controller->setup(&stage.panel, steps)
                : call == 1 ? controller->next(&stage.panel, &all, &stretch, steps)
                            : controller->setting(&stage.panel, (enum jl_setting)((call - 2) / 256),
                                                  (uint8_t)(call - 2), steps);
            if (bytes > JL_STEPS_MOST_BYTES || jl_steps_check(steps, bytes) != JL_OK ||
                steps[JL_STEPS_MOST_BYTES] != 0xEE || (bytes && steps[bytes] != 0xEE)) {
                EXPECT_INT(call, -1);
            }
        }
        stage_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"window_bytes", window_bytes},
    {"setup_bytes", setup_bytes},
    {"setting_bytes", setting_bytes},
    {"encoders_write_good_steps", encoders_write_good_steps},
    {NULL, NULL},
};
