/*
 * Monochrome OLED and LCD controllers: for every size, turn, mounting and bus the glass shows what
 * the frame holds; the exact bytes of a page write and of settings; what mistakes look like.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "kinds.h"
#include "notebook.h"
#include "naive_packer.h"
#include "raw.h"
#include "stage.h"

#define COLUMNS                                                                                    \
    { &jl_mono_columns, NULL, NULL }
#define ROWS                                                                                       \
    { &jl_mono_rows, NULL, NULL }
#define LCD(part) &jl_##part, &jl_emulated_##part

static const struct make mono_makes[] = {
    {"ssd0303 96x32", LCD(ssd0303), 96, 32, 36, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"ssd0303 132x64", LCD(ssd0303), 132, 64, 0, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"ssd1305 128x64", LCD(ssd1305), 128, 64, 4, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"ssd1305 128x32", LCD(ssd1305), 128, 32, 4, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"ssd1309 128x64", LCD(ssd1309), 128, 64, 0, 0, 0, 0, 0, 10000000, 300, COLUMNS, false, NULL},
    {"ssd1315 128x64", LCD(ssd1315), 128, 64, 0, 0, 0, 0, 0, 10000000, 300, COLUMNS, false, NULL},
    {"sh1106 128x64", LCD(sh1106), 128, 64, 2, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"sh1106 132x64", LCD(sh1106), 132, 64, 0, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"sh1106 72x40", LCD(sh1106), 72, 40, 30, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"sh1107 128x128", LCD(sh1107), 128, 128, 0, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"sh1107 64x128", LCD(sh1107), 64, 128, 32, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"sh1107 100x96", LCD(sh1107), 100, 96, 8, 0, 0, 0, 0, 4000000, 300, COLUMNS, false, NULL},
    {"st7565 128x64", LCD(st7565), 128, 64, 0, 0, 0, 0, 0, 20000000, 240, COLUMNS, false, NULL},
    {"st7565 132x64", LCD(st7565), 132, 64, 0, 0, 0, 0, 0, 20000000, 240, COLUMNS, false, NULL},
    {"st7567 128x64", LCD(st7567), 128, 64, 0, 0, 0, 0, 0, 20000000, 240, COLUMNS, false, NULL},
    {"uc1701 128x64", LCD(uc1701), 128, 64, 0, 0, 0, 0, 0, 10000000, 150, COLUMNS, false, NULL},
    {"uc1609 192x64", LCD(uc1609), 192, 64, 0, 0, 0, 0, 0, 10000000, 150, COLUMNS, false, NULL},
    {"uc1609 160x64", LCD(uc1609), 160, 64, 8, 0, 0, 0, 0, 10000000, 150, COLUMNS, false, NULL},
    {"ks0108 128x64", LCD(ks0108), 128, 64, 0, 0, 0, 0, 0, 0, 1000, COLUMNS, false,
     &jl_bus_6800_8_paced},
    {"ks0108 192x64", LCD(ks0108), 192, 64, 0, 0, 0, 0, 0, 0, 1000, COLUMNS, false,
     &jl_bus_6800_8_paced},
    {"ks0108 150x64", LCD(ks0108), 150, 64, 0, 0, 0, 0, 0, 0, 1000, COLUMNS, false,
     &jl_bus_6800_8_paced},
    {"ks0108 100x64", LCD(ks0108), 100, 64, 0, 0, 0, 0, 0, 0, 1000, COLUMNS, false,
     &jl_bus_6800_8_paced},
    {"sed1520 122x32", LCD(sed1520), 122, 32, 0, 0, 0, 0, 0, 0, 1000, COLUMNS, false,
     &jl_bus_6800_8},
    {"t6963c 240x128", LCD(t6963c), 240, 128, 0, 0, 0, 0, 0, 0, 1000, ROWS, false, &jl_bus_t6963c},
    {"t6963c 240x64", LCD(t6963c), 240, 64, 0, 0, 0, 0, 0, 0, 1000, ROWS, false, &jl_bus_t6963c},
    {"t6963c 128x64", LCD(t6963c), 128, 64, 0, 0, 0, 0, 0, 0, 1000, ROWS, false, &jl_bus_t6963c},
    {"ws0010 100x16", LCD(ws0010_graphics), 100, 16, 0, 0, 0, 0, 0, 0, 1000, COLUMNS, false,
     &jl_bus_6800_8_paced},
    {"pcd8544 84x48", LCD(pcd8544), 84, 48, 0, 0, 0, 0, 0, 4000000, 0, COLUMNS, false, NULL},
    {"st7920 128x64", LCD(st7920), 128, 64, 0, 0, 0, 0, 0, 2500000, 1200, ROWS, false,
     &jl_bus_st7920_serial},
};

enum { MONO_MAKES = sizeof mono_makes / sizeof mono_makes[0] };

static const struct make *mono_named(const char *name) {
    for (int i = 0; i < MONO_MAKES; i++) {
        if (strcmp(mono_makes[i].name, name) == 0) {
            return &mono_makes[i];
        }
    }
    EXPECT(false);
    return &mono_makes[0];
}

/* Every pixel its own: a wrong offset, turn or bit order cannot hide. */
static void fill_with_noise(struct jl_frame *frame, uint32_t seed) {
    struct test_random random = {seed + 1};
    size_t rows = (size_t)frame->target.bounds.h >> frame->format->line_rows_log2;
    for (size_t i = 0; i < rows * frame->stride_bytes; i++) {
        frame->pixels[i] = (uint8_t)(test_random_next(&random) >> 11);
    }
}

static void expect_shown(struct stage *stage, const struct make *make, struct jl_frame *frame) {
    stage_expect_shown(stage, make, frame);
    stage_expect_content(stage);
}

/* Whole, then a part in the middle that changes; both ways. */
static void expect_noise_on_glass(const struct make *make, const struct wish *wish) {
    struct stage stage;
    struct jl_damage damage;
    stage_open(&stage, make, wish);
    struct jl_frame frame = stage_frame(&stage, 0);
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    fill_with_noise(&frame, wish->turn);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    expect_shown(&stage, make, &frame);
    struct jl_rect part = {19, 11, 30, 13};
    jl_fill_rect(&frame.target, part, JL_WHITE);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    expect_shown(&stage, make, &frame);
    stage_close(&stage);
}

