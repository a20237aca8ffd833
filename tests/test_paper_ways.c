/* E-paper: asynchronous presents, bands, drawing without a frame, faults, and all of it at random.
 */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "paper_stage.h"

static double seconds(const struct paper_stage *stage) {
    return (double)jl_board_now_ps(stage->board) / 1e12;
}

/* Polls until it is out; how often it was not, a step of time each. */
static long finish(struct paper_stage *stage, struct jl_async *async, jl_status *status) {
    long polls = 0;
    while ((*status = jl_async_poll(async)) == JL_BUSY && polls < 100000) {
        jl_board_wait_ps(stage->board, 2000000000u); /* 2 ms: the program goes on */
        polls++;
    }
    return polls;
}

/* The same pictures and updates as blocking presents, while the program goes on. */
static void asynchronous_presents(void) {
    static const struct jl_port_ops *const ports[] = {&jl_sim_port_ops, &jl_sim_port_rich_ops};
    for (size_t i = 0; i < 2 * paper_make_count; i++) {
        struct paper_stage stage;
        struct jl_async async;
        jl_status status;
        const struct paper_wish wish = {.ops = ports[i % 2]};
        test_row("%s, port %zu", paper_makes[i / 2].name, i % 2);
        paper_open(&stage, &paper_makes[i / 2], &wish);
        EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
        paper_draw(&stage.frame, (unsigned)i);
        EXPECT_INT(jl_async_present(&async, &stage.frame), JL_OK);
        EXPECT(seconds(&stage) < 0.5); /* at once: the update is still to come */
        long polls = finish(&stage, &async, &status);
        EXPECT_INT(status, JL_OK);
        EXPECT(polls > 1000 && polls < 8000); /* 2 ms each: 2.5 s, with red 11 s */
        paper_expect_shown(&stage, &stage.frame, false);
        /* A partial one, which a blocking call waits for by itself. */
        jl_fill_rect(&stage.frame.target, (struct jl_rect){3, 3, 40, 9}, JL_BLACK);
        EXPECT_INT(jl_async_present(&async, &stage.frame), JL_OK);
        jl_board_wait_ps(stage.board, 50000000000u);
        EXPECT_INT(jl_async_poll(&async), JL_BUSY);
        double before = seconds(&stage);
        EXPECT_INT(jl_panel_sleep(&stage.panel), JL_OK);
        EXPECT(seconds(&stage) - before > 0.1);
        paper_expect_shown(&stage, &stage.frame, true);
        /* Nothing changed: nothing is shown. What is asked for is. */
        EXPECT_INT(jl_panel_resume(&stage.panel), JL_OK);
        EXPECT_INT(jl_epaper_request(&stage.panel, JL_UPDATE_FULL), JL_OK);
        EXPECT_INT(jl_async_present(&async, &stage.frame), JL_OK);
        EXPECT(finish(&stage, &async, &status) > 1000);
        EXPECT_INT(jl_async_present(&async, &stage.frame), JL_OK);
        EXPECT_INT(finish(&stage, &async, &status), 0);
        paper_expect_shown(&stage, &stage.frame, false);
        EXPECT(paper_complaints(&stage) <=
               2); /* full updates in a minute; one more where red went */
        paper_expect_complaint(&stage, "full updates");
        paper_close(&stage);
    }
}

static void draw_in_bands(struct paper_stage *stage, struct jl_rect area, size_t memory_bytes,
                          unsigned step, int *rounds) {
    static uint8_t memory[4096];
    struct jl_bands bands;
    *rounds = 0;
    if (area.w) {
        jl_bands_begin_area(&bands, &stage->panel, area, memory, memory_bytes);
    } else {
        jl_bands_begin(&bands, &stage->panel, memory, memory_bytes);
    }
    while (jl_bands_next(&bands)) {
        *rounds += bands.frame.target.bounds.y == area.y;
        struct jl_frame *frame = &bands.frame;
        paper_draw(frame, step);
    }
    EXPECT_INT(jl_bands_end(&bands), JL_OK);
}

