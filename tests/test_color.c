/*
 * Colour and grey panels: for every controller, size, turn, colour order, format and bus the
 * glass shows what the frame holds, by geometry; the settings. Their bytes: test_color_bytes.c.
 */
#include "harness.h"

#include <string.h>

#include "kinds.h"
#include "naive.h"
#include "notebook.h"
#include "stage.h"

static struct notebook book;

/* Every pixel its own: a wrong offset, turn or byte order cannot hide. */
static void fill_with_noise(struct jl_frame *frame, uint32_t seed) {
    struct test_random random = {seed + 1};
    size_t bytes = (size_t)frame->stride_bytes * (size_t)frame->target.bounds.h;
    for (size_t i = 0; i < bytes; i++) {
        frame->pixels[i] = (uint8_t)(test_random_next(&random) >> 11);
    }
}

static void expect_shown(struct stage *stage, const struct make *make, struct jl_frame *frame) {
    stage_expect_shown(stage, make, frame);
    stage_expect_content(stage);
}

static void expect_noise_on_glass(const struct make *make, const struct wish *wish) {
    struct stage stage;
    stage_open(&stage, make, wish);
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    fill_with_noise(&frame, wish->turn);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    expect_shown(&stage, make, &frame);
    stage_close(&stage);
}

static void every_size_turn_order_and_format(void) {
    long cases = 0;
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        for (int turn = 0; turn < 8; turn++) {
            if (!(make->controller->turns >> turn & 1)) {
                continue;
            }
            for (int format = 0; make->formats[format]; format++) {
                /* Order and inversion of the glass, and its mounting, go with the turns. */
                for (int order = 0; order < 2; order++) {
                    if (!test_turn(cases++)) {
                        continue;
                    }
                    bool colors = make->formats[format]->bits_per_pixel > 4;
                    struct wish wish = {
                        .turn = (uint8_t)turn,
                        .format = make->formats[format],
                        .module_change =
                            (uint8_t)((order && colors ? JL_MODULE_BGR : 0) |
                                      (order ? (turn >> 1 & 3) * JL_MODULE_MIRROR_X : 0))};
                    test_row("%s, turn %d, format %d, order %d", make->name, turn, format, order);
                    expect_noise_on_glass(make, &wish);
                }
            }
        }
    }
}

/* Each controller's buses; the way of the bits must not matter. */
static void every_bus(void) {
    static const struct jl_bus *const buses[] = {&jl_bus_i2c, &jl_bus_spi, &jl_bus_spi_3wire,
                                                 &jl_bus_8080_8, &jl_bus_8080_16};
    long cases = 0;
    for (int i = 0; i < MAKES; i++) {
        for (size_t bus = 0; bus < 5; bus++) {
            for (int rich = 0; rich < 2; rich++) {
                if (!(makes[i].controller->buses >> buses[bus]->kind & 1) ||
                    (rich && buses[bus] == &jl_bus_i2c) || !test_turn(cases++)) {
                    continue;
                }
                struct wish wish = {.bus = buses[bus],
                                    .turn = JL_TURN_180,
                                    .ops = rich ? &jl_sim_port_rich_ops : &jl_sim_port_ops,
                                    .format =
                                        buses[bus] == &jl_bus_8080_16 ? &jl_rgb565_cpu : NULL};
                test_row("%s, bus %d, rich %d", makes[i].name, buses[bus]->kind, rich);
                expect_noise_on_glass(&makes[i], &wish);
            }
        }
    }
}

static void inverted_and_turned_at_run_time(void) {
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        struct stage stage;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){.inverted = true});
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        fill_with_noise(&frame, 7);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        struct jl_picture upright = stage_expected(&stage, &frame, make);
        struct jl_picture seen = stage_look(&stage);
        size_t bytes = (size_t)make->width * (size_t)make->height * 3;
        size_t wrong = 0;
        for (size_t at = 0; at < bytes; at++) {
            bool corner = make->round && upright.rgb[at] == 0 && seen.rgb[at] == 0;
            wrong += seen.rgb[at] != 255 - upright.rgb[at] && !corner;
        }
        EXPECT_INT((long long)wrong, 0);
        jl_picture_free(&upright);
        jl_picture_free(&seen);

        EXPECT_INT(jl_panel_invert(&stage.panel, false), JL_OK);
        expect_shown(&stage, make, &frame);
        bool quarter = make->controller->turns == JL_TURNS_ALL;
        EXPECT_INT(jl_panel_turn(&stage.panel, JL_TURN_270), quarter ? JL_OK : JL_BAD_TURN);
        if (quarter && make->width != make->height) {
            EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_BAD_FRAME_SIZE);
        }
        stage.config.turn = quarter ? JL_TURN_270 : JL_TURN_180; /* what stage_expected() follows */
        if (!quarter) {
            EXPECT_INT(jl_panel_turn(&stage.panel, JL_TURN_180), JL_OK);
        }
        frame = stage_frame(&stage, 0);
        fill_with_noise(&frame, 8);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        expect_shown(&stage, make, &frame);
        stage_close(&stage);
    }
}