static void every_size_turn_and_mounting(void) {
    for (int i = 0; i < MONO_MAKES; i++) {
        const struct make *make = &mono_makes[i];
        for (int turn = 0; turn < 8; turn++) {
            if (!(make->controller->turns >> turn & 1)) {
                continue;
            }
            for (int mounting = 0; mounting < (make->controller->turns == 1 ? 1 : 4); mounting++) {
                struct wish wish = {.turn = (uint8_t)turn,
                                    .module_change = (uint8_t)(mounting * JL_MODULE_MIRROR_X)};
                test_row("%s, turn %d, mounting %d", make->name, turn, mounting);
                expect_noise_on_glass(make, &wish);
            }
        }
    }
}

static void every_bus(void) {
    static const struct jl_bus *const buses[] = {
        &jl_bus_i2c,    &jl_bus_spi,          &jl_bus_spi_3wire,     &jl_bus_8080_8,
        &jl_bus_6800_8, &jl_bus_6800_8_paced, &jl_bus_st7920_serial, &jl_bus_t6963c};
    int buses_seen = 0;
    for (int i = 0; i < MONO_MAKES; i++) {
        for (size_t bus = 0; bus < sizeof buses / sizeof buses[0]; bus++) {
            bool slow = buses[bus] == &jl_bus_6800_8_paced;
            const struct jl_controller *controller = mono_makes[i].controller;
            if (!(controller->buses >> buses[bus]->kind & 1) ||
                (buses[bus]->kind == JL_BUS_6800_8 && slow != (controller->byte_us > 0)) ||
                (controller == &jl_t6963c) != (buses[bus] == &jl_bus_t6963c)) {
                continue;
            }
            for (int rich = 0; rich < (buses[bus] == &jl_bus_i2c ? 1 : 2); rich++) {
                struct wish wish = {.bus = buses[bus],
                                    .ops = rich ? &jl_sim_port_rich_ops : &jl_sim_port_ops};
                test_row("%s, bus %zu, rich %d", mono_makes[i].name, bus, rich);
                expect_noise_on_glass(&mono_makes[i], &wish);
                buses_seen++;
            }
        }
    }
    EXPECT_INT(buses_seen, 12 * (1 + 4 * 2) + 3 * (3 * 2) + 3 * (4 * 2) + 1 * 2 + 2 * 2 + 2 * 2 +
                               5 * 2 + 3 * 2);
}

/* Bands, drawing without a frame, conversion, pieces and asynchronous presents take pages apart. */
static void other_ways_to_send(void) {
    static uint8_t memory[2][512];
    for (int i = 0; i < MONO_MAKES; i++) {
        const struct make *make = &mono_makes[i];
        for (int way = 0; way < 6; way++) {
            struct stage stage;
            struct jl_async async;
            struct jl_bands bands;
            test_row("%s, way %d", make->name, way);
            stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
            struct jl_frame frame = stage_frame(&stage, 0);
            int unit = make->controller->column_unit;
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
            if (way < 3) {
                jl_status status = JL_OK;
                struct jl_direct direct;
                if (way == 0) {
                    status = jl_bands_begin(&bands, &stage.panel, memory[0], 300);
                } else if (way == 1) {
                    status = jl_bands_begin_async(&bands, &async, memory[0], memory[1], 300);
                } else {
                    status = jl_direct_init(&direct, &stage.panel, memory[0], 50);
                    EXPECT_INT(status, unit > 1 ? JL_UNSUPPORTED : JL_OK);
                }
                if (way == 2 && unit == 1) {
                    /* whole pages, which it need not read back */
                    struct jl_rect areas[] = {{5, 8, 40, 16}, {50, 0, 9, 32}, {70, 16, 1, 8}};
                    for (int area = 0; area < 3; area++) {
                        jl_fill_rect(&frame.target, areas[area], JL_WHITE);
                        jl_fill_rect(&direct.target, areas[area], JL_WHITE);
                    }
                    EXPECT_INT(direct.status, JL_OK);
                } else if (way < 2) {
                    EXPECT_INT(status, JL_OK);
                    jl_draw_test_card(&frame.target, "all ways");
                    while (jl_bands_next(&bands)) {
                        jl_draw_test_card(&bands.frame.target, "all ways");
                    }
                    EXPECT_INT(jl_bands_end(&bands), JL_OK);
                } else {
                    stage_close(&stage);
                    continue;
                }
            } else if (way == 3) {
                fill_with_noise(&frame, 5);
                EXPECT_INT(jl_async_present(&async, &frame), JL_OK);
                EXPECT_INT(jl_async_finish(&async), JL_OK);
            } else if (way == 4) {
                struct jl_rect area = {0, 8, (int16_t)(unit > 1 ? 48 : 37),
                                       (int16_t)(make->height < 32 ? 8 : 24)};
                fill_with_noise(&frame, 6);
                EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
                fill_with_noise(&frame, 7);
                const uint8_t *from =
                    frame.pixels + (frame.format == &jl_mono_rows ? 8u : 1u) * frame.stride_bytes;
                EXPECT_INT(jl_panel_send(&stage.panel, area, from, frame.stride_bytes), JL_OK);
                EXPECT_INT(jl_async_send(&async, area, from, frame.stride_bytes), JL_OK);
                EXPECT_INT(jl_async_finish(&async), JL_OK);
                /* the rest as before */
                struct jl_frame other = stage_frame(&stage, 1);
                fill_with_noise(&other, 6);
                struct jl_picture before = stage_expected(&stage, &other, make);
                struct jl_picture after = stage_expected(&stage, &frame, make);
                struct jl_picture seen = stage_look(&stage);
                for (int y = 0; y < make->height; y++) {
                    for (int x = 0; x < make->width; x++) {
                        bool in = x < area.w && y >= 8 && y < 8 + area.h;
                        memcpy(jl_picture_at(&before, x, y),
                               jl_picture_at(in ? &after : &before, x, y), 3);
                    }
                }
                EXPECT_PICTURE(&seen, &before, "piece");
                jl_picture_free(&before);
                jl_picture_free(&after);
                jl_picture_free(&seen);
                stage_close(&stage);
                continue;
            } else {
                static uint8_t greys[JL_GREY4_BYTES(240, 128)];
                struct jl_frame grey;
                EXPECT_INT(jl_frame_init(&grey, &jl_grey4, stage.panel.width, stage.panel.height,
                                         greys, sizeof greys),
                           JL_OK);
                jl_draw_test_card(&grey.target, "grey");
                jl_draw_test_card(&frame.target, "grey");
                EXPECT_INT(jl_panel_present_as(&stage.panel, &grey, memory[0], 64), JL_OK);
            }
            expect_shown(&stage, make, &frame);
            stage_close(&stage);
        }
    }
}