/* Bands show what a frame would, in any memory; a part of the picture in a partial update. */
static void bands_show_the_same(void) {
    static const size_t memories[] = {200, 333, 1024, 4096};
    for (size_t i = 0; i < paper_make_count; i++) {
        struct paper_stage stage;
        int rounds;
        test_row("%s", paper_makes[i].name);
        paper_open(&stage, &paper_makes[i], NULL);
        paper_draw(&stage.frame, 3);
        draw_in_bands(&stage, (struct jl_rect){0}, memories[i % 4], 3, &rounds);
        EXPECT_INT(rounds, paper_makes[i].has_red ? 1 : 2); /* the old plane is drawn, too */
        paper_expect_shown(&stage, &stage.frame, false);
        double before = seconds(&stage);
        jl_fill_rect(&stage.frame.target, (struct jl_rect){0, 40, 80, 64}, JL_WHITE);
        stage.frame.target.clip = (struct jl_rect){0, 40, 80, 64};
        paper_draw(&stage.frame, 4);
        draw_in_bands(&stage, (struct jl_rect){0, 40, 80, 64}, memories[i % 4], 4, &rounds);
        bool partial = !paper_makes[i].has_red;
        EXPECT((seconds(&stage) - before < 1) == partial);
        paper_expect_shown(&stage, &stage.frame, partial);
        EXPECT_INT(paper_complaints(&stage), !partial);
        paper_close(&stage);
    }
}

/* A run that is given up, and errors in one, leave nothing behind. */
static void bands_given_up(void) {
    struct paper_stage stage;
    struct jl_bands bands;
    uint8_t memory[512];
    int rounds;
    paper_open(&stage, &paper_makes[0], &(struct paper_wish){.ops = &paper_faulty_ops});
    draw_in_bands(&stage, (struct jl_rect){0}, 600, 3, &rounds);
    jl_bands_begin(&bands, &stage.panel, memory, sizeof memory);
    EXPECT(jl_bands_next(&bands) && jl_bands_next(&bands));
    EXPECT_INT(jl_bands_end(&bands), JL_OK);
    EXPECT(jl_device_why_dark(stage.device) != NULL); /* some rows are in the RAM only */
    jl_board_wait_ps(stage.board, 200000000000000u);
    paper_draw(&stage.frame, 5);
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
    paper_expect_shown(&stage, &stage.frame, false);
    /* In the second round, of the old plane; what is drawn then goes to the new one. */
    int seen = 0;
    static uint8_t black[16 * 250];
    jl_bands_begin(&bands, &stage.panel, memory, sizeof memory);
    for (int bands_drawn = 0; bands_drawn < 10 && jl_bands_next(&bands); bands_drawn++) {
        seen += bands.frame.target.bounds.y == 0;
    }
    EXPECT_INT(seen, 2);
    EXPECT_INT(jl_bands_end(&bands), JL_OK);
    jl_board_wait_ps(stage.board, 200000000000000u);
    EXPECT_INT(jl_panel_send(&stage.panel, stage.frame.target.bounds, black, 16), JL_OK);
    EXPECT_INT(jl_epaper_update(&stage.panel, JL_UPDATE_FULL), JL_OK);
    jl_fill_rect(&stage.frame.target, stage.frame.target.bounds, JL_BLACK);
    paper_expect_shown(&stage, &stage.frame, false);
    paper_faults.transfers = 12;
    jl_bands_begin(&bands, &stage.panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
    }
    EXPECT_INT(jl_bands_end(&bands), JL_BUS_ERROR);
    jl_board_wait_ps(stage.board, 200000000000000u);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
    paper_expect_shown(&stage, &stage.frame, false);
    EXPECT_INT(paper_complaints(&stage), 0);
    paper_close(&stage);
}

/* Parts of a picture whose rest nobody sent: no partial update until all is known. */
static void bands_of_parts_only(void) {
    struct paper_stage stage;
    int rounds;
    paper_open(&stage, &paper_makes[1], NULL);
    for (int i = 0; i < 2; i++) {
        double before = seconds(&stage);
        draw_in_bands(&stage, (struct jl_rect){0, 40, 80, 64}, 600, 3, &rounds);
        EXPECT(seconds(&stage) - before > 2);
        jl_board_wait_ps(stage.board, 200000000000000u);
    }
    draw_in_bands(&stage, (struct jl_rect){0}, 600, 3, &rounds);
    double before = seconds(&stage);
    draw_in_bands(&stage, (struct jl_rect){0, 40, 80, 64}, 600, 3, &rounds);
    EXPECT(seconds(&stage) - before < 1);
    EXPECT_INT(paper_complaints(&stage), 0);
    paper_close(&stage);
}