/* The cards by the naive reference, on every make. */
static void test_cards(void) {
    static struct naive card;
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        struct stage stage;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){0});
        struct jl_frame frame = stage_frame(&stage, 0);
        bool grey = frame.format->bits_per_pixel == 4;
        if (grey) {
            jl_draw_grey_test_card(&frame.target, make->controller->name);
        } else {
            jl_draw_color_test_card(&frame.target, make->controller->name);
        }
        const struct kind *kind = kind_of(frame.format);
        naive_init(&card, make->width, make->height);
        card.quantize = kind->store;
        naive_shades_test_card(&card, make->controller->name, !grey);
        int wrong = 0;
        for (int y = 0; y < make->height; y++) {
            for (int x = 0; x < make->width; x++) {
                wrong += card.px[y][x] != kind->see(frame.pixels, make->width, make->height, x, y);
            }
        }
        EXPECT_INT(wrong, 0);
        stage_close(&stage);
    }
}

/* A row offset on the OLEDs is the row that the scan begins with: it does not show. */
static void row_offset_of_oleds(void) {
    static const char *const names[] = {"ssd1351 128x128", "ssd1327 96x96", "ssd1322 256x64"};
    for (int i = 0; i < 3; i++) {
        for (int turn = 0; turn < 4; turn += 2) {
            const struct make *make = make_named(names[i]);
            struct stage stage;
            test_row("%s, turn %d", names[i], turn);
            stage_open(&stage, make, &(struct wish){.turn = (uint8_t)turn});
            stage.config.row_offset = (int16_t)(i ? 23 : 0);
            EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &stage.port), JL_OK);
            struct jl_frame frame = stage_frame(&stage, 0);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            fill_with_noise(&frame, 9);
            EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
            expect_shown(&stage, make, &frame);
            stage_close(&stage);
        }
    }
}

/* ---- settings, seen on the glass ---- */

static void sleep_idle_and_light(void) {
    for (int i = 0; i < MAKES; i++) {
        const struct make *make = &makes[i];
        struct stage stage;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){0});
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        jl_clear(&frame.target, JL_RGB(200, 90, 130));
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
        jl_board_wait_ps(stage.board, 200000000000u);
        EXPECT(jl_device_why_dark(stage.device) != NULL);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
        expect_shown(&stage, make, &frame);
        if (jl_panel_idle(&stage.panel, true) == JL_OK) {
            struct jl_picture seen = stage_look(&stage);
            const uint8_t *middle = jl_picture_at(&seen, make->width / 2, make->height / 2);
            EXPECT_BYTES(middle, ((const uint8_t[]){255, 0, 255}), 3); /* the top bits alone */
            jl_picture_free(&seen);
            EXPECT_INT(jl_panel_idle(&stage.panel, false), JL_OK);
            expect_shown(&stage, make, &frame);
        }
        if (jl_panel_contrast(&stage.panel, 40) == JL_OK) {
            EXPECT_INT(jl_device_brightness(stage.device), 40);
        }
        if (jl_panel_all_on(&stage.panel, true) == JL_OK) {
            struct jl_picture seen = stage_look(&stage);
            EXPECT_BYTES(jl_picture_at(&seen, 0, 0), ((const uint8_t[]){255, 255, 255}), 3);
            jl_picture_free(&seen);
            EXPECT_INT(jl_panel_all_on(&stage.panel, false), JL_OK);
            expect_shown(&stage, make, &frame);
        }
        stage_close(&stage);
    }
}