static void inverted_slept_and_rolled(void) {
    for (int i = 0; i < MONO_MAKES; i++) {
        const struct make *make = &mono_makes[i];
        /* nothing of them can be set */
        bool fixed = make->controller == &jl_st7920 || make->controller == &jl_t6963c ||
                     make->controller == &jl_ws0010_graphics || make->controller == &jl_ks0108 ||
                     make->controller == &jl_sed1520;
        struct stage stage;
        test_row("%s", make->name);
        stage_open(&stage, make, &(struct wish){.motion = &jl_start_line_motion});
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        fill_with_noise(&frame, 3);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
        jl_board_wait_ps(stage.board, 1000000000);
        EXPECT(jl_device_why_dark(stage.device) != NULL);
        EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
        expect_shown(&stage, make, &frame);
        if (fixed) {
            EXPECT_INT(jl_panel_invert(&stage.panel, true), JL_UNSUPPORTED);
            EXPECT_INT(jl_panel_contrast(&stage.panel, 9), JL_UNSUPPORTED);
            EXPECT_INT(jl_panel_turn(&stage.panel, JL_TURN_180), JL_BAD_TURN);
            expect_shown(&stage, make, &frame);
            stage_close(&stage);
            continue;
        }
        EXPECT_INT(jl_panel_invert(&stage.panel, true), JL_OK);
        struct jl_picture upright = stage_expected(&stage, &frame, make);
        struct jl_picture seen = stage_look(&stage);
        size_t wrong = 0;
        for (size_t at = 0; at < (size_t)make->width * (size_t)make->height * 3; at++) {
            wrong += seen.rgb[at] + upright.rgb[at] != 255;
        }
        EXPECT_INT((long long)wrong, 0);
        jl_picture_free(&seen);
        EXPECT_INT(jl_panel_all_on(&stage.panel, true), JL_OK);
        seen = stage_look(&stage);
        for (size_t at = 0; at < (size_t)make->width * (size_t)make->height * 3; at++) {
            wrong += seen.rgb[at] != 255;
        }
        EXPECT_INT((long long)wrong, 0);
        jl_picture_free(&seen);
        EXPECT_INT(jl_panel_all_on(&stage.panel, false), JL_OK);
        EXPECT_INT(jl_panel_invert(&stage.panel, false), JL_OK);
        expect_shown(&stage, make, &frame);

        bool turns = make->controller != &jl_pcd8544;
        bool rolls = turns && make->height == 64;
        EXPECT_INT(jl_panel_turn(&stage.panel, JL_TURN_180), turns ? JL_OK : JL_BAD_TURN);
        for (int turned = turns; turned >= 0; turned--) {
            uint8_t turn = turned ? JL_TURN_180 : JL_TURN_0;
            if (turns) {
                EXPECT_INT(jl_panel_turn(&stage.panel, turn), JL_OK);
            }
            stage.config.turn = turn;
            EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
            EXPECT_INT(jl_panel_roll(&stage.panel, 0, (int16_t)make->height, 5),
                       rolls ? JL_OK : JL_UNSUPPORTED);
            struct jl_picture flat = stage_expected(&stage, &frame, make);
            struct jl_picture rolled = stage_expected(&stage, &frame, make);
            for (int y = 0; y < make->height; y++) {
                int from = rolls ? (y + 5) % make->height : y;
                memcpy(jl_picture_at(&rolled, 0, y), jl_picture_at(&flat, 0, from),
                       (size_t)make->width * 3);
            }
            seen = stage_look(&stage);
            EXPECT_PICTURE(&seen, &rolled, "rolled");
            jl_picture_free(&seen);
            jl_picture_free(&flat);
            jl_picture_free(&rolled);
            EXPECT_INT(jl_panel_roll(&stage.panel, 0, (int16_t)make->height, 0),
                       rolls ? JL_OK : JL_UNSUPPORTED);
            expect_shown(&stage, make, &frame);
        }
        jl_picture_free(&upright);
        stage_close(&stage);
    }
}

/* ---- exact bytes ---- */

static struct notebook book;

static void note_stage(struct stage *stage, struct jl_port *port, const char *name, uint8_t turn) {
    *port = (struct jl_port){.ops = &note_ops, .context = &book};
    stage_open(stage, mono_named(name), &(struct wish){.turn = turn});
    memset(&book, 0, sizeof book);
    book.kept = 8;
    EXPECT_INT(jl_panel_open(&stage->panel, &stage->config, port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage->panel), JL_OK);
    memset(&book, 0, sizeof book);
    book.kept = 64;
}

/* Columns 10 to 12 of the second and third page, from each command table. */
static void page_write_bytes(void) {
    static const struct {
        const char *make;
        uint8_t turn;
        const char *expected;
        int16_t x, w; /* 0: three columns from 10 on */
    } rows[] = {
        {"ssd1309 128x64", 0, "C210A0C220102 DA5A5A5A5A5A5", 0, 0},
        {"ssd1315 128x64", 0, "C210A0C220102 DA5A5A5A5A5A5", 0, 0},
        /* the fifth column is the first */
        {"ssd1305 128x64", 0, "C210E10220102 DA5A5A5A5A5A5", 0, 0},
        /* mirrored: 132 - 128 - 4 = 0 */
        {"ssd1305 128x64", JL_TURN_180, "C210A0C220102 DA5A5A5A5A5A5", 0, 0},
        /* column 12 = 0Ch: B0 + page, 10 + 0, 00 + C */
        {"sh1106 128x64", 0, "CB1100C DA5A5A5 CB2100C DA5A5A5", 0, 0},
        {"ssd0303 132x64", 0, "CB1100A DA5A5A5 CB2100A DA5A5A5", 0, 0},
        {"sh1107 64x128", 0, "CB1100A DA5A5A5 CB2100A DA5A5A5", 0, 0},
        {"sh1107 100x96", JL_TURN_180, "CB5100A DA5A5A5 CB6100A DA5A5A5", 0, 0}, /* 32 rows on */
        {"sh1106 72x40", 0, "CB11208 DA5A5A5 CB21208 DA5A5A5", 0, 0},            /* 40 = 28h */
        {"st7565 128x64", 0, "CB1100A DA5A5A5 CB2100A DA5A5A5", 0, 0},
        /* reversed ADC: four columns further on */
        {"st7565 128x64", JL_TURN_180, "CB1100E DA5A5A5 CB2100E DA5A5A5", 0, 0},
        {"uc1609 160x64", 0, "CB11102 DA5A5A5 CB21102 DA5A5A5", 0, 0},
        {"uc1609 160x64", JL_TURN_MIRROR, "CB11202 DA5A5A5 CB21202 DA5A5A5", 0, 0}, /* 24 on */
        {"uc1701 128x64", JL_TURN_MIRROR, "CB1100E DA5A5A5 CB2100E DA5A5A5", 0, 0},
        {"st7567 128x64", 0, "CB1100A DA5A5A5 CB2100A DA5A5A5", 0, 0},
        {"pcd8544 84x48", 0, "C8A41 DA5A5A5 C8A42 DA5A5A5", 0, 0},
        /* after 16 columns the lower digit is where it was; at the RAM's end the column stops */
        {"sh1106 128x64", 0, "CB11102 DA5A5A5A5A5A5.. CB211 DA5A5A5A5A5A5..", 16, 16},
        {"st7565 128x64", 0, "CB11000 DA5A5A5A5A5A5.. CB210 DA5A5A5A5A5A5..", 0, 128},
        {"st7565 128x64", JL_TURN_180, "CB11004 DA5A5A5A5A5A5.. CB21004 DA5A5A5A5A5A5..", 0, 128},
        {"st7565 128x64", JL_TURN_180, "CB11004 DA5A5A5A5A5A5.. CB210 DA5A5A5A5A5A5..", 0, 112},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage stage;
        struct jl_port port;
        uint8_t pixels[256];
        int16_t x = rows[i].w ? rows[i].x : 10, w = rows[i].w ? rows[i].w : 3;
        test_row("%s, turn %d", rows[i].make, rows[i].turn);
        note_stage(&stage, &port, rows[i].make, rows[i].turn);
        book.kept = 6;
        memset(pixels, 0xA5, sizeof pixels);
        EXPECT_INT(jl_panel_send(&stage.panel, (struct jl_rect){x, 8, w, 16}, pixels, (uint16_t)w),
                   JL_OK);
        EXPECT_TEXT(book.text, rows[i].expected);
        stage_close(&stage);
    }
}