/* A refusal of the policy changes nothing, by whatever way. */
static void refused_too_soon(void) {
    struct paper_stage stage;
    struct jl_frame greys;
    struct jl_async async;
    struct jl_bands bands;
    static uint8_t grey_pixels[JL_GREY4_BYTES(128, 296)], memory[512];
    paper_open(&stage, &paper_makes[1], &(struct paper_wish){.paper = {.least_interval_s = 180}});
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
    EXPECT_INT(jl_frame_init(&greys, &jl_grey4, 128, 296, grey_pixels, sizeof grey_pixels), JL_OK);
    uint64_t bytes = jl_stream_byte_count(stage.sim.stream);
    EXPECT_INT(jl_panel_present_as(&stage.panel, &greys, memory, sizeof memory), JL_TOO_SOON);
    struct jl_frame other = stage.frame;
    EXPECT_INT(jl_panel_present(&stage.panel, &other), JL_TOO_SOON);
    EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_async_present(&async, &other), JL_TOO_SOON);
    EXPECT_INT(jl_async_poll(&async), JL_OK);
    stage.panel.shown = NULL; /* as behind drawing without a frame */
    EXPECT_INT(jl_bands_begin(&bands, &stage.panel, memory, sizeof memory), JL_TOO_SOON);
    EXPECT(!jl_bands_next(&bands));
    EXPECT_INT(jl_bands_end(&bands), JL_TOO_SOON);
    EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - bytes), 0);
    EXPECT_INT(jl_panel_status(&stage.panel), JL_TOO_SOON);
    jl_board_wait_ps(stage.board, 180000000000000u);
    EXPECT_INT(jl_panel_present_as(&stage.panel, &greys, memory, sizeof memory), JL_OK);
    paper_expect_shown(&stage, &greys, false);
    paper_close(&stage);
}

/* Drawing without a frame, pieces, and frames of other formats: then an update. */
static void other_ways(void) {
    for (size_t i = 0; i < paper_make_count; i++) {
        struct paper_stage stage;
        struct jl_direct direct;
        struct jl_frame greys;
        static uint8_t buffer[256], grey_pixels[JL_GREY4_BYTES(800, 480)];
        test_row("%s", paper_makes[i].name);
        paper_open(&stage, &paper_makes[i], NULL);
        bool red = paper_makes[i].has_red;
        EXPECT_INT(jl_direct_init(&direct, &stage.panel, buffer, sizeof buffer),
                   red ? JL_UNSUPPORTED : JL_OK);
        if (!red) {
            direct.background = JL_WHITE;
            jl_fill_rect(&direct.target, (struct jl_rect){16, 20, 40, 30}, JL_BLACK);
            jl_fill_rect(&direct.target, (struct jl_rect){60, 100, 3, 3}, JL_BLACK);
            EXPECT_INT(direct.status, JL_OK);
            EXPECT_INT(jl_epaper_update(&stage.panel, JL_UPDATE_FULL), JL_OK);
            jl_fill_rect(&stage.frame.target, (struct jl_rect){16, 20, 40, 30}, JL_BLACK);
            jl_fill_rect(&stage.frame.target, (struct jl_rect){60, 100, 3, 3}, JL_BLACK);
            paper_expect_shown(&stage, &stage.frame, false);
        }
        /* A piece: all of the right edge, of whole bytes or up to the last column. */
        uint8_t piece[2 * 3 * 5];
        memset(piece, 0, sizeof piece);
        int16_t left = (int16_t)((stage.panel.width - 20) & ~7);
        struct jl_rect area = {left, 7, (int16_t)(stage.panel.width - left), 5};
        struct jl_rect odd = {(int16_t)(left + 1), 7, 8, 5};
        EXPECT_INT(jl_panel_send(&stage.panel, odd, piece, 3), JL_OUT_OF_RANGE);
        if (!red) {
            EXPECT_INT(jl_panel_send(&stage.panel, area, piece, 3), JL_OK);
            EXPECT_INT(jl_epaper_update(&stage.panel, JL_UPDATE_FAST), JL_OK);
            jl_fill_rect(&stage.frame.target, area, JL_BLACK);
            paper_expect_shown(&stage, &stage.frame, true); /* fast leaves slight ghosts */
        }
        EXPECT_INT(jl_frame_init(&greys, &jl_grey4, stage.panel.width, stage.panel.height,
                                 grey_pixels, sizeof grey_pixels),
                   JL_OK);
        jl_fill_rect(&greys.target, (struct jl_rect){0, 0, 50, stage.panel.height}, JL_WHITE);
        jl_status status = jl_panel_present_as(&stage.panel, &greys, buffer, sizeof buffer);
        EXPECT_INT(status, red ? JL_UNSUPPORTED : JL_OK);
        if (!red) {
            jl_fill_rect(&stage.frame.target, stage.frame.target.bounds, JL_BLACK);
            jl_fill_rect(&stage.frame.target, (struct jl_rect){0, 0, 50, stage.panel.height},
                         JL_WHITE);
            paper_expect_shown(&stage, &stage.frame, false);
        }
        paper_close(&stage);
    }
}