/* What rolling and partial display do to the glass, row by row. */
static void roll_and_part(void) {
    static const struct {
        const char *make;
        const struct jl_motion *motion;
        int turn, top, rows, first;
        bool part; /* else roll */
        jl_status status;
    } rows[] = {
        {"ili9341 240x320", &jl_dcs_motion, 0, 40, 200, 33, false, JL_OK},
        {"ili9341 240x320", &jl_dcs_motion, JL_TURN_180, 40, 200, 33, false, JL_OK},
        {"ili9341 240x320", &jl_dcs_motion, JL_TURN_90, 0, 320, 319, false, JL_OK},
        {"st7735 128x160 offset", &jl_dcs_motion, 0, 10, 100, 7, false, JL_OK},
        {"st7735 128x160 offset", &jl_dcs_motion, 0, 10, 100, 0, false, JL_OK},
        {"st7789 135x240", &jl_dcs_motion, 0, 0, 240, 1, false, JL_OK},
        {"ssd1351 128x128", &jl_ssd_oled_motion, 0, 0, 128, 50, false, JL_OK},
        {"ssd1351 128x128", &jl_ssd_oled_motion, JL_TURN_180, 0, 128, 50, false, JL_OK},
        {"ssd1331 96x64", &jl_ssd_oled_motion, 0, 0, 64, 63, false, JL_OK},
        {"ssd1327 128x128", &jl_ssd_oled_motion, 0, 0, 128, 1, false, JL_OK},
        {"ssd1327 96x96", &jl_ssd_oled_motion, 0, 0, 96, 1, false, JL_UNSUPPORTED},
        {"ssd1351 128x128", &jl_ssd_oled_motion, 0, 8, 64, 1, false, JL_UNSUPPORTED},
        {"ssd1351 128x128", NULL, 0, 0, 128, 1, false, JL_NO_MOTION},
        {"ili9341 240x320", &jl_dcs_motion, 0, 300, 21, 0, false, JL_OUT_OF_RANGE},
        {"ili9341 240x320", &jl_dcs_motion, 0, -1, 20, 0, false, JL_OUT_OF_RANGE},
        {"ili9341 240x320", &jl_dcs_motion, 0, 0, 20, 20, false, JL_OUT_OF_RANGE},
        {"ili9341 240x320", &jl_dcs_motion, 0, 40, 100, 0, true, JL_OK},
        {"st7735 128x160 offset", &jl_dcs_motion, 0, 0, 9, 0, true, JL_OK},
        {"ssd1322 256x64", &jl_ssd1322_motion, 0, 16, 20, 0, true, JL_OK},
        {"ssd1322 256x64", &jl_ssd1322_motion, JL_TURN_180, 16, 20, 0, true, JL_OK},
        {"ssd1322 256x64", &jl_ssd1322_motion, 0, 60, 5, 0, true, JL_OUT_OF_RANGE},
        {"ssd1322 256x64", &jl_ssd1322_motion, 0, 0, 64, 1, false, JL_NO_MOTION},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = make_named(rows[i].make);
        struct stage stage;
        test_row("row %zu: %s", i, make->name);
        stage_open(&stage, make,
                   &(struct wish){.turn = (uint8_t)rows[i].turn, .motion = rows[i].motion});
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        fill_with_noise(&frame, 5);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        int16_t top = (int16_t)rows[i].top, count = (int16_t)rows[i].rows;
        EXPECT_INT(rows[i].part ? jl_panel_show_rows(&stage.panel, top, count)
                                : jl_panel_roll(&stage.panel, top, count, (int16_t)rows[i].first),
                   rows[i].status);
        struct jl_picture whole = stage_expected(&stage, &frame, make), expected;
        struct jl_picture seen = stage_look(&stage);
        EXPECT(jl_picture_create(&expected, make->width, make->height));
        for (int y = 0; y < make->height && rows[i].status == JL_OK; y++) {
            bool inside = y >= top && y < top + count;
            int source = inside ? top + (y - top + rows[i].first) % count : y;
            if (!rows[i].part || inside) {
                memcpy(jl_picture_at(&expected, 0, y), jl_picture_at(&whole, 0, source),
                       (size_t)make->width * 3);
            }
        }
        EXPECT_PICTURE(&seen, rows[i].status == JL_OK ? &expected : &whole, "rolled");
        stage_expect_content(&stage);
        if (rows[i].part && rows[i].status == JL_OK) {
            EXPECT_INT(jl_panel_show_rows(&stage.panel, 0, 0), JL_OK);
            expect_shown(&stage, make, &frame);
        }
        jl_picture_free(&seen);
        jl_picture_free(&whole);
        jl_picture_free(&expected);
        stage_close(&stage);
    }
}