static void setting_bytes(void) {
    static const struct {
        const char *make, *contrast, *all_on, *inverted, *sleep, *resume;
    } rows[] = {
        {"ssd1305 128x64", "C8160", "CA5", "CA7", "CAE", "CAF"},
        {"ssd1309 128x64", "C8160", "CA5", "CA7", "CAE", "CAF"},
        {"ssd1315 128x64", "C8160", "CA5", "CA7", "CAE", "CAF"},
        {"sh1107 128x128", "C8160", "CA5", "CA7", "CAE", "CAF"},
        {"sh1106 128x64", "C8160", "CA5", "CA7", "CAE", "CAF"},
        {"ssd0303 132x64", "C8160", "CA5", "CA7", "CAE", "CAF"},
        /* 6 bits of volume; power save is AE with A5 */
        {"st7565 128x64", "C8118", "CA5", "CA7", "CAEA5", "CA4AF"},
        {"st7567 128x64", "C8118", "CA5", "CA7", "CAEA5", "CA4AF"},
        {"uc1609 192x64", "C8160", "CA5", "CA7", "CAE", "CAF"},
        {"uc1701 128x64", "C8118", "CA5", "CA7", "CAEA5", "CA4AF"},
        /* 7 bits of Vop, in the extended set, which is left again */
        {"pcd8544 84x48", "C21B020", "C09", "C0D", "C24", "C20"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage stage;
        struct jl_port port;
        test_row("%s", rows[i].make);
        note_stage(&stage, &port, rows[i].make, 0);
        const char *expected[] = {rows[i].contrast, rows[i].all_on, rows[i].inverted, rows[i].sleep,
                                  rows[i].resume};
        for (int call = 0; call < 5; call++) {
            jl_status status = JL_OK;
            memset(&book, 0, sizeof book);
            book.kept = 8;
            switch (call) {
            case 0:
                status = jl_panel_contrast(&stage.panel, 0x60);
                break;
            case 1:
                status = jl_panel_all_on(&stage.panel, true);
                break;
            case 2:
                status = jl_panel_invert(&stage.panel, true);
                break;
            case 3:
                status = jl_panel_sleep(&stage.panel);
                break;
            default:
                status = jl_panel_resume(&stage.panel);
                break;
            }
            EXPECT_INT(status, JL_OK);
            EXPECT_TEXT(book.text, expected[call]);
        }
        stage_close(&stage);
    }
}

/* The wake-up of a pcd8544 to the byte, by its instruction set: temperature 04, bias 1:48 13. */
static void pcd8544_wake_up_bytes(void) {
    struct jl_port port = {.ops = &note_ops, .context = &book};
    struct stage stage;
    stage_open(&stage, mono_named("pcd8544 84x48"), &(struct wish){0});
    memset(&book, 0, sizeof book);
    book.kept = 8;
    EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT(strncmp(book.text, "C21041320 C2008 C", 17) == 0); /* and blank while RAM is noise */
    stage_close(&stage);
}

/* Who makes the panel's voltage is the last that a wake-up says before it switches on: AD 8B the
 * controller's converter, AD 8A somebody else. */
static void supplies(void) {
    static const char *const names[] = {"sh1106 128x64", "ssd0303 132x64", "sh1107 128x128"};
    for (size_t i = 0; i < sizeof names / sizeof names[0]; i++) {
        for (int external = 0; external < 2; external++) {
            struct jl_port port = {.ops = &note_ops, .context = &book};
            struct stage stage;
            stage_open(&stage, mono_named(names[i]), &(struct wish){0});
            stage.config.module |= external ? JL_MODULE_EXTERNAL_SUPPLY : 0;
            memset(&book, 0, sizeof book);
            book.kept = 64;
            EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            test_row("%s, external %d", names[i], external);
            EXPECT_CONTAINS(book.text, external ? "AD8A" : "AD8B");
            EXPECT(!strstr(book.text, external ? "AD8B" : "AD8A"));
            EXPECT(!strstr(book.text, "8A8B"));
            stage_close(&stage);
        }
    }
}

/* st7920: the sync byte, nibbles in the upper halves, and two rows of the glass an address. */
static void synced_bytes(void) {
    struct jl_port port = {.ops = &note_ops, .context = &book};
    struct stage stage;
    uint8_t pixels[2] = {0x12, 0xEF};
    stage_open(&stage, mono_named("st7920 128x64"), &(struct wish){0});
    memset(&book, 0, sizeof book);
    book.selected_high = true;
    EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    for (int lower = 0; lower < 2; lower++) {
        struct jl_rect area = {32, (int16_t)(5 + 32 * lower), 16, 1};
        memset(&book, 0, sizeof book);
        book.selected_high = true;
        book.kept = 8;
        EXPECT_INT(jl_panel_send(&stage.panel, area, pixels, 2), JL_OK);
        /* row 5; column 2 of 16 pixels, or 8 more */
        EXPECT_TEXT(book.text,
                    lower ? "CF88050 C80A0 CFA1020 CE0F0" : "CF88050 C8020 CFA1020 CE0F0");
    }
    struct jl_frame frame = stage_frame(&stage, 0);
    memset(&book, 0, sizeof book);
    book.selected_high = true;
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    /* 32 addresses of 2 bytes with 16 and 16 bytes behind each: a transfer a byte */
    EXPECT_INT(book.transfers, 32 * (2 + 32));
    /* The upper 40 rows: 8 that have another one behind them, 24 that have not. */
    struct jl_damage damage;
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    jl_fill_rect(&frame.target, (struct jl_rect){0, 0, 128, 40}, JL_WHITE);
    memset(&book, 0, sizeof book);
    book.selected_high = true;
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    EXPECT_INT(book.transfers, 8 * (2 + 32) + 24 * (2 + 16));
    stage_close(&stage);
}

/* ---- images in the panel's own format ---- */

/* Sent plain or packed, with memory for some lines or just one, they are what a frame shows. */
static void images_without_a_frame(void) {
    static const char *const names[] = {"sh1106 128x64", "st7565 128x64", "st7920 128x64",
                                        "pcd8544 84x48"};
    for (int i = 0; i < 5 * 3; i++) {
        static uint8_t packed[140000];
        static uint8_t memory[5000];
        struct stage stage;
        const struct make *make =
            i / 3 < 4 ? mono_named(names[i / 3]) : make_named("st7789 135x240");
        test_row("%s, way %d", make->name, i % 3);
        stage_open(&stage, make, &(struct wish){0});
        struct jl_frame frame = stage_frame(&stage, 0);
        jl_draw_test_card(&frame.target, "image");
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        struct jl_image image = jl_image_of_frame(&frame);
        unsigned bits = frame.format->bits_per_pixel;
        size_t line = frame.stride_bytes;
        size_t lines = (size_t)image.height >> frame.format->line_rows_log2;
        if (i % 3) {
            size_t unit = bits < 8 ? 1 : bits / 8;
            size_t bytes = pack_lines(frame.pixels, line / unit, unit, lines, NULL, packed);
            EXPECT(bytes < sizeof packed);
            image.pixels = packed;
            image.packing = &jl_packing_runs;
        }
        size_t room = i % 3 == 2 ? line : sizeof memory;
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &image, memory, room), JL_OK);
        struct jl_picture seen = stage_look(&stage),
                          expected = stage_expected(&stage, &frame, make);
        EXPECT_PICTURE(&seen, &expected, "image");
        jl_picture_free(&seen);
        jl_picture_free(&expected);
        stage_expect_content(&stage);
        if (image.packing) {
            EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &image, memory, line - 1),
                       JL_TOO_SMALL);
            EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &image, NULL, 0), JL_BAD_ARGUMENT);
        }
        EXPECT_INT(jl_panel_send_image(&stage.panel, 16, 0, &image, memory, room), JL_OUT_OF_RANGE);
        static const struct {
            int16_t width, height;
        } no_sizes[] = {{0, 8}, {8, 0}, {-8, 8}, {8, -8}, {INT16_MIN, INT16_MIN}};
        for (size_t k = 0; k < sizeof no_sizes / sizeof no_sizes[0]; k++) {
            struct jl_image bad = image;
            bad.width = no_sizes[k].width;
            bad.height = no_sizes[k].height;
            EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &bad, memory, room),
                       JL_BAD_ARGUMENT);
        }
        EXPECT_INT(jl_panel_send_image(NULL, 0, 0, &image, memory, room), JL_BAD_ARGUMENT);
        image.has_key = true;
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &image, memory, room), JL_UNSUPPORTED);
        image.has_key = false;
        image.format = &jl_grey2;
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &image, memory, room), JL_UNSUPPORTED);
        stage_close(&stage);
    }
}