/* A BUSY pin that is stuck ends every wait in bounded time; the panel comes back. */
static void busy_is_stuck(void) {
    for (size_t i = 0; i < 2 * paper_make_count; i++) {
        for (int asynchronous = 0; asynchronous < 2; asynchronous++) {
            struct paper_stage stage;
            struct jl_async async;
            const struct paper_wish wish = {.ops = &paper_faulty_ops};
            test_row("%s, stuck at %zu, way %d", paper_makes[i / 2].name, i % 2, asynchronous);
            paper_open(&stage, &paper_makes[i / 2], &wish);
            paper_faults.stuck_busy = (int)(i % 2);
            double before = seconds(&stage);
            jl_status status = jl_async_init(&async, &stage.panel, NULL, NULL);
            if (asynchronous) {
                EXPECT_INT(jl_async_present(&async, &stage.frame), JL_OK);
                finish(&stage, &async, &status);
            } else {
                status = jl_panel_present(&stage.panel, &stage.frame);
            }
            EXPECT_INT(status, JL_TIMEOUT);
            EXPECT(seconds(&stage) - before < 70);
            EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_NOT_AWAKE);
            paper_faults.stuck_busy = -1;
            jl_board_wait_ps(stage.board, 200000000000000u);
            EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
            paper_expect_shown(&stage, &stage.frame, false);
            paper_close(&stage);
        }
    }
}

/* BUSY turned round by the module: the description says so, or nothing works. */
static void busy_is_inverted(void) {
    for (size_t i = 0; i < paper_make_count; i++) {
        struct paper_stage stage;
        const struct paper_wish wish = {.ops = &paper_faulty_ops, .paper = {.busy_inverted = true}};
        test_row("%s", paper_makes[i].name);
        paper_faults.inverted = true;
        paper_open(&stage, &paper_makes[i], &wish);
        paper_draw(&stage.frame, (unsigned)i);
        EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
        paper_expect_shown(&stage, &stage.frame, false);
        paper_faults.inverted = false;
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_TIMEOUT);
        paper_close(&stage);
    }
}

