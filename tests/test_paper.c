/* E-paper: life of a panel, updates and their policy. */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "paper_stage.h"

static const struct paper_make *make(const char *name) {
    for (size_t i = 0; i < paper_make_count; i++) {
        if (strcmp(paper_makes[i].name, name) == 0) {
            return &paper_makes[i];
        }
    }
    abort();
}

static double seconds(const struct paper_stage *stage) {
    return (double)jl_board_now_ps(stage->board) / 1e12;
}

static uint64_t bytes(const struct paper_stage *stage) {
    return jl_stream_byte_count(stage->sim.stream);
}

static void noise(struct jl_frame *frame, unsigned seed) {
    size_t count = (size_t)frame->plane_bytes * frame->format->planes;
    for (size_t i = 0; i < count; i++) {
        seed = seed * 1664525u + 1013904223u;
        frame->pixels[i] = (uint8_t)(seed >> 24);
    }
    jl_frame_damage_all(frame);
}

/* Presents, and says which update it was by the time it took: 'P', 'F', '-' (none) or '!'. */
static char present(struct paper_stage *stage, jl_status *status) {
    double before = seconds(stage);
    *status = jl_panel_present(&stage->panel, &stage->frame);
    double took = seconds(stage) - before;
    return *status != JL_OK ? '!' : took < 0.2 ? '-' : took < 1 ? 'P' : 'F';
}

/* A full update shows the frame to the pixel, whatever was on the glass and in the RAM. */
static void full_updates_to_the_pixel(void) {
    for (size_t i = 0; i < paper_make_count; i++) {
        for (unsigned round = 0; round < 2; round++) {
            const struct paper_wish greys = {.format = &jl_grey2_planes};
            struct paper_stage stage;
            test_row("%s, %s", paper_makes[i].name, round ? "greys" : "usual");
            if (round && paper_makes[i].has_red) {
                continue;
            }
            paper_open(&stage, &paper_makes[i], round ? &greys : NULL);
            EXPECT(strstr(jl_device_why_dark(stage.device), "before") != NULL); /* RAM only */
            noise(&stage.frame, (unsigned)i);
            EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
            paper_expect_shown(&stage, &stage.frame, false);
            for (unsigned step = 0; step < 12; step++) {
                paper_draw(&stage.frame, step * 7 + (unsigned)i);
            }
            jl_board_wait_ps(stage.board, 200000000000000u);
            EXPECT_INT(jl_epaper_request(&stage.panel, JL_UPDATE_FULL), JL_OK);
            EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
            paper_expect_shown(&stage, &stage.frame, false);
            EXPECT_INT(paper_complaints(&stage), 0);
            EXPECT(jl_device_why_dark(stage.device) == NULL);
            paper_close(&stage);
        }
    }
}

/* All turns and mirrors are the target's; the corner of the picture lands where it should. */
static void turns_by_the_target(void) {
    static const struct {
        uint8_t turn;
        bool right, bottom; /* where the picture's upper left corner is seen */
    } rows[] = {{JL_TURN_0, false, false},
                {JL_TURN_90, true, false},
                {JL_TURN_180, true, true},
                {JL_TURN_270, false, true},
                {JL_TURN_MIRROR, true, false},
                {JL_TURN_90 | JL_TURN_MIRROR, true, true},
                {JL_TURN_180 | JL_TURN_MIRROR, false, true},
                {JL_TURN_270 | JL_TURN_MIRROR, false, false}};
    enum { TURNS = sizeof rows / sizeof rows[0] };
    for (size_t i = 0; i < TURNS * paper_make_count; i++) {
        const struct paper_make *paper = &paper_makes[i / TURNS];
        struct paper_stage stage;
        struct jl_picture glass;
        test_row("%s, turn %d", paper->name, rows[i % TURNS].turn);
        paper_open(&stage, paper, NULL);
        jl_target_turn(&stage.frame.target, rows[i % TURNS].turn);
        /* Longer along the picture's own x, so that exchanged axes are seen, too. */
        jl_fill_rect(&stage.frame.target, (struct jl_rect){0, 0, 9, 3}, JL_BLACK);
        EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
        if (EXPECT(jl_device_picture(stage.device, &glass))) {
            for (int corner = 0; corner < 4; corner++) {
                bool right = corner & 1, bottom = corner & 2;
                int x = right ? paper->width - 1 : 0, y = bottom ? paper->height - 1 : 0;
                bool here = right == rows[i % TURNS].right && bottom == rows[i % TURNS].bottom;
                bool upright = rows[i % TURNS].turn % 2 == 0;
                EXPECT_INT(*jl_picture_at(&glass, x, y) < 128, here);
                EXPECT_INT(*jl_picture_at(&glass, right ? x - 6 : 6, y) < 128, here && upright);
                EXPECT_INT(*jl_picture_at(&glass, x, bottom ? y - 6 : 6) < 128, here && !upright);
            }
            jl_picture_free(&glass);
        }
        paper_close(&stage);
    }
}