/* A glass that ends within a page of its RAM takes pictures down to its edge, and none below. */
static void images_on_half_a_page(void) {
    const struct make make = {.name = "ssd1306 128x36",
                              .controller = &jl_ssd1306,
                              .emulator = &jl_emulated_ssd1306,
                              .width = 128,
                              .height = 36,
                              .clock_hz = 8000000};
    static uint8_t memory[1024], packed[2048];
    struct stage stage;
    stage_open(&stage, &make, &(struct wish){0});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    jl_draw_test_card(&frame.target, "edge");
    struct jl_image image = jl_image_of_frame(&frame);
    for (int way = 0; way < 3; way++) {
        test_row("way %d", way);
        if (way == 1) {
            EXPECT(pack_lines(frame.pixels, 128, 1, 5, NULL, packed) < sizeof packed);
            image.pixels = packed;
            image.packing = &jl_packing_runs;
        }
        size_t room = way == 2 ? 128 : sizeof memory;
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 0, &image, memory, room), JL_OK);
        stage_expect_shown(&stage, &make, &frame);
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, 8, &image, memory, room), JL_OUT_OF_RANGE);
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, -8, &image, memory, room), JL_OUT_OF_RANGE);
        EXPECT_INT(jl_panel_send_image(&stage.panel, 0, INT16_MAX, &image, memory, room),
                   JL_OUT_OF_RANGE);
    }
    stage_close(&stage);
}

/* ---- mistakes ---- */

/* Picture bytes that a script writes: page by page, 128 of column x being x * 37 + page. */
static void write_pages(struct raw *raw, int first_column) {
    for (int page = 0; page < 8; page++) {
        uint8_t at[3] = {(uint8_t)(0xB0 + page), (uint8_t)(0x10 | first_column >> 4),
                         (uint8_t)(first_column & 15)};
        uint8_t bytes[128];
        for (int x = 0; x < 128; x++) {
            bytes[x] = (uint8_t)(x * 37 + page * 11);
        }
        raw_send(raw, false, at, 3);
        raw_send(raw, true, bytes, 128);
    }
}

static bool written(int x, int y) {
    return (uint8_t)(x * 37 + y / 8 * 11) >> (y % 8) & 1;
}