/* ---- descriptions that cannot be ---- */

static void bad_descriptions(void) {
    static const struct jl_port_ops no_pins = {.send = note_send, .wait_us = note_wait};
    static const struct jl_port_ops no_send = {.wait_us = note_wait, .set_pin = note_pin};
    static const struct {
        const char *name, *text;
        struct jl_panel_config config;
        const struct jl_port_ops *ops;
        int most_bytes;
        jl_status status;
    } rows[] = {
        {"good",
         "ok",
         {.controller = &jl_st7789,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 135,
          .height = 240,
          .column_offset = 52,
          .row_offset = 40},
         NULL,
         0,
         JL_OK},
        {"past the columns",
         "column_offset",
         {.controller = &jl_st7789,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 135,
          .height = 240,
          .column_offset = 106,
          .row_offset = 40},
         NULL,
         0,
         JL_BAD_SIZE},
        {"past the rows",
         "row_offset",
         {.controller = &jl_st7789,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 135,
          .height = 240,
          .column_offset = 52,
          .row_offset = 81},
         NULL,
         0,
         JL_BAD_SIZE},
        {"offset below 0",
         "row_offset",
         {.controller = &jl_st7789,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 135,
          .height = 240,
          .column_offset = 52,
          .row_offset = -1},
         NULL,
         0,
         JL_BAD_SIZE},
        {"odd width on pairs",
         "addressed together",
         {.controller = &jl_ssd1327,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 127,
          .height = 128},
         NULL,
         0,
         JL_BAD_SIZE},
        {"strapped smaller",
         "RAM",
         {.controller = &jl_st7735_128x160,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 128,
          .height = 160,
          .column_offset = 2,
          .row_offset = 1},
         NULL,
         0,
         JL_BAD_SIZE},
        {"5-6-5 on serial ili9488",
         "config.format",
         {.controller = &jl_ili9488,
          .bus = &jl_bus_spi,
          .format = &jl_rgb565,
          .width = 320,
          .height = 480},
         NULL,
         0,
         JL_BAD_FORMAT},
        {"5-6-5 on parallel ili9488",
         "ok",
         {.controller = &jl_ili9488,
          .bus = &jl_bus_8080_8,
          .format = &jl_rgb565,
          .width = 320,
          .height = 480},
         NULL,
         0,
         JL_OK},
        {"bytes on 16 lines",
         "config.format",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_8080_16,
          .format = &jl_rgb565,
          .width = 240,
          .height = 320},
         NULL,
         0,
         JL_BAD_FORMAT},
        {"words on 8 lines",
         "config.format",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_8080_8,
          .format = &jl_rgb565_cpu,
          .width = 240,
          .height = 320},
         NULL,
         0,
         JL_BAD_FORMAT},
        {"usual bytes on 16 lines",
         "config.format",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_8080_16,
          .format = NULL,
          .width = 240,
          .height = 320},
         NULL,
         0,
         JL_BAD_FORMAT},
        {"grey on colour",
         "config.format",
         {.controller = &jl_ssd1351,
          .bus = &jl_bus_spi,
          .format = &jl_grey4,
          .width = 128,
          .height = 128},
         NULL,
         0,
         JL_BAD_FORMAT},
        {"left-aligned on ssd1351",
         "config.format",
         {.controller = &jl_ssd1351,
          .bus = &jl_bus_spi,
          .format = &jl_rgb666,
          .width = 128,
          .height = 128},
         NULL,
         0,
         JL_BAD_FORMAT},
        {"8-8-8 as 6-6-6",
         "ok",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_spi,
          .format = &jl_rgb888,
          .width = 240,
          .height = 320},
         NULL,
         0,
         JL_OK},
        {"I2C on a TFT",
         "config.bus",
         {.controller = &jl_st7735,
          .bus = &jl_bus_i2c,
          .format = NULL,
          .width = 128,
          .height = 160,
          .i2c_address = 0x3C},
         NULL,
         0,
         JL_BAD_BUS},
        {"16 lines on a grey part",
         "config.bus",
         {.controller = &jl_ssd1322,
          .bus = &jl_bus_8080_16,
          .format = NULL,
          .width = 256,
          .height = 64},
         NULL,
         0,
         JL_BAD_BUS},
        {"quarter turn of pairs",
         "config.turn",
         {.controller = &jl_ssd1327,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 128,
          .height = 128,
          .turn = JL_TURN_90},
         NULL,
         0,
         JL_BAD_TURN},
        {"no such turn",
         "config.turn",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 240,
          .height = 320,
          .turn = 8},
         NULL,
         0,
         JL_BAD_TURN},
        {"no pins",
         "port.ops",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 240,
          .height = 320},
         &no_pins,
         0,
         JL_BAD_PORT},
        {"no pins, 3 wires",
         "port.ops",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_spi_3wire,
          .format = NULL,
          .width = 240,
          .height = 320},
         &no_pins,
         0,
         JL_BAD_PORT},
        {"no send",
         "port.ops",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_spi,
          .format = NULL,
          .width = 240,
          .height = 320},
         &no_send,
         0,
         JL_BAD_PORT},
        {"half words",
         "port.ops",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_8080_16,
          .format = &jl_rgb565_cpu,
          .width = 240,
          .height = 320},
         NULL,
         33,
         JL_BAD_PORT},
        {"no room for nine bits",
         "port.ops",
         {.controller = &jl_ili9341,
          .bus = &jl_bus_spi_3wire,
          .format = NULL,
          .width = 240,
          .height = 320},
         NULL,
         1,
         JL_BAD_PORT},
        {"no bus",
         "bad argument",
         {.controller = &jl_ili9341, .bus = NULL, .format = NULL, .width = 240, .height = 320},
         NULL,
         0,
         JL_BAD_ARGUMENT},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_panel panel;
        struct jl_port port = {.ops = rows[i].ops ? rows[i].ops : &note_ops,
                               .context = &book,
                               .most_body_bytes = (uint16_t)rows[i].most_bytes};
        memset(&book, 0, sizeof book);
        test_row("%s", rows[i].name);
        jl_status status = jl_panel_open(&panel, &rows[i].config, &port);
        EXPECT_INT(status, rows[i].status);
        EXPECT_CONTAINS(jl_status_text(status), rows[i].text);
        EXPECT_INT((long long)book.length, 0);
        if (status != JL_OK) {
            EXPECT_INT(jl_panel_wake(&panel), JL_NOT_AWAKE);
            EXPECT_INT((long long)book.length, 0);
        }
    }
}

