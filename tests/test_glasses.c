/* Glasses: which ones a controller takes, and any of them with any bytes. */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/sim/board.h"
#include "jadelamp/sim/cells.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/touch.h"
#include "raw.h"

/* What is refused besides what lies outside. */
enum { NO_OFFSETS = 1, NO_MIRRORS = 2, NO_STRAPS = 4, NO_LESS = 8, OFFSETS_ARE_NOTHING = 16 };
enum { DOTS = NO_OFFSETS | NO_MIRRORS | NO_STRAPS };

static const struct make {
    const char *name;
    const struct jl_emulated_part *part;
    int width, height; /* at most */
    enum jl_glass_kind kind;
    unsigned refuses; /* sum of the above */
} makes[] = {
    {"ssd0303", &jl_emulated_ssd0303, 132, 64, JL_GLASS_WHITE, 0},
    {"ssd1306", &jl_emulated_ssd1306, 128, 64, JL_GLASS_WHITE, 0},
    {"sh1106", &jl_emulated_sh1106, 132, 64, JL_GLASS_WHITE, 0},
    {"sh1107", &jl_emulated_sh1107, 128, 128, JL_GLASS_WHITE, 0},
    {"st7565", &jl_emulated_st7565, 132, 64, JL_GLASS_LCD_GREY, 0},
    {"uc1609", &jl_emulated_uc1609, 192, 64, JL_GLASS_LCD_GREY, 0},
    {"pcd8544", &jl_emulated_pcd8544, 84, 48, JL_GLASS_LCD_GREY, 0},
    {"ws0010_graphics", &jl_emulated_ws0010_graphics, 100, 16, JL_GLASS_YELLOW, DOTS},
    {"t6963c", &jl_emulated_t6963c, 240, 128, JL_GLASS_LCD_BLUE, DOTS},
    {"ks0108", &jl_emulated_ks0108, 192, 64, JL_GLASS_LCD_GREEN, DOTS},
    {"sed1520", &jl_emulated_sed1520, 122, 32, JL_GLASS_LCD_GREEN, DOTS},
    {"ls013b7dh03", &jl_emulated_ls013b7dh03, 128, 128, JL_GLASS_SILVER, DOTS | NO_LESS},
    {"ls027b7dh01", &jl_emulated_ls027b7dh01, 400, 240, JL_GLASS_SILVER, DOTS | NO_LESS},
    {"st7920", &jl_emulated_st7920, 128, 64, JL_GLASS_LCD_GREEN, NO_LESS},
    {"ssd1322", &jl_emulated_ssd1322, 480, 128, JL_GLASS_WHITE, NO_STRAPS},
    {"ssd1325", &jl_emulated_ssd1325, 128, 80, JL_GLASS_WHITE, NO_STRAPS},
    {"ssd1327", &jl_emulated_ssd1327, 128, 128, JL_GLASS_WHITE, NO_STRAPS},
    {"ssd1331", &jl_emulated_ssd1331, 96, 64, JL_GLASS_COLOR_OLED, NO_STRAPS},
    {"ssd1351", &jl_emulated_ssd1351, 128, 128, JL_GLASS_COLOR_OLED, NO_STRAPS},
    {"ssd1680", &jl_emulated_ssd1680, 176, 296, JL_GLASS_PAPER, 0},
    {"ssd1681", &jl_emulated_ssd1681, 200, 200, JL_GLASS_PAPER, 0},
    {"uc8151", &jl_emulated_uc8151, 160, 296, JL_GLASS_PAPER, 0},
    {"uc8176", &jl_emulated_uc8176, 400, 300, JL_GLASS_PAPER, 0},
    {"uc8179", &jl_emulated_uc8179, 800, 600, JL_GLASS_PAPER, 0},
    {"st7735", &jl_emulated_st7735, 132, 162, JL_GLASS_TFT, 0},
    {"st7789", &jl_emulated_st7789, 240, 320, JL_GLASS_TFT, 0},
    {"ili9341", &jl_emulated_ili9341, 240, 320, JL_GLASS_TFT, 0},
    {"ili9225", &jl_emulated_ili9225, 176, 220, JL_GLASS_TFT, NO_STRAPS},
    {"ili9488", &jl_emulated_ili9488, 320, 480, JL_GLASS_TFT, 0},
    {"gc9a01", &jl_emulated_gc9a01, 240, 240, JL_GLASS_TFT, 0},
    {"xpt2046", &jl_emulated_xpt2046, 4096, 4096, JL_GLASS_WHITE, OFFSETS_ARE_NOTHING},
    {"ft6x36", &jl_emulated_ft6x36, 4096, 4096, JL_GLASS_WHITE, OFFSETS_ARE_NOTHING},
};

enum { MAKES = sizeof makes / sizeof makes[0] };