/* G04: a 128-column program on 132 columns. ADC reversed: mirrored, and four columns off. */
static void wrong_columns(void) {
    static const struct {
        const char *name;
        const struct jl_emulated_part *part;
        const char *script;
        int offset, first_column, shift;
        bool mirrored;
        const char *says;
    } rows[] = {
        {"sh1106 right", &jl_emulated_sh1106, "R ~1 CA1 CC8 CAF", 2, 2, 0, false, NULL},
        {"sh1106 without the offset", &jl_emulated_sh1106, "R ~1 CA1 CC8 CAF", 2, 0, 2, false,
         "columns 126 to 127 of the glass show noise"},
        {"st7565 right", &jl_emulated_st7565, "R ~1 C25 CC8 C2C ~50 C2E ~50 C2F ~10 CAF", 0, 0, 0,
         false, NULL},
        {"st7565 from column 4", &jl_emulated_st7565, "R ~1 C25 CC8 C2C ~50 C2E ~50 C2F ~10 CAF", 0,
         4, -4, false, "columns 0 to 3 of the glass show noise"},
        {"st7565 ADC reversed", &jl_emulated_st7565, "R ~1 CA1 C25 CC8 C2C ~50 C2E ~50 C2F ~10 CAF",
         0, 0, 4, true, "columns 0 to 3 of the glass show noise"},
        {"uc1701 MX with +4", &jl_emulated_uc1701, "R ~6 CA1 C25 CC8 C2C ~50 C2E ~50 C2F ~10 CAF",
         0, 4, 0, true, "the picture is mirrored on this glass"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_glass glass = {.width = 128, .height = 64, .column_offset = rows[i].offset};
        struct raw raw = raw_open(rows[i].part, glass, 4000000);
        struct jl_picture picture;
        int wrong = 0, unwritten = 0, unwritten_lit = 0;
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        write_pages(&raw, rows[i].first_column);
        raw_play(&raw, "~200");
        EXPECT(jl_device_picture(raw.device, &picture));
        for (int y = 0; y < 64; y++) {
            for (int x = 0; x < 128; x++) {
                int from = (rows[i].mirrored ? 127 - x : x) + rows[i].shift;
                if (from < 0 || from > 127) {
                    unwritten++;
                    unwritten_lit += stage_lit(&picture, x, y);
                } else {
                    wrong += stage_lit(&picture, x, y) != written(from, y);
                }
            }
        }
        EXPECT_INT(wrong, 0);
        EXPECT_INT(unwritten, 64 * (rows[i].shift < 0 ? -rows[i].shift : rows[i].shift));
        /* power-on noise: neither all dark nor all lit */
        EXPECT(!unwritten || (unwritten_lit > unwritten / 4 && unwritten_lit < unwritten * 3 / 4));
        EXPECT_CONTAINS(raw_said(raw.board, "panel"), rows[i].says ? rows[i].says : "");
        EXPECT_INT(strstr(raw_said(raw.board, "panel"), "mirrored") != NULL, rows[i].mirrored);
        EXPECT_INT(strstr(raw_said(raw.board, "panel"), "noise") != NULL, rows[i].shift != 0);
        jl_picture_free(&picture);
        jl_board_destroy(raw.board);
    }
}

#define ST7565_ON "R ~1 C25 CC8 C2C ~50 C2E ~50 C2F ~10 CAF"

/* What each part says of a mistake; the picture's state after it. */
static void complaints(void) {
    static const struct {
        const char *name;
        const struct jl_emulated_part *part;
        int width, height;
        const char *script, *complaint, *dark;
    } rows[] = {
        {"sh1106 knows no windows", &jl_emulated_sh1106, 128, 64, "R ~1 CAF C21",
         "unknown command 21", NULL},
        {"sh1106 converter off", &jl_emulated_sh1106, 128, 64, "R ~1 CAD8A CAF", NULL,
         "DC-DC converter is off"},
        {"sh1106 converter while on", &jl_emulated_sh1106, 128, 64, "R ~1 CAF CAD8B",
         "while the display is off", NULL},
        {"ssd0303 fine", &jl_emulated_ssd0303, 132, 64, "R ~1 CAD8B CAF *132", NULL, NULL},
        {"ssd0303 converter off", &jl_emulated_ssd0303, 132, 64, "R ~1 CAD8A CAF", NULL, "AD 8B"},
        {"ssd0303 given a voltage", &jl_emulated_ssd0303, 132, 64, "R ~1 C32 CAF",
         "unknown command 32", NULL},
        {"ssd0303 given a window", &jl_emulated_ssd0303, 132, 64, "R ~1 C21 CAF",
         "unknown command 21", NULL},
        {"ssd0303 past the column", &jl_emulated_ssd0303, 132, 64, "R ~1 CAF *133",
         "past the last column", NULL},
        {"ssd0303 short reset", &jl_emulated_ssd0303, 132, 64, "r ~1 CAF", "reset was low", NULL},
        {"sh1106 past the column", &jl_emulated_sh1106, 128, 64, "R ~1 CAF *133",
         "past the last column", NULL},
        {"sh1106 short reset", &jl_emulated_sh1106, 128, 64, "r ~1 CAF", "reset was low", NULL},
        {"sh1107 knows no windows", &jl_emulated_sh1107, 128, 128, "R ~1 CAF C22",
         "unknown command 22: this part has no windows", NULL},
        {"sh1107 has its first line elsewhere", &jl_emulated_sh1107, 128, 128, "R ~1 CAF C40",
         "the first line is an argument: DC 00", NULL},
        {"sh1107 converter off", &jl_emulated_sh1107, 128, 128, "R ~1 CAD8A CAF", NULL,
         "send AD 8B before AF"},
        {"sh1107 past the page", &jl_emulated_sh1107, 128, 128, "R ~1 CAF *129",
         "give each page its address (B0..BF)", NULL},
        {"sh1107 drives 32 columns", &jl_emulated_sh1107, 64, 128, "R ~1 CA81F CAF D00",
         "columns 32 to 63 of the glass are not driven", NULL},
        {"ssd1315 without its pump", &jl_emulated_ssd1315, 128, 64, "R ~1 CA1 CC8 CAF", NULL,
         "the charge pump is off"},
        {"ssd1309 has no pump", &jl_emulated_ssd1309, 128, 64, "R ~1 C8D", "unknown command 8D",
         "never switched on"},
        {"ssd1309 locked", &jl_emulated_ssd1309, 128, 64, "R ~1 CFD16 CAF", "while locked by FD 16",
         "never switched on"},
        {"ssd1309 unlocked", &jl_emulated_ssd1309, 128, 64, "R ~1 CFD16 CFD12 CAF", NULL, NULL},
        {"ssd1305 wrong supply", &jl_emulated_ssd1305, 128, 64, "R ~1 CAD8F CAF", "expected 8E",
         NULL},
        {"st7565 fine", &jl_emulated_st7565, 128, 64, ST7565_ON, NULL, NULL},
        {"st7565 at 1/7 for a bias", &jl_emulated_st7565, 128, 64, ST7565_ON " CA3", NULL, NULL},
        {"st7565 never on", &jl_emulated_st7565, 128, 64, "R ~1 C2F", NULL, "never switched on"},
        {"st7565 no power", &jl_emulated_st7565, 128, 64, "R ~1 C25 CAF", NULL, "2C, 2E, 2F"},
        {"st7565 power too quick", &jl_emulated_st7565, 128, 64, "R ~1 C25 C2C C2E ~50 C2F CAF",
         "waits up to 50 ms", NULL},
        {"st7565 volume too low", &jl_emulated_st7565, 128, 64, ST7565_ON " C8100", NULL,
         "V0 is too low"},
        {"st7565 ratio too low", &jl_emulated_st7565, 128, 64, ST7565_ON " C20", NULL,
         "V0 is too low"},
        {"st7565 volume past 3F", &jl_emulated_st7565, 128, 64, ST7565_ON " C8160",
         "expected 00..3F", NULL},
        {"st7565 data for the volume", &jl_emulated_st7565, 128, 64, ST7565_ON " C81 D20",
         "still waits for its argument", NULL},
        {"st7565 asleep", &jl_emulated_st7565, 128, 64, ST7565_ON " CAEA5", NULL, "sleeps"},
        {"uc1609 without its pump", &jl_emulated_uc1609, 192, 64, "R ~6 CAF", NULL, "send 2F"},
        {"uc1609 with little voltage", &jl_emulated_uc1609, 192, 64, "R ~6 C8100 C2F CAF", NULL,
         "raise the volume (81) or the bias"},
        {"uc1609 past the column", &jl_emulated_uc1609, 192, 64, "R ~6 CC4 C2F CAF *193",
         "past the last column, 191, are lost", NULL},
        {"uc1609 has other directions", &jl_emulated_uc1609, 192, 64, "R ~6 CC8 C2F CAF",
         "unknown command C8: directions are C0", NULL},
        {"uc1701 no wait after E2", &jl_emulated_uc1701, 128, 64, "R ~6 CE2 CA2", "they are lost",
         "never switched on"},
        {"uc1701 static indicator", &jl_emulated_uc1701, 128, 64, "R ~6 CAC CFA93", NULL,
         "never switched on"},
        {"st7567 has no indicator", &jl_emulated_st7567, 128, 64, "R ~6 CAC", "unknown command AC",
         "never switched on"},
        {"pcd8544 fine", &jl_emulated_pcd8544, 84, 48, "R ~1 C21C0041320 C0C", NULL, NULL},
        {"pcd8544 never reset", &jl_emulated_pcd8544, 84, 48, "C21C0041320 C0C",
         "never reset since power-on", "never reset"},
        {"pcd8544 powered down", &jl_emulated_pcd8544, 84, 48, "R ~1 C25C0041324 C0C", NULL,
         "powered down"},
        {"pcd8544 blank", &jl_emulated_pcd8544, 84, 48, "R ~1 C21C0041320 C08", NULL, "blank"},
        {"pcd8544 Vop too low", &jl_emulated_pcd8544, 84, 48, "R ~1 C21A0041320 C0C", NULL,
         "Vop is too low"},
        {"pcd8544 extended left on", &jl_emulated_pcd8544, 84, 48, "R ~1 C21C00413 CE0",
         "all dots turn", "blank"},
        {"pcd8544 bank 6", &jl_emulated_pcd8544, 84, 48, "R ~1 C20C046", "bank 6, expected 0..5",
         "blank"},
        {"pcd8544 x 84", &jl_emulated_pcd8544, 84, 48, "R ~1 C20D4", "x 84, expected 0..83",
         "blank"},
        {"pcd8544 wrong set", &jl_emulated_pcd8544, 84, 48, "R ~1 C2013",
         "unknown command 0x13 in the basic", "blank"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_glass glass = {.width = rows[i].width, .height = rows[i].height};
        struct raw raw = raw_open(rows[i].part, glass, 4000000);
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        raw_play(&raw, "~200");
        raw_expect_complaint(&raw, rows[i].complaint);
        const char *dark = jl_device_why_dark(raw.device);
        EXPECT_CONTAINS(dark ? dark : "lit", rows[i].dark ? rows[i].dark : "lit");
        jl_board_destroy(raw.board);
    }
}

/* Vop: nothing, faint, right, and all dots. */
static void voltage_on_the_glass(void) {
    static const struct {
        uint8_t contrast;
        int lit; /* of 4 dots of a checkered corner */
        bool dark, faint;
    } rows[] = {
        {0, 0, true, false}, {88, 2, false, true}, {128, 2, false, false}, {255, 4, false, false}};
    static const char *const names[] = {"pcd8544 84x48", "st7565 128x64"};
    for (size_t i = 0; i < 2; i++) {
        for (size_t row = 0; row < 4; row++) {
            struct stage stage;
            test_row("%s, contrast %d", names[i], rows[row].contrast);
            stage_open(&stage, mono_named(names[i]), &(struct wish){0});
            struct jl_frame frame = stage_frame(&stage, 0);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            frame.pixels[0] = 0x01;
            frame.pixels[1] = 0x02;
            EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
            /* the faint one: 86 % of 6.9 V, 92 % of 9.3 V */
            uint8_t contrast = (uint8_t)(rows[row].faint && i == 0 ? 98 : rows[row].contrast);
            EXPECT_INT(jl_panel_contrast(&stage.panel, contrast), JL_OK);
            struct jl_picture seen = stage_look(&stage);
            EXPECT_INT(stage_lit(&seen, 0, 0) + stage_lit(&seen, 1, 0) + stage_lit(&seen, 0, 1) +
                           stage_lit(&seen, 1, 1),
                       rows[row].lit);
            EXPECT_INT(jl_device_why_dark(stage.device) != NULL, rows[row].dark);
            uint8_t dark = jl_device_brightness(stage.device);
            EXPECT(rows[row].dark    ? dark == 0
                   : rows[row].faint ? dark > 0 && dark < 200
                                     : dark == 255);
            jl_picture_free(&seen);
            stage_close(&stage);
        }
    }
}

static void bad_descriptions(void) {
    static const struct {
        const char *make;
        jl_status expected;
        int width, offset;
        uint8_t turn;
        const struct jl_bus *bus;
        const struct jl_format *format;
    } rows[] = {
        {"sh1106 128x64", JL_OK, 128, 4, 0, &jl_bus_spi, NULL},
        {"sh1106 128x64", JL_BAD_SIZE, 128, 5, 0, &jl_bus_spi, NULL},
        {"sh1106 128x64", JL_BAD_TURN, 128, 2, JL_TURN_90, &jl_bus_spi, NULL},
        {"st7565 128x64", JL_BAD_BUS, 128, 0, 0, &jl_bus_spi_3wire, NULL},
        {"st7565 128x64", JL_BAD_BUS, 128, 0, 0, &jl_bus_i2c, NULL},
        {"st7565 128x64", JL_BAD_FORMAT, 128, 0, 0, &jl_bus_spi, &jl_mono_rows},
        {"pcd8544 84x48", JL_BAD_BUS, 84, 0, 0, &jl_bus_8080_8, NULL},
        {"pcd8544 84x48", JL_BAD_TURN, 84, 0, JL_TURN_180, &jl_bus_spi, NULL},
        {"pcd8544 84x48", JL_BAD_TURN, 84, 0, 8, &jl_bus_spi, NULL},
        {"st7920 128x64", JL_BAD_BUS, 128, 0, 0, &jl_bus_spi, NULL},
        {"st7920 128x64", JL_BAD_SIZE, 120, 0, 0, &jl_bus_st7920_serial, NULL},
        {"st7920 128x64", JL_BAD_FORMAT, 128, 0, 0, &jl_bus_st7920_serial, &jl_mono_columns},
        {"st7920 128x64", JL_BAD_TURN, 128, 0, JL_TURN_MIRROR, &jl_bus_st7920_serial, NULL},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage stage;
        test_row("row %zu, %s", i, rows[i].make);
        stage_open(&stage, mono_named(rows[i].make), &(struct wish){0});
        stage.config.width = (int16_t)rows[i].width;
        stage.config.column_offset = (int16_t)rows[i].offset;
        stage.config.turn = rows[i].turn;
        stage.config.bus = rows[i].bus;
        stage.config.format = rows[i].format;
        uint64_t bytes = jl_stream_byte_count(stage.sim.stream);
        EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &stage.port), rows[i].expected);
        EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - bytes), 0);
        stage_close(&stage);
    }
}