/* What cannot be is refused by name, and nothing is sent. */
static void refusals(void) {
    struct paper_stage stage;
    struct jl_epaper epaper;
    struct jl_panel closed = {0};
    const struct paper_make *paper = &paper_makes[1];
    paper_open(&stage, paper, &(struct paper_wish){.without_reset = true});
    EXPECT_INT(jl_panel_sleep(&stage.panel), JL_UNSUPPORTED); /* nothing could end it */
    EXPECT_INT(jl_epaper_request(&stage.panel, (enum jl_update)9), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_epaper_sleep_between(&stage.panel, true), JL_UNSUPPORTED);
    EXPECT_INT(jl_epaper_sleep_between(NULL, true), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_epaper_sleep_between(&closed, true), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_contrast(&stage.panel, 9), JL_UNSUPPORTED);
    EXPECT_INT(jl_panel_turn(&stage.panel, JL_TURN_90), JL_BAD_TURN);
    EXPECT_INT(jl_epaper_begin(&epaper, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_epaper_begin(&epaper, &closed), JL_NOT_AWAKE);
    EXPECT_INT(jl_epaper_begin(NULL, &stage.panel), JL_OK);
    EXPECT_INT(jl_epaper_request(&stage.panel, JL_UPDATE_FULL), JL_UNSUPPORTED);
    EXPECT_INT(jl_epaper_update(NULL, JL_UPDATE_FULL), JL_BAD_ARGUMENT);
    /* Greys without their wave. */
    struct jl_panel_config config = stage.config;
    config.format = &jl_grey2_planes;
    EXPECT_INT(jl_panel_open(&stage.panel, &config, &stage.port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    uint64_t before = jl_stream_byte_count(stage.sim.stream);
    static uint8_t pixels[JL_GREY2_PLANES_BYTES(128, 296)];
    EXPECT_INT(jl_panel_frame(&stage.panel, &stage.frame, pixels, sizeof pixels), JL_OK);
    EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_UNSUPPORTED);
    EXPECT_INT(jl_epaper_update(&stage.panel, JL_UPDATE_FULL), JL_UNSUPPORTED);
    EXPECT_INT((long long)(jl_stream_byte_count(stage.sim.stream) - before), 0);
    /* A column offset within a byte; sources from the other end where the part cannot. */
    config = stage.config;
    config.column_offset = 4;
    EXPECT_INT(jl_panel_open(&stage.panel, &config, &stage.port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_BAD_SIZE);
    config = stage.config;
    config.module |= JL_MODULE_MIRROR_X;
    EXPECT_INT(jl_panel_open(&stage.panel, &config, &stage.port), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_BAD_TURN);
    paper_close(&stage);
}

/*
 * Draws, presents by all ways, errors of the bus at any transfer, sleeps and wakes: after each good
 * present the glass is the frame but for ghosts, and at the end to the pixel.
 */
static void anything_at_random(void) {
    for (unsigned seed = 1; seed <= (unsigned)test_cases(120); seed++) {
        struct paper_stage stage;
        struct jl_async async;
        unsigned dice = seed * 7919;
        const struct paper_make *paper = &paper_makes[seed % paper_make_count];
        test_row("seed %u, %s", seed, paper->name);
        paper_open(&stage, paper,
                   &(struct paper_wish){.ops = &paper_faulty_ops,
                                        .paper = {.most_partials = (uint8_t)(seed % 5)}});
        EXPECT_INT(jl_async_init(&async, &stage.panel, NULL, NULL), JL_OK);
        EXPECT_INT(jl_epaper_sleep_between(&stage.panel, seed % 4 == 0), JL_OK);
        for (int step = 0; step < 14; step++) {
            dice = dice * 1664525u + 1013904223u;
            unsigned what = dice >> 24;
            jl_status status;
            if (what % 8 == 0) {
                status = jl_panel_sleep(&stage.panel);
                status = status == JL_OK ? jl_panel_resume(&stage.panel) : status;
            } else {
                for (unsigned i = 0; i < what % 3; i++) {
                    paper_draw(&stage.frame, dice >> (8 + i));
                }
                paper_faults.transfers = what % 5 == 1 ? (long)(dice >> 8) % 70 : -1;
                if (what % 11 == 2) {
                    jl_epaper_request(&stage.panel, (enum jl_update)(dice >> 12 & 3));
                }
                if (what & 0x40) {
                    status = jl_async_present(&async, &stage.frame);
                    status = status == JL_OK ? jl_async_finish(&async) : status;
                } else {
                    status = jl_panel_present(&stage.panel, &stage.frame);
                }
                if (status == JL_OK) {
                    paper_expect_shown(&stage, &stage.frame, true);
                }
            }
            if (status != JL_OK) {
                paper_faults.transfers = -1;
                EXPECT_INT(status, JL_BUS_ERROR);
                EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
            }
        }
        paper_faults.transfers = -1;
        EXPECT_INT(jl_epaper_request(&stage.panel, JL_UPDATE_FULL), JL_OK);
        EXPECT_INT(jl_panel_present(&stage.panel, &stage.frame), JL_OK);
        paper_expect_shown(&stage, &stage.frame, false);
        paper_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"asynchronous_presents", asynchronous_presents},
    {"bands_show_the_same", bands_show_the_same},
    {"bands_given_up", bands_given_up},
    {"bands_of_parts_only", bands_of_parts_only},
    {"refused_too_soon", refused_too_soon},
    {"other_ways", other_ways},
    {"busy_is_stuck", busy_is_stuck},
    {"busy_is_inverted", busy_is_inverted},
    {"refusals", refusals},
    {"anything_at_random", anything_at_random},
    {NULL, NULL},
};