static bool takes(const struct make *make, struct jl_glass glass) {
    struct jl_board *board = jl_board_create(1);
    bool good = jl_board_add_device(board, make->part, "x", &glass) != NULL;
    jl_board_destroy(board);
    return good;
}

static void those_that_do_not_fit(void) {
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        const int w = make->width, h = make->height;
        const struct {
            const char *name;
            struct jl_glass glass;
            unsigned if_refused; /* 0: by every part */
        } rows[] = {
            {"no width", {.width = 0, .height = h}, 0},
            {"no height", {.width = w, .height = 0}, 0},
            {"a width below", {.width = -8, .height = h}, 0},
            {"a height below", {.width = w, .height = -8}, 0},
            {"too wide", {.width = w + 1, .height = h}, 0},
            {"too high", {.width = w, .height = h + 1}, 0},
            {"left of the outputs", {.width = w - 8, .height = h, .column_offset = -1}, 0},
            {"right of them", {.width = w - 8, .height = h, .column_offset = 9}, 0},
            {"offset columns", {.width = w - 8, .height = h, .column_offset = 8}, NO_OFFSETS},
            {"offset rows", {.width = w, .height = h - 8, .row_offset = 8}, NO_OFFSETS},
            {"mirrored", {.width = w, .height = h, .mirrored_x = true}, NO_MIRRORS},
            {"upside down", {.width = w, .height = h, .mirrored_y = true}, NO_MIRRORS},
            {"strapped", {.width = w, .height = h, .ram_width = w}, NO_STRAPS},
            {"narrower", {.width = w - 8, .height = h}, NO_LESS},
        };
        test_row("%s", make->name);
        EXPECT(takes(make, (struct jl_glass){.width = w, .height = h, .kind = make->kind}));
        for (size_t k = 0; k < sizeof rows / sizeof rows[0]; k++) {
            struct jl_glass glass = rows[k].glass;
            bool offset = glass.column_offset > 0;
            glass.kind = make->kind;
            test_row("%s: %s", make->name, rows[k].name);
            if (offset && make->refuses & OFFSETS_ARE_NOTHING) {
                EXPECT(takes(make, glass));
            } else if (!rows[k].if_refused || make->refuses & rows[k].if_refused) {
                EXPECT(!takes(make, glass));
            }
        }
    }
}

/* Between two lines of a touch panel there is a way to go; on one line there is none. */
static void the_least_touch_panels(void) {
    for (int width = 1; width <= 3; width++) {
        for (int height = 1; height <= 3; height++) {
            const struct jl_glass glass = {.width = width, .height = height};
            for (int i = 0; i < MAKES; i++) {
                if (makes[i].refuses & OFFSETS_ARE_NOTHING) {
                    test_row("%s, %d x %d", makes[i].name, width, height);
                    EXPECT(takes(&makes[i], glass) == (width > 1 && height > 1));
                }
            }
        }
    }
}

/* A glass of any make and any place on its outputs, with any bytes: pictures come out, and nothing
 * is read or written that is not the controller's. */
static void any_of_them_with_any_bytes(void) {
    struct test_random random = {.state = 20261129};
    int taken = 0;
    for (int turn = 0, turns = test_cases(1200); turn < turns; turn++) {
        const struct make *make = &makes[test_random_between(&random, 0, MAKES - 1)];
        if (make->width > 1000) {
            continue; /* a touch panel */
        }
        struct jl_glass glass = {
            .width = test_random_between(&random, 1, make->width),
            .height = test_random_between(&random, 1, make->height),
            .kind = make->kind,
            .column_offset =
                test_random_between(&random, 0, 3) ? 0 : test_random_between(&random, 0, 40),
            .row_offset =
                test_random_between(&random, 0, 3) ? 0 : test_random_between(&random, 0, 40),
            .mirrored_x = test_random_between(&random, 0, 1),
            .mirrored_y = test_random_between(&random, 0, 1),
            .rows_other = test_random_between(&random, 0, 1),
            .bgr = test_random_between(&random, 0, 1),
            .ips = test_random_between(&random, 0, 1),
            .external_supply = test_random_between(&random, 0, 1),
        };
        if (make->refuses & NO_LESS) {
            glass.width = make->width;
            glass.height = make->height;
        }
        struct jl_board *board = jl_board_create((unsigned)turn);
        struct jl_device *device = jl_board_add_device(board, make->part, "x", &glass);
        if (device) {
            struct jl_picture picture;
            uint8_t bytes[64];
            taken++;
            jl_device_set_pin(device, JL_DEVICE_RESET, true);
            test_row("%s, turn %d", make->name, turn);
            struct jl_stream_bus *bus = jl_board_add_spi(board, 1000000, 0, 0);
            struct jl_stream_bus *lines = jl_board_add_8080(board, 1000, 0, 8);
            struct jl_stream_bus *enables = jl_board_add_6800(board, 1000, 0);
            bool on = jl_stream_attach(bus, device);
            if (!on && jl_stream_attach(lines, device)) {
                bus = lines;
            } else if (!on && jl_stream_attach(enables, device)) {
                bus = enables;
            }
            for (int sends = 0; sends < 12; sends++) {
                size_t count = (size_t)test_random_between(&random, 1, sizeof bytes);
                for (size_t b = 0; b < count; b++) {
                    bytes[b] = (uint8_t)test_random_next(&random);
                }
                jl_device_set_pin(device, JL_DEVICE_DC, test_random_between(&random, 0, 1));
                jl_device_set_pin(device, JL_DEVICE_CS, false);
                jl_stream_write(bus, bytes, count);
                jl_device_set_pin(device, JL_DEVICE_CS, true);
            }
            if (EXPECT(jl_device_picture(device, &picture))) {
                EXPECT_INT(picture.width, glass.width);
                EXPECT_INT(picture.height, glass.height);
                jl_picture_free(&picture);
            }
        }
        jl_board_destroy(board);
    }
    EXPECT(taken > 40);
}