/* A full present against the least that the controller's addressing allows. */
static void wire_cost(void) {
    static const struct {
        const char *make;
        int bytes; /* on the wire */
    } rows[] = {
        {"ssd1305 128x64", 6 + 1024},
        {"ssd1309 128x64", 6 + 1024},
        {"ssd1315 128x64", 6 + 1024},
        {"ssd0303 96x32", 4 * (3 + 96)}, /* its lines end where the RAM does: the column stops */
        /* the lower column digit once, page and upper digit each time */
        {"sh1106 128x64", 1 + 8 * (2 + 128)},
        {"sh1107 128x128", 3 + 128 + 15 * (3 + 128)}, /* the column ran around */
        {"sh1107 64x128", 1 + 16 * (2 + 64)},
        {"uc1609 192x64", 3 + 192 + 7 * (3 + 192)},
        {"ks0108 128x64", 8 * (2 + 128)}, /* page and column go to both halves */
        {"ks0108 192x64", 8 * (2 + 192)},
        {"ws0010 100x16", 2 * (2 + 100)},
        {"sed1520 122x32", 4 * (2 + 122)},
        /* address, auto write, and its end; the status three times a byte, as it is busy for 2 us
         */
        {"t6963c 240x128", (3 + 1) * (3 + 1 + 3840 + 1)},
        {"uc1609 160x64", 1 + 8 * (2 + 160)},
        {"st7565 128x64", 1 + 8 * (2 + 128)},
        {"pcd8544 84x48", 2 + 504},
        /* sync, address; sync, data; two bytes of the wire each */
        {"st7920 128x64", 32 * (1 + 4 + 1 + 64 - 1) + 32 * 2},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct stage stage;
        test_row("%s", rows[i].make);
        stage_open(&stage, mono_named(rows[i].make), &(struct wish){0});
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        uint64_t before = jl_stream_byte_count(stage.sim.stream);
        EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
        EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - before), rows[i].bytes);
        stage_close(&stage);
    }
}