static void clock_warning(void) {
    static const struct {
        const struct jl_controller *controller;
        const struct jl_bus *bus;
        const struct jl_format *format;
        uint32_t clock_hz, limit_hz;
        jl_status status;
    } rows[] = {
        {&jl_ili9341, &jl_bus_spi, NULL, 10000000, 10000000, JL_OK},
        {&jl_ili9341, &jl_bus_spi, NULL, 40000000, 10000000, JL_CLOCK_TOO_FAST},
        {&jl_ili9341, &jl_bus_8080_8, NULL, 15000000, 15151515, JL_OK},
        {&jl_ili9341, &jl_bus_8080_16, &jl_rgb565_cpu, 20000000, 15151515, JL_CLOCK_TOO_FAST},
        {&jl_ssd1331, &jl_bus_spi, NULL, 8000000, 6666666, JL_CLOCK_TOO_FAST},
        {&jl_ssd1327, &jl_bus_i2c, NULL, 400000, 400000, JL_OK},
        {&jl_ssd1327, &jl_bus_i2c, NULL, 1000000, 400000, JL_CLOCK_TOO_FAST},
        {&jl_st7789, &jl_bus_spi, NULL, 0, 15151515, JL_OK}, /* not known */
        {&jl_sh1106, &jl_bus_spi_3wire, NULL, 4000001, 4000000, JL_CLOCK_TOO_FAST},
        {&jl_st7565, &jl_bus_6800_8, NULL, 5000000, 4166666, JL_CLOCK_TOO_FAST},
        {&jl_st7920, &jl_bus_st7920_serial, NULL, 2500000, 2500000, JL_OK},
        {&jl_st7920, &jl_bus_6800_8_paced, NULL, 900000, 833333, JL_CLOCK_TOO_FAST},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_port port = {.ops = &note_ops, .context = &book, .clock_hz = rows[i].clock_hz};
        struct jl_panel_config config = {.controller = rows[i].controller,
                                         .bus = rows[i].bus,
                                         .format = rows[i].format,
                                         .width = 64,
                                         .height = 64,
                                         .i2c_address = 0x3C};
        struct jl_panel panel;
        uint32_t limit = 0;
        test_row("row %zu", i);
        EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
        EXPECT_INT(jl_panel_check_clock(&panel, &limit), rows[i].status);
        EXPECT_INT(limit, rows[i].limit_hz);
        EXPECT_INT(jl_panel_check_clock(&panel, NULL), rows[i].status);
    }
    EXPECT_INT(jl_panel_check_clock(NULL, NULL), JL_BAD_ARGUMENT);
}