/* Partial updates: quick, of a window only, with a ghost; a full one takes that away. */
static void partial_updates_are_sparing(void) {
    for (size_t i = 0; i < paper_make_count; i++) {
        struct paper_stage stage;
        jl_status status;
        test_row("%s", paper_makes[i].name);
        paper_open(&stage, &paper_makes[i], NULL);
        bool red = paper_makes[i].has_red;
        if (red) {
            jl_fill_rect(&stage.frame.target, (struct jl_rect){50, 100, 30, 30}, JL_RED);
        }
        EXPECT_INT(present(&stage, &status), 'F');
        struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
        for (unsigned step = 0; step < 8; step++) {
            uint64_t before = bytes(&stage);
            jl_text(&stage.frame.target, 9, 20, step & 1 ? "12:47" : "08:31", &style);
            EXPECT_INT(present(&stage, &status), 'P');
            paper_expect_shown(&stage, &stage.frame, true);
            /* 30 pixels from column 9 are 5 bytes of 8 rows; a plane, or both where old counts. */
            uint64_t pixels = 5 * 8 * (red ? 1 : 2), waves = 0;
            const struct jl_wave *wave = stage.paper.partial_wave;
            for (int block = 0; wave && block < wave->count; block++) {
                waves += wave->blocks[block].count;
            }
            EXPECT(bytes(&stage) - before < pixels + waves + 40);
        }
        /* Two places in one update. */
        jl_fill_rect(&stage.frame.target, (struct jl_rect){2, 60, 20, 6}, JL_BLACK);
        jl_fill_rect(&stage.frame.target, (struct jl_rect){70, 180, 20, 6}, JL_BLACK);
        EXPECT_INT(present(&stage, &status), 'P');
        paper_expect_shown(&stage, &stage.frame, true);
        jl_board_wait_ps(stage.board, 200000000000000u); /* no voltage is left on */
        jl_fill_rect(&stage.frame.target, (struct jl_rect){2, 60, 20, 6}, JL_WHITE);
        EXPECT_INT(present(&stage, &status), 'P');
        EXPECT_INT(paper_complaints(&stage), 0);
        paper_close(&stage);
    }
}

/* Whether an encoder wrote a step. */
static bool has_step(const uint8_t *steps, size_t bytes, const char *step, size_t length) {
    for (size_t at = 0; at + length <= bytes; at++) {
        if (memcmp(steps + at, step, length) == 0) {
            return true;
        }
    }
    return false;
}