/* Any bytes in any order: no crash, and every picture can be taken. */
static void any_bytes(void) {
    for (int i = 0; i < MONO_MAKES; i++) {
        const struct make *make = &mono_makes[i];
        struct jl_glass glass = {.width = make->width, .height = make->height};
        if (make->controller->buses ==
            (make->controller->buses & (1 << JL_BUS_6800_8 | 1 << JL_BUS_8080_8))) {
            continue; /* not on SPI; any traffic of theirs is in test_traffic */
        }
        struct raw raw = raw_open(make->emulator, glass, 2000000);
        struct test_random random = {(uint32_t)(31 + i)};
        struct jl_picture picture;
        test_row("%s", make->name);
        raw.select_high = make->controller == &jl_st7920;
        for (int burst = 0; burst < test_cases(8000); burst++) {
            uint8_t bytes[60];
            size_t count = (size_t)test_random_between(&random, 1, 60);
            for (size_t b = 0; b < count; b++) {
                bytes[b] = (uint8_t)(test_random_next(&random) >> 9);
            }
            if (burst % 100 == 0) {
                raw_play(&raw, "R ~50");
            }
            raw_send(&raw, test_random_between(&random, 0, 1) != 0, bytes, count);
            if (burst % 50 == 49) {
                EXPECT(jl_device_picture(raw.device, &picture));
                jl_picture_free(&picture);
                EXPECT(jl_device_brightness(raw.device) <= 255);
            }
        }
        jl_board_destroy(raw.board);
    }
}

const struct test_group test_groups[] = {
    {"every_size_turn_and_mounting", every_size_turn_and_mounting},
    {"every_bus", every_bus},
    {"other_ways_to_send", other_ways_to_send},
    {"inverted_slept_and_rolled", inverted_slept_and_rolled},
    {"page_write_bytes", page_write_bytes},
    {"setting_bytes", setting_bytes},
    {"pcd8544_wake_up_bytes", pcd8544_wake_up_bytes},
    {"supplies", supplies},
    {"synced_bytes", synced_bytes},
    {"wrong_columns", wrong_columns},
    {"complaints", complaints},
    {"voltage_on_the_glass", voltage_on_the_glass},
    {"images_without_a_frame", images_without_a_frame},
    {"bad_descriptions", bad_descriptions},
    {"wire_cost", wire_cost},
    {"any_bytes", any_bytes},
    {"images_on_half_a_page", images_on_half_a_page},
    {NULL, NULL},
};