/* A caller cannot make a window that shears: sizes are checked, ends are computed. */
static void pieces_off_the_picture(void) {
    static const struct {
        const char *make;
        struct jl_rect area;
        jl_status status;
    } rows[] = {
        {"st7789 135x240", {0, 0, 135, 240}, JL_OK},
        {"st7789 135x240", {134, 239, 1, 1}, JL_OK},
        {"st7789 135x240", {0, 0, 136, 1}, JL_OUT_OF_RANGE},
        {"st7789 135x240", {0, 1, 1, 240}, JL_OUT_OF_RANGE},
        {"st7789 135x240", {-1, 0, 10, 10}, JL_OUT_OF_RANGE},
        {"st7789 135x240", {0, 0, 0, 10}, JL_OUT_OF_RANGE},
        {"st7789 135x240", {0, 0, 10, -1}, JL_OUT_OF_RANGE},
        {"st7789 135x240", {32767, 0, 32767, 1}, JL_OUT_OF_RANGE},
        {"ssd1327 128x128", {1, 0, 2, 1}, JL_OUT_OF_RANGE},
        {"ssd1327 128x128", {2, 0, 3, 1}, JL_OUT_OF_RANGE},
        {"ssd1322 256x64", {4, 0, 8, 1}, JL_OK},
        {"ssd1322 256x64", {2, 0, 8, 1}, JL_OUT_OF_RANGE},
    };
    static uint8_t pixels[135 * 240 * 2];
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_port port = {.ops = &note_ops, .context = &book};
        struct stage stage;
        test_row("row %zu", i);
        stage_open(&stage, make_named(rows[i].make), &(struct wish){0});
        EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
        EXPECT_INT(jl_panel_send(&stage.panel, rows[i].area, pixels, 270), JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        memset(&book, 0, sizeof book);
        EXPECT_INT(jl_panel_send(&stage.panel, rows[i].area, pixels, 270), rows[i].status);
        EXPECT_INT(book.length == 0, rows[i].status != JL_OK);
        EXPECT_INT(jl_panel_send(&stage.panel, rows[i].area, NULL, 270), JL_BAD_ARGUMENT);
        stage_close(&stage);
    }
}

/* A light with a pin of its own: dark until it is driven, whatever the controller shows. */
static void light_by_a_pin(void) {
    static const char *const names[] = {"st7789 135x240", "gc9a01 240x240"};
    for (size_t i = 0; i < sizeof names / sizeof names[0]; i++) {
        struct stage stage;
        const struct make *make = make_named(names[i]);
        test_row("%s", names[i]);
        stage_open(&stage, make, &(struct wish){.module_change = JL_MODULE_LIGHT_WIRED});
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_CONTAINS(jl_device_why_dark(stage.device), "the backlight is off");
        EXPECT_INT(jl_device_brightness(stage.device), 0);
        EXPECT_INT(jl_panel_light(&stage.panel, true), JL_OK);
        EXPECT(jl_device_why_dark(stage.device) == NULL);
        EXPECT(jl_device_light_on(stage.device));
        EXPECT_INT(jl_panel_light(&stage.panel, false), JL_OK);
        EXPECT_CONTAINS(jl_device_why_dark(stage.device), "the backlight is off");
        stage_close(&stage);

        stage_open(&stage, make, &(struct wish){0});
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT(jl_device_why_dark(stage.device) == NULL); /* not wired: always on */
        EXPECT_INT(jl_panel_light(&stage.panel, true), JL_UNSUPPORTED);
        EXPECT_INT(jl_panel_status(&stage.panel), JL_UNSUPPORTED);
        EXPECT_INT(jl_panel_contrast(&stage.panel, 0), JL_OK);
        EXPECT_CONTAINS(jl_device_why_dark(stage.device), "the brightness is 0: 51");
        EXPECT_INT(jl_panel_contrast(&stage.panel, 1), JL_OK);
        EXPECT(jl_device_why_dark(stage.device) == NULL);
        EXPECT_INT(jl_device_brightness(stage.device), 1);
        stage_close(&stage);
    }
    EXPECT_INT(jl_panel_light(NULL, true), JL_BAD_ARGUMENT);
}