/* What the description asks for, as bytes of the datasheets: border, temperature, mirrors. */
static void settings_as_bytes(void) {
    static const struct {
        const char *make;
        struct jl_epaper_config paper;
        const char *setup, *update; /* three bytes each: a step of an opcode and an argument */
    } rows[] = {
        {"ssd1680 128x296", {0}, "\x02\x3C\x05", "\x02\x22\xF7"},
        {"ssd1680 128x296", {.border = JL_BORDER_BLACK}, "\x02\x3C\x04", "\x02\x22\xF7"},
        {"ssd1680 128x296", {.border = JL_BORDER_FLOATING}, "\x02\x3C\xC0", "\x02\x22\xF7"},
        {"ssd1680 128x296", {0}, "\x02\x18\x80", "\x02\x22\xF7"},
        {"ssd1680 128x296", {.given_degrees = true, .degrees = -5}, "\x02\x18\x48", "\x02\x22\xF7"},
        {"ssd1680 128x296", {.given_degrees = true, .degrees = -5}, "\x03\x1A\xFB", "\x02\x22\xF7"},
        {"uc8151 128x296", {0}, "\x02\x50\x97", "\x02\xE0\x00"},
        {"uc8151 128x296", {.border = JL_BORDER_BLACK}, "\x02\x50\x57", "\x02\xE0\x00"},
        {"uc8151 128x296", {.border = JL_BORDER_FLOATING}, "\x02\x50\xF7", "\x02\xE0\x00"},
        {"uc8151 128x296", {.given_degrees = true, .degrees = -5}, "\x02\x00\x1F", "\x02\xE5\xFB"},
        {"uc8151 128x296", {.given_degrees = true, .degrees = -5}, "\x02\x00\x1F", "\x02\xE0\x02"},
        {"uc8151 128x296 red", {0}, "\x02\x00\x0F", "\x02\x00\x0F"},
        {"uc8151 104x212 red, at 16,5, mirrored", {0}, "\x02\x00\x03", "\x02\x00\x03"},
        {"uc8179 800x480", {.border = JL_BORDER_BLACK}, "\x03\x50\x21", "\x02\x00\x1F"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct paper_stage stage;
        uint8_t steps[JL_STEPS_MOST_BYTES];
        const struct paper_wish wish = {.paper = rows[i].paper};
        test_row("%zu: %s", i, rows[i].make);
        paper_open(&stage, make(rows[i].make), &wish);
        const struct jl_controller *controller = stage.config.controller;
        size_t count = controller->setup(&stage.panel, steps);
        EXPECT(count <= sizeof steps && has_step(steps, count, rows[i].setup, 3));
        count = controller->paper->update(&stage.panel, JL_UPDATE_FULL, steps);
        EXPECT(count <= sizeof steps && has_step(steps, count, rows[i].update, 3));
        EXPECT_INT(paper_complaints(&stage), 0);
        paper_close(&stage);
    }
}

/* Asleep between two updates, by all ways to the glass; every other call wakes it. */
static void sleeps_between_updates(void) {
    static const uint8_t nop[] = {0x7F};
    for (size_t i = 0; i < paper_make_count; i++) {
        struct paper_stage stage;
        struct jl_async async;
        struct jl_bands bands;
        static uint8_t memory[4096];
        test_row("%s", paper_makes[i].name);
        paper_open(&stage, &paper_makes[i], NULL);
        EXPECT_INT(jl_epaper_sleep_between(&stage.panel, true), JL_OK);
        for (int way = 0; way < 3; way++) {
            paper_draw(&stage.frame, (unsigned)way);
            jl_board_wait_ps(stage.board, 200000000000000u);
            switch (way) {
            case 0:
                EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
                break;
            case 1:
                EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
                EXPECT_INT(jl_async_present(&async, &stage.frame), JL_OK);
                EXPECT_INT(jl_async_finish(&async), JL_OK);
                break;
            default:
                jl_bands_begin(&bands, &stage.panel, memory, sizeof memory);
                while (jl_bands_next(&bands)) {
                    for (unsigned step = 0; step <= 2; step++) {
                        paper_draw(&bands.frame, step);
                    }
                }
                EXPECT_INT(jl_bands_end(&bands), JL_OK);
                break;
            }
            paper_expect_shown(&stage, &stage.frame, true);
            jl_device_set_pin(stage.device, JL_DEVICE_CS, false); /* somebody talks to it */
            jl_stream_write(stage.sim.stream, nop, 1);
            jl_device_set_pin(stage.device, JL_DEVICE_CS, true);
            EXPECT_INT(paper_complaints_about(&stage, "arrives in deep sleep"), way + 1);
            EXPECT_INT(paper_complaints(&stage), way + 1);
        }
        EXPECT_INT(jl_epaper_sleep_between(&stage.panel, false), JL_OK);
        EXPECT_INT(jl_epaper_update(&stage.panel, JL_UPDATE_FULL), JL_OK);
        jl_device_set_pin(stage.device, JL_DEVICE_CS, false);
        jl_stream_write(stage.sim.stream, nop, 1);
        jl_device_set_pin(stage.device, JL_DEVICE_CS, true);
        EXPECT_INT(paper_complaints_about(&stage, "arrives in deep sleep"), 3); /* it is awake */
        EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
        EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_NOT_AWAKE);
        EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
        EXPECT_INT(jl_panel_status(&stage.panel), JL_OK);
        paper_close(&stage);
    }
}