/* Registers and the window of an ili9225 that are not as they should be. */
static void an_ili9225_is_told(void) {
    static const struct {
        const char *script;
        unsigned wiring;
        const char *says;
    } rows[] = {
        {"R ~2 C0007 D0000", 0, NULL},
        {"R C0007 D0000", 0, "bytes arrive less than 1 ms after reset: they are lost"},
        {"r ~2 C0007 D0000", 0, "reset was low for 1.0 us, at least 10 us are needed"},
        {"R ~2 C0007 D0000", RAW_RESET_HELD, "bytes arrive while the reset pin is low"},
        /* the window is columns 16 to 31 and rows 32 to 63; the address stays at 0, 0 */
        {"R ~60 C0003 D1030 C0036 D001F C0037 D0010 C0038 D003F C0039 D0020 C0022 "
         "D1234 "
         "D1234",
         0, "address 0, 0 (20, 21) lies outside the window, columns 16 to 31 and rows 32 to 63"},
        {"R ~60 C0003 D1030 C0036 D00B0", 0, "register 36: 176, expected 0 to 175"},
        /* 64 pixels fill columns 5 to 12 of rows 9 to 16 */
        {"R ~60 C0003 D1030 C0036 D000C C0037 D0005 C0038 D0010 C0039 D0009 C0020 D0005 C0021 "
         "D0009 "
         "C0022 *128 C0007 D0000 C0022 *128",
         0, NULL},
        /* 8 x 8 pixels for columns 5 to 13 of rows 9 to 17 */
        {"R ~60 C0003 D1030 C0036 D000D C0037 D0005 C0038 D0011 C0039 D0009 C0020 D0005 C0021 "
         "D0009 "
         "C0022 *128 C0022",
         0, "pixels came for 8 x 8, and the window has 9 x 9"},
        /* behind the window, with both counters running down; told once */
        {"R ~60 C0003 D1000 C0036 D001F C0037 D0010 C0038 D003F C0039 D0020 C0020 D0030 C0021 "
         "D0030 "
         "C0022 D1234 C0020 D0014 C0021 D0001 C0022 D1234 C0021 D0050 C0022 D1234",
         0, "address 48, 48 (20, 21) lies outside the window, columns 16 to 31 and rows 32 to 63"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(&jl_emulated_ili9225,
                     (struct jl_glass){.width = 176, .height = 220, .kind = JL_GLASS_TFT}, 1000000);
        raw.wiring = rows[i].wiring;
        test_row("%s", rows[i].script);
        raw_play(&raw, rows[i].script);
        raw_expect_complaint(&raw, rows[i].says);
        jl_board_destroy(raw.board);
    }
}

/* Fingers that no hand has. */
static void fingers_that_are_none(void) {
    const struct jl_glass glass = {.width = 240, .height = 320};
    struct jl_board *board = jl_board_create(1);
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_xpt2046, "x", &glass);
    static const int fingers[] = {-1, 5, 1000};
    for (size_t i = 0; i < sizeof fingers / sizeof fingers[0]; i++) {
        jl_touch_press(device, fingers[i], 10, 10);
        EXPECT(jl_device_pin(device, JL_DEVICE_PEN)); /* nobody touches */
        jl_touch_lift(device, fingers[i]);
    }
    jl_touch_press(device, 0, 10, 10);
    EXPECT(!jl_device_pin(device, JL_DEVICE_PEN));
    jl_board_destroy(board);
}

const struct test_group test_groups[] = {
    {"those_that_do_not_fit", those_that_do_not_fit},
    {"the_least_touch_panels", the_least_touch_panels},
    {"any_of_them_with_any_bytes", any_of_them_with_any_bytes},
    {"an_ili9225_is_told", an_ili9225_is_told},
    {"fingers_that_are_none", fingers_that_are_none},
    {NULL, NULL},
};