/* What a toolkit draws in 16-bit words arrives as those colours, on SPI and on 16 lines. */
static void words_of_the_processor(void) {
    static const struct {
        const char *make;
        const struct jl_bus *bus;
        const struct jl_format *format;
        struct jl_rect area;
        size_t memory_bytes;
        jl_status status;
    } rows[] = {
        {"st7789 135x240", NULL, NULL, {5, 7, 40, 30}, 80, JL_OK},  /* a line at a time */
        {"st7789 135x240", NULL, NULL, {5, 7, 40, 30}, 300, JL_OK}, /* three and a bit */
        {"st7789 135x240", NULL, NULL, {5, 7, 40, 30}, 80 * 30, JL_OK},
        {"ssd1351 128x128", NULL, NULL, {0, 0, 40, 30}, 160, JL_OK},
        {"ili9341 240x320", &jl_bus_8080_16, &jl_rgb565_cpu, {5, 7, 40, 30}, 0, JL_OK},
        {"st7789 135x240", NULL, NULL, {5, 7, 40, 30}, 79, JL_TOO_SMALL},
        {"st7789 135x240", NULL, NULL, {120, 7, 40, 30}, 800, JL_OUT_OF_RANGE},
        {"st7789 135x240", NULL, &jl_rgb666, {5, 7, 40, 30}, 800, JL_BAD_FRAME_FORMAT},
        {"ssd1322 256x64", NULL, NULL, {4, 7, 40, 30}, 800, JL_BAD_FRAME_FORMAT},
    };
    static uint16_t pixels[48 * 30];
    static uint8_t memory[80 * 30];
    struct test_random random = {11};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = make_named(rows[i].make);
        struct stage stage;
        test_row("row %zu: %s", i, rows[i].make);
        stage_open(&stage, make, &(struct wish){.bus = rows[i].bus, .format = rows[i].format});
        EXPECT_INT(jl_panel_send_rgb565_cpu(&stage.panel, rows[i].area, pixels, 96, memory, 80),
                   JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_clear(&frame.target, JL_BLACK);
        for (size_t p = 0; p < sizeof pixels / sizeof pixels[0]; p++) {
            pixels[p] = (uint16_t)test_random_next(&random);
            unsigned red = pixels[p] >> 11, green = pixels[p] >> 5 & 63, blue = pixels[p] & 31;
            if (p % 48 < 40) { /* lines are 48 pixels apart */
                jl_draw_pixel(
                    &frame.target, (int16_t)(rows[i].area.x + (int)p % 48),
                    (int16_t)(rows[i].area.y + (int)p / 48),
                    JL_RGB(red << 3 | red >> 2, green << 2 | green >> 4, blue << 3 | blue >> 2));
            }
        }
        EXPECT_INT(jl_panel_send_rgb565_cpu(&stage.panel, rows[i].area, pixels, 96, memory,
                                            rows[i].memory_bytes),
                   rows[i].status);
        EXPECT_INT(jl_panel_status(&stage.panel), rows[i].status);
        if (rows[i].status == JL_OK) {
            stage_expect_shown(&stage, make, &frame);
            stage_expect_content(&stage);
            EXPECT_INT(jl_panel_send_rgb565_cpu(&stage.panel, rows[i].area, NULL, 96, memory, 80),
                       JL_BAD_ARGUMENT);
        }
        stage_close(&stage);
    }
    EXPECT_INT(jl_panel_send_rgb565_cpu(NULL, rows[0].area, pixels, 96, memory, 80),
               JL_BAD_ARGUMENT);
}

const struct test_group test_groups[] = {
    {"light_by_a_pin", light_by_a_pin},
    {"words_of_the_processor", words_of_the_processor},
    {"every_size_turn_order_and_format", every_size_turn_order_and_format},
    {"every_bus", every_bus},
    {"inverted_and_turned_at_run_time", inverted_and_turned_at_run_time},
    {"test_cards", test_cards},
    {"row_offset_of_oleds", row_offset_of_oleds},
    {"sleep_idle_and_light", sleep_idle_and_light},
    {"roll_and_part", roll_and_part},
    {"bad_descriptions", bad_descriptions},
    {"clock_warning", clock_warning},
    {"pieces_off_the_picture", pieces_off_the_picture},
    {NULL, NULL},
};