/* The policy begins after the first picture. */
static void policy_begins_late(void) {
    struct paper_stage stage;
    jl_status status;
    paper_open(&stage, make("ssd1680 128x296"), &(struct paper_wish){.without_policy = true});
    jl_fill_rect(&stage.frame.target, (struct jl_rect){10, 10, 8, 8}, JL_BLACK);
    EXPECT_INT(present(&stage, &status), 'F');
    EXPECT_INT(jl_epaper_begin(&stage.epaper, &stage.panel), JL_OK);
    jl_fill_rect(&stage.frame.target, (struct jl_rect){50, 10, 8, 8}, JL_BLACK);
    EXPECT_INT(present(&stage, &status), 'F'); /* nobody had written the old plane */
    jl_fill_rect(&stage.frame.target, (struct jl_rect){50, 30, 8, 8}, JL_BLACK);
    EXPECT_INT(present(&stage, &status), 'P');
    paper_expect_shown(&stage, &stage.frame, true);
    paper_close(&stage);
}

/* An undriven ghost of the last text stays until a full update. */
static void ghosts_until_a_full_update(void) {
    struct paper_stage stage;
    struct jl_picture glass;
    jl_status status;
    paper_open(&stage, make("ssd1680 128x296"), NULL);
    jl_fill_rect(&stage.frame.target, (struct jl_rect){10, 10, 8, 8}, JL_BLACK);
    EXPECT_INT(present(&stage, &status), 'F');
    jl_fill_rect(&stage.frame.target, (struct jl_rect){10, 10, 8, 8}, JL_WHITE);
    EXPECT_INT(present(&stage, &status), 'P');
    EXPECT(jl_device_picture(stage.device, &glass));
    int ghost = *jl_picture_at(&glass, 12, 12);
    EXPECT(ghost > 200 && ghost < 245); /* an eighth of black */
    EXPECT_INT(*jl_picture_at(&glass, 40, 40), 255);
    jl_picture_free(&glass);
    jl_epaper_request(&stage.panel, JL_UPDATE_FULL);
    EXPECT_INT(present(&stage, &status), 'F');
    paper_expect_shown(&stage, &stage.frame, false);
    paper_close(&stage);
}

/*
 * The policy. In a script: 'd' draws a little, 'h' a third of the picture, 'H' half of it, 'D' all,
 * 'r' red, 'u' red by the program's own hand, 'a' the same all over, 's' is sleep and resume, 'w' a
 * wake-up, 'e' an error of the bus and a wake-up, 'm' waits two minutes, 'f' 'q' 'p' ask for full,
 * fast and partial; each 'x' presents.
 */
static void policy_of_updates(void) {
    static const struct {
        const char *make, *script, *updates;
        struct jl_epaper_config paper;
        bool without;
        jl_status last;
    } rows[] = {
        {"ssd1680 128x296", "xdxdxx", "FPP-", {0}, false, JL_OK},
        {"ssd1680 128x296", "xdxdx", "FFF", {0}, true, JL_OK},
        {"ssd1680 128x296", "xdxdxdxdx", "FPPFP", {.most_partials = 2}, false, JL_OK},
        {"ssd1680 128x296", "xdxdxdxdxdxdxdxdxdxdxdx", "FPPPPPPPPPPF", {0}, false, JL_OK},
        {"ssd1680 128x296", "xdxDxdx", "FPFP", {.most_percent = 40}, false, JL_OK},
        {"ssd1680 128x296", "xdxDxdx", "FPPP", {0}, false, JL_OK},
        {"ssd1680 128x296", "xfxdfxdx", "FFFP", {0}, false, JL_OK},
        {"ssd1680 128x296", "pxpx", "FP", {0}, false, JL_OK},
        {"ssd1680 128x296", "xwx", "FF", {0}, false, JL_OK},
        {"ssd1680 128x296", "xdex", "FF", {0}, false, JL_OK},
        {"ssd1680 128x296", "xdsx", "FP", {0}, false, JL_OK},
        {"uc8151 128x296", "xdsx", "FF", {0}, false, JL_OK},
        {"ssd1680 128x296", "bxdxdxx", "FPP-", {0}, false, JL_OK},
        {"ssd1680 128x296", "bxdexdxsdx", "FFPP", {0}, false, JL_OK},
        {"uc8151 128x296", "bxdxmdx", "FFF", {0}, false, JL_OK},
        {"uc8151 128x296", "xdxdx", "FPP", {0}, false, JL_OK},
        {"uc8179 800x480", "xdxdx", "FPP", {0}, false, JL_OK},
        {"uc8176 400x300", "xdxdx", "FPP", {0}, false, JL_OK},
        {"ssd1680 128x296", "xhxHx", "FPF", {.most_percent = 40}, false, JL_OK},
        /* red is slow, and takes a full update when it comes, moves or goes */
        {"ssd1680 128x296 red", "xdxrxdxdx", "FPFFP", {0}, false, JL_OK},
        {"uc8151 128x296 red", "xdxrxdxdx", "FPFFP", {0}, false, JL_OK},
        {"uc8151 128x296 red", "xdxuxaxdx", "FPFFP", {0}, false, JL_OK},
        /* never full too often: partial instead, or refused; what is asked for is done */
        {"ssd1680 128x296",
         "xdxdxmdxmdx",
         "FPPPF",
         {.most_partials = 1, .least_interval_s = 180},
         false,
         JL_OK},
        {"ssd1680 128x296", "xwxmx", "F!!", {.least_interval_s = 180}, false, JL_TOO_SOON},
        {"ssd1680 128x296", "xwxmmx", "F!F", {.least_interval_s = 180}, false, JL_OK},
        {"ssd1680 128x296", "xwxfx", "F!F", {.least_interval_s = 180}, false, JL_OK},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct paper_stage stage;
        char updates[32] = "";
        jl_status status = JL_OK;
        unsigned step = 0;
        const struct paper_wish wish = {
            .paper = rows[i].paper, .without_policy = rows[i].without, .ops = &paper_faulty_ops};
        test_row("%zu: %s, %s", i, rows[i].make, rows[i].script);
        paper_open(&stage, make(rows[i].make), &wish);
        /* What no step touches must stay. */
        jl_fill_rect(&stage.frame.target, (struct jl_rect){60, 190, 30, 20}, JL_BLACK);
        uint8_t *second = stage.frame.pixels + stage.frame.plane_bytes;
        for (const char *c = rows[i].script; *c; c++) {
            jl_color ink = ++step & 1 ? JL_BLACK : JL_WHITE;
            struct jl_rect area = {8, 8, 30, *c == 'D' ? 20 : 10};
            if (strchr("hHD", *c)) {
                int16_t part = *c == 'h' ? 3 : *c == 'H' ? 2 : 1;
                area =
                    (struct jl_rect){0, 0, stage.panel.width, (int16_t)(stage.panel.height / part)};
            }
            switch (*c) {
            case 'x':
                updates[strlen(updates)] = present(&stage, &status);
                break;
            case 'u':
                second[40 * stage.frame.stride_bytes] ^= 0xFF;
                jl_damage_add(&stage.damage, (struct jl_rect){0, 40, 8, 1});
                break;
            case 'a':
                second[41 * stage.frame.stride_bytes] ^= 0xFF;
                jl_frame_damage_all(&stage.frame);
                break;
            case 'd':
            case 'h':
            case 'H':
            case 'D':
            case 'r':
                jl_fill_rect(&stage.frame.target, area, *c == 'r' ? JL_RED : ink);
                break;
            case 's':
                EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
                EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_NOT_AWAKE);
                jl_board_wait_ps(stage.board, 3000000000000000u);
                EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
                break;
            case 'e':
                paper_faults.transfers = 3;
                EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_BUS_ERROR);
                EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_NOT_AWAKE);
                EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
                break;
            case 'b':
                EXPECT_INT(jl_epaper_sleep_between(&stage.panel, true), JL_OK);
                break;
            case 'w':
                EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
                break;
            case 'm':
                jl_board_wait_ps(stage.board, 120000000000000u);
                break;
            default:
                jl_epaper_request(&stage.panel, *c == 'f'   ? JL_UPDATE_FULL
                                                : *c == 'q' ? JL_UPDATE_FAST
                                                            : JL_UPDATE_PARTIAL);
            }
        }
        EXPECT_TEXT(updates, rows[i].updates);
        EXPECT_INT(status, rows[i].last);
        paper_expect_shown(&stage, &stage.frame, rows[i].last == JL_OK);
        paper_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"full_updates_to_the_pixel", full_updates_to_the_pixel},
    {"turns_by_the_target", turns_by_the_target},
    {"partial_updates_are_sparing", partial_updates_are_sparing},
    {"ghosts_until_a_full_update", ghosts_until_a_full_update},
    {"settings_as_bytes", settings_as_bytes},
    {"sleeps_between_updates", sleeps_between_updates},
    {"policy_begins_late", policy_begins_late},
    {"policy_of_updates", policy_of_updates},
    {NULL, NULL},
};
