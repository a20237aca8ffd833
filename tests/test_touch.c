/*
 * Touch: from fingers on the emulated glass to pixels of the picture, by every part, turn and
 * mounting; calibration against worked examples and known truths; errors that give no ghost taps.
 */
#include "harness.h"

#include <math.h>
#include <stdlib.h>
#include <string.h>

#include "touch_stage.h"
#include "vcd.h"

/* ---- calibration ---- */

static const struct jl_touch_pair three[] = {
    {612, 655, 24, 32}, {3508, 2040, 216, 160}, {2075, 3470, 120, 288}};
static const struct jl_touch_pair five[] = {{612, 655, 24, 32},
                                            {3490, 640, 216, 32},
                                            {3508, 3452, 216, 288},
                                            {598, 3470, 24, 288},
                                            {2049, 2060, 120, 160}};

/* Exact solutions, worked out in fractions outside. */
static void worked_examples(void) {
    static const struct {
        const char *name;
        const struct jl_touch_pair *pairs;
        int count;
        int32_t rows[6];
        int16_t raw[2][2], at[2][2];
        double mean, most; /* residuals, pixels */
    } rows[] = {
        {"three",
         three,
         3,
         {4360, -31, -1075069, 62, 5928, -1823341},
         {{2048, 2048}, {300, 300}},
         {{119, 159}, {3, 0}},
         0,
         0},
        {"five",
         five,
         5,
         {4348, -3, -1048398, 34, 5963, -1840524},
         {{2048, 2048}, {612, 655}},
         {{120, 159}, {25, 32}},
         0.53,
         0.60},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_touch_map map;
        struct jl_touch_residuals off;
        test_row("%s points", rows[i].name);
        EXPECT_INT(jl_touch_calibrate(rows[i].pairs, (uint8_t)rows[i].count, &map, &off), JL_OK);
        const int32_t seen[] = {map.xx, map.xy, map.x0, map.yx, map.yy, map.y0};
        for (int k = 0; k < 6; k++) {
            EXPECT_INT(seen[k], rows[i].rows[k]);
        }
        for (int k = 0; k < 2; k++) {
            struct jl_point at = jl_touch_map_apply(&map, rows[i].raw[k][0], rows[i].raw[k][1]);
            EXPECT_INT(at.x, rows[i].at[k][0]);
            EXPECT_INT(at.y, rows[i].at[k][1]);
        }
        EXPECT(fabs(off.mean / 16.0 - rows[i].mean) < 1 / 16.0);
        EXPECT(fabs(off.most / 16.0 - rows[i].most) < 1 / 16.0);
        EXPECT(jl_touch_map_is_good(&map));
    }
}

/* Nine places across the whole of 12 bits: sums that do not fit 30. */
static void calibration_of_large_numbers(void) {
    struct jl_touch_pair pairs[9];
    struct jl_touch_map map;
    for (int16_t i = 0; i < 9; i++) {
        int16_t x = (int16_t)(20 + i % 3 * 100), y = (int16_t)(20 + i / 3 * 140);
        pairs[i] = (struct jl_touch_pair){(int16_t)(16 * x + 200), (int16_t)(4000 - 13 * y), x, y};
    }
    EXPECT_INT(jl_touch_calibrate(pairs, 9, &map, NULL), JL_OK);
    for (int16_t x = 0; x < 240; x = (int16_t)(x + 17)) {
        struct jl_point at =
            jl_touch_map_apply(&map, (int16_t)(16 * x + 200), (int16_t)(4000 - 13 * (x + 60)));
        EXPECT(abs(at.x - x) <= 1 && abs(at.y - (x + 60)) <= 1);
    }
}

static void calibration_refuses(void) {
    static const struct {
        const char *name;
        struct jl_touch_pair pairs[5];
        int count;
        jl_status status;
    } rows[] = {
        {"two", {{0, 0, 0, 0}, {100, 900, 9, 9}}, 2, JL_BAD_ARGUMENT},
        {"ten", {{0, 0, 0, 0}}, 10, JL_BAD_ARGUMENT},
        {"in line",
         {{500, 500, 24, 32}, {2000, 2000, 120, 160}, {3500, 3500, 216, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"nearly in line",
         {{500, 500, 24, 32}, {2000, 2010, 120, 160}, {3500, 3500, 216, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"bent a little",
         {{500, 500, 24, 32}, {2000, 2080, 120, 160}, {3500, 3500, 216, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"too close along x",
         {{500, 500, 24, 32}, {510, 500, 216, 32}, {500, 3500, 24, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"too close along y",
         {{500, 500, 24, 32}, {3500, 500, 216, 32}, {500, 510, 24, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"upright line",
         {{500, 500, 24, 32}, {500, 2000, 24, 160}, {500, 3500, 24, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"one place",
         {{500, 500, 24, 32}, {500, 500, 216, 32}, {500, 500, 24, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"too close",
         {{500, 500, 24, 32}, {510, 500, 216, 32}, {500, 510, 24, 288}},
         3,
         JL_OUT_OF_RANGE},
        {"raw negative",
         {{-1, 500, 24, 32}, {3500, 500, 216, 32}, {500, 3500, 24, 288}},
         3,
         JL_BAD_ARGUMENT},
        {"raw of 13 bits",
         {{500, 500, 24, 32}, {4096, 500, 216, 32}, {500, 3500, 24, 288}},
         3,
         JL_BAD_ARGUMENT},
        {"far glass",
         {{500, 500, 24, 32}, {3500, 500, 8192, 32}, {500, 3500, 24, 288}},
         3,
         JL_BAD_ARGUMENT},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_touch_map map, before;
        memset(&map, 0x5A, sizeof map);
        before = map;
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_touch_calibrate(rows[i].pairs, (uint8_t)rows[i].count, &map, NULL),
                   rows[i].status);
        EXPECT_BYTES(&map, &before, sizeof map);
    }
    struct jl_touch_map map;
    EXPECT_INT(jl_touch_calibrate(NULL, 3, &map, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_calibrate(three, 3, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT(!jl_touch_map_is_good(NULL));
}

/* What came back from an EEPROM with any bit turned is no map. */
static void check_word(void) {
    struct jl_touch_map map;
    EXPECT_INT(jl_touch_calibrate(five, 5, &map, NULL), JL_OK);
    for (size_t bit = 0; bit < 8 * sizeof map; bit++) {
        struct jl_touch_map read_back = map;
        ((uint8_t *)&read_back)[bit / 8] ^= (uint8_t)(1 << bit % 8);
        test_row("bit %zu", bit);
        EXPECT(!jl_touch_map_is_good(&read_back));
    }
    memset(&map, 0xFF, sizeof map);
    EXPECT(!jl_touch_map_is_good(&map));
    memset(&map, 0, sizeof map);
    EXPECT(!jl_touch_map_is_good(&map));
}

/* Any affine truth, with noise: the map is within the noise of it, on the whole glass. */
static void random_truths(void) {
    struct test_random random = {77};
    for (int run = 0; run < 2000; run++) {
        int count = test_random_between(&random, 0, 1) ? 5 : 3;
        int noise = test_random_between(&random, 0, 8);
        int width = test_random_between(&random, 64, 800);
        int height = test_random_between(&random, 48, 800);
        /* raw = corner + across * x / width + down * y / height, with axes exchanged or not,
         * mirrored or not, and slightly askew */
        double across[2] = {test_random_between(&random, 1500, 3600), 0};
        double down[2] = {0, test_random_between(&random, 1500, 3600)};
        across[1] = test_random_between(&random, -150, 150);
        down[0] = test_random_between(&random, -150, 150);
        bool exchanged = test_random_between(&random, 0, 1), flip_x = random.state >> 7 & 1,
             flip_y = random.state >> 9 & 1;
        struct jl_touch_pair pairs[5];
        static const int places[2][5][2] = {{{10, 10}, {90, 50}, {50, 90}},
                                            {{10, 10}, {90, 10}, {90, 90}, {10, 90}, {50, 50}}};
        for (int i = 0; i < count; i++) {
            int x = width * places[count == 5][i][0] / 100,
                y = height * places[count == 5][i][1] / 100;
            double fx = (flip_x ? width - x : x) / (double)width;
            double fy = (flip_y ? height - y : y) / (double)height;
            double raw[2];
            for (int axis = 0; axis < 2; axis++) {
                raw[axis] = 230 + across[axis] * fx + down[axis] * fy +
                            test_random_between(&random, -noise, noise);
            }
            pairs[i] =
                (struct jl_touch_pair){(int16_t)lround(raw[exchanged]),
                                       (int16_t)lround(raw[!exchanged]), (int16_t)x, (int16_t)y};
        }
        struct jl_touch_map map;
        struct jl_touch_residuals off;
        test_row("run %d: %d points, %dx%d, noise %d", run, count, width, height, noise);
        if (!EXPECT_INT(jl_touch_calibrate(pairs, (uint8_t)count, &map, &off), JL_OK)) {
            return;
        }
        /* A count of noise is at most 800/1500 pixels; three points can double it at the ends. */
        double bound = 1.5 + noise * 800 / 1500.0 * 3.5;
        for (int i = 0; i < 20; i++) {
            int x = test_random_between(&random, 0, width - 1);
            int y = test_random_between(&random, 0, height - 1);
            double fx = (flip_x ? width - x : x) / (double)width;
            double fy = (flip_y ? height - y : y) / (double)height;
            double raw[2];
            for (int axis = 0; axis < 2; axis++) {
                raw[axis] = 230 + across[axis] * fx + down[axis] * fy;
            }
            struct jl_point at = jl_touch_map_apply(&map, (int16_t)lround(raw[exchanged]),
                                                    (int16_t)lround(raw[!exchanged]));
            if (!EXPECT(abs(at.x - x) <= bound && abs(at.y - y) <= bound)) {
                return;
            }
        }
        EXPECT(count > 3 || off.most <= 16); /* three points fit exactly, but for rounding */
    }
}

/* ---- the parts on the board ---- */

static void tick(struct touch_stage *s) {
    jl_board_wait_ps(s->board, (uint64_t)11000000000); /* longer than a report's period */
}

static size_t complaints_of(struct touch_stage *s) {
    return jl_board_diagnostic_total(s->board);
}

/*
 * A pixel is set on a picture that is turned, by the drawing calls; where it comes out on the
 * upright glass the finger is put; and the touch must be at that pixel of the picture again.
 */
static void turns_and_mountings(void) {
    static uint8_t pixels[JL_MONO_ROWS_BYTES(TOUCH_WIDTH, TOUCH_HEIGHT)];
    static const int16_t places[][2] = {{0, 0}, {17, 40}, {200, 5}, {120, 210}};
    for (int p = 0; p < TOUCH_PARTS; p++) {
        for (int mounting = 0; mounting < 8; mounting++) {
            struct touch_stage s;
            touch_stage_awake(&s, &touch_makes[p], (uint8_t)mounting);
            for (int turn = 0; turn < 8; turn++) {
                for (size_t i = 0; i < sizeof places / sizeof places[0]; i++) {
                    struct jl_frame frame;
                    struct jl_touch_point points[JL_TOUCH_POINTS];
                    EXPECT_INT(jl_frame_init(&frame, &jl_mono_rows, TOUCH_WIDTH, TOUCH_HEIGHT,
                                             pixels, sizeof pixels),
                               JL_OK);
                    jl_target_turn(&frame.target, (uint8_t)turn);
                    jl_draw_pixel(&frame.target, places[i][0], places[i][1], JL_WHITE);
                    size_t at = 0;
                    while (at < sizeof pixels && !pixels[at]) {
                        at++;
                    }
                    int bit = 0;
                    while (!(pixels[at] << bit & 0x80)) {
                        bit++;
                    }
                    jl_touch_press(s.device, 0, (int)(at % (TOUCH_WIDTH / 8)) * 8 + bit,
                                   (int)(at / (TOUCH_WIDTH / 8)));
                    test_row("%s, mounting %d, turn %d, place %zu", touch_makes[p].name, mounting,
                             turn, i);
                    EXPECT_INT(jl_touch_turn(&s.touch, (uint8_t)turn), JL_OK);
                    int slack = touch_makes[p].part->is_spi ? 1 : 0; /* calibration's rounding */
                    if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
                        EXPECT(abs(points[0].x - places[i][0]) <= slack);
                        EXPECT(abs(points[0].y - places[i][1]) <= slack);
                    }
                }
            }
            jl_touch_lift(s.device, 0);
            struct jl_touch_point points[JL_TOUCH_POINTS];
            EXPECT_INT(touch_stage_look(&s, points), 0);
            EXPECT_INT((long long)complaints_of(&s), 0);
            jl_board_destroy(s.board);
        }
    }
}

/* As many fingers as the part has, each known again by its number. */
static void several_fingers(void) {
    for (int p = 0; p < TOUCH_PARTS; p++) {
        struct touch_stage s;
        struct jl_touch_point points[JL_TOUCH_POINTS];
        touch_stage_awake(&s, &touch_makes[p], 0);
        test_row("%s", touch_makes[p].name);
        for (int i = 0; i < 5; i++) {
            jl_touch_press(s.device, i, 20 + 40 * i, 300 - 50 * i);
        }
        if (EXPECT_INT(touch_stage_look(&s, points), touch_makes[p].fingers)) {
            for (int i = 0; i < touch_makes[p].fingers; i++) {
                EXPECT_INT(points[i].finger, i);
                EXPECT(abs(points[i].x - (20 + 40 * i)) <= 1);
                EXPECT(abs(points[i].y - (300 - 50 * i)) <= 1);
            }
        }
        uint8_t again = 0; /* before the next report: they are still there */
        jl_board_wait_ps(s.board, 1000000000);
        EXPECT_INT(jl_touch_read(&s.touch, points, 5, &again), JL_OK);
        EXPECT_INT(again, touch_makes[p].fingers);
        jl_touch_lift(s.device, 0); /* the others keep their numbers */
        if (EXPECT_INT(touch_stage_look(&s, points), touch_makes[p].fingers - 1) &&
            touch_makes[p].fingers > 1) {
            EXPECT_INT(points[0].finger, 1);
            EXPECT_INT(points[0].x, 60);
        }
        uint8_t count = 0;
        tick(&s);
        EXPECT_INT(jl_touch_read(&s.touch, points, 1, &count), JL_OK); /* no more than asked for */
        EXPECT_INT(count, touch_makes[p].fingers > 1);
        jl_board_destroy(s.board);
    }
}

/* Without the pen line polling does; with it the bus is quiet while nothing touches. */
static void pen_line(void) {
    static const struct {
        int part;
        bool pen;
        bool quiet;
    } rows[] = {{0, true, true},  {0, false, false}, {1, true, false},
                {3, true, false}, {4, true, true},   {4, false, false}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct touch_stage s;
        struct jl_touch_point points[JL_TOUCH_POINTS];
        touch_stage_awake(&s, &touch_makes[rows[i].part], 0);
        s.config.pen_wired = rows[i].pen;
        EXPECT_INT(jl_touch_open(&s.touch, &s.config, &s.port), JL_OK);
        test_row("%s, pen line %d", touch_makes[rows[i].part].name, rows[i].pen);
        EXPECT_INT(touch_stage_look(&s, points), 0);
        uint64_t before = s.i2c ? jl_i2c_byte_count(s.i2c) : jl_stream_byte_count(s.sim.stream);
        EXPECT_INT(touch_stage_look(&s, points), 0);
        uint64_t after = s.i2c ? jl_i2c_byte_count(s.i2c) : jl_stream_byte_count(s.sim.stream);
        EXPECT_INT(after == before, rows[i].quiet);
        jl_touch_press(s.device, 0, 50, 60);
        EXPECT_INT(touch_stage_look(&s, points), 1);
        EXPECT_INT(touch_stage_look(&s, points), 1); /* the pen line was armed again */
        jl_touch_lift(s.device, 0);
        EXPECT_INT(touch_stage_look(&s, points), 0);
        jl_board_destroy(s.board);
    }
}

/* A recording has the pen line as it moves, to the millisecond, however long nobody looks. */
static void recorded_pen_line(void) {
    static const struct jl_hand_step steps[] = {{12300000000u, JL_HAND_PRESS, 0, 50, 60},
                                                {15600000000u, JL_HAND_LIFT, 0, 50, 60},
                                                {40000000000u, JL_HAND_PRESS, 0, 70, 80}};
    static const struct {
        int ms;
        bool high;
    } edges[] = {{13, false}, {16, true}, {40, false}};
    struct touch_stage s;
    struct vcd_text text = {0};
    touch_stage_open(&s, &touch_makes[4], 0);
    jl_touch_follow(s.device, steps, 3);
    EXPECT(jl_board_record(s.board, vcd_take, &text));
    jl_board_wait_ps(s.board, 45000000000u - jl_board_now_ps(s.board));
    EXPECT(jl_board_record_end(s.board));
    struct vcd vcd = vcd_parse(text.text);
    int wire = vcd_wire(&vcd, "xpt2046", "pen"), at = 0;
    EXPECT(vcd.good && wire >= 0);
    for (size_t i = 0; i < vcd.edge_count; i++) {
        if (vcd.edges[i].wire == wire && vcd.edges[i].ns > 0 && EXPECT(at < 3)) {
            test_row("edge %d", at);
            EXPECT_INT((int)(vcd.edges[i].ns / 1000000), edges[at].ms);
            EXPECT_INT(vcd.edges[i].high, edges[at].high);
            at++;
        }
    }
    EXPECT_INT(at, 3);
    vcd_free(&vcd);
    free(text.text);
    jl_board_destroy(s.board);
}

static bool stuck_low(void *context, enum jl_pin pin) {
    (void)context;
    (void)pin;
    return false;
}

static bool stuck_high(void *context, enum jl_pin pin) {
    (void)context;
    (void)pin;
    return true;
}

/* A pen line that is stuck: low, it is as if there were none; high, nothing is ever touched. */
static void stuck_pen_line(void) {
    static const int stuck_parts[] = {0, 4};
    for (size_t i = 0; i < 2; i++) {
        for (int high = 0; high < 2; high++) {
            struct touch_stage s;
            struct jl_touch_point points[JL_TOUCH_POINTS];
            touch_stage_awake(&s, &touch_makes[stuck_parts[i]], 0);
            struct jl_port_ops ops = *s.port.ops;
            ops.get_pin = high ? stuck_high : stuck_low;
            s.port.ops = &ops;
            test_row("%s, stuck %s", touch_makes[stuck_parts[i]].name, high ? "high" : "low");
            for (int k = 0; k < 5; k++) {
                EXPECT_INT(touch_stage_look(&s, points), 0);
            }
            jl_touch_press(s.device, 0, 50, 60);
            EXPECT_INT(touch_stage_look(&s, points), !high);
            jl_touch_lift(s.device, 0);
            EXPECT_INT(touch_stage_look(&s, points), 0);
            jl_board_destroy(s.board);
        }
    }
}

/* A little off the glass is its edge, further off is nothing. */
static void off_the_glass(void) {
    struct touch_stage s;
    struct jl_touch_point points[JL_TOUCH_POINTS];
    touch_stage_awake(&s, &touch_makes[4], 0);
    static const struct {
        int x, y, seen, at_x, at_y;
    } rows[] = {{-5, 100, 1, 0, 100},    {245, 100, 1, 239, 100}, {100, -5, 1, 100, 0},
                {100, 325, 1, 100, 319}, {-13, 100, 0, 0, 0},     {252, 100, 0, 0, 0},
                {100, -15, 0, 0, 0},     {100, 335, 0, 0, 0},     {-8, 100, 1, 0, 100},
                {-9, 100, 0, 0, 0},      {247, 100, 1, 239, 100}, {248, 100, 0, 0, 0}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("finger at %d, %d", rows[i].x, rows[i].y);
        jl_touch_press(s.device, 0, rows[i].x, rows[i].y);
        if (EXPECT_INT(touch_stage_look(&s, points), rows[i].seen) && rows[i].seen) {
            EXPECT(abs(points[0].x - rows[i].at_x) <= 1 && abs(points[0].y - rows[i].at_y) <= 1);
        }
    }
    jl_board_destroy(s.board);
}

/* Every byte of a read may go wrong: a status, no point; and the next read is right again. */
static void bus_errors(void) {
    for (int p = 0; p < TOUCH_PARTS - 1; p++) {
        struct touch_stage s;
        struct jl_touch_point points[JL_TOUCH_POINTS];
        touch_stage_awake(&s, &touch_makes[p], 0);
        jl_touch_press(s.device, 0, 70, 80);
        EXPECT_INT(touch_stage_look(&s, points), 1);
        for (uint64_t byte = 0; byte < 3; byte++) {
            uint8_t count = 99;
            test_row("%s, byte %d", touch_makes[p].name, (int)byte);
            tick(&s);
            jl_i2c_fail_at(s.i2c, byte, false);
            EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_NO_ANSWER);
            EXPECT_INT(count, 0);
            jl_i2c_heal(s.i2c);
            if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
                EXPECT_INT(points[0].x, 70);
            }
        }
        uint8_t count = 99;
        bool touching = true;
        struct jl_point raw;
        jl_device_set_plugged(s.device, false);
        s.config.pen_wired = false;
        EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_NO_ANSWER);
        EXPECT_INT(count, 0);
        EXPECT_INT(jl_touch_read_raw(&s.touch, &raw, &touching), JL_NO_ANSWER);
        EXPECT(!touching);
        EXPECT_INT(jl_touch_wake(&s.touch), JL_NO_ANSWER);
        jl_i2c_hold_sda(s.i2c, true);
        EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_TIMEOUT);
        jl_i2c_hold_sda(s.i2c, false);
        jl_device_set_plugged(s.device, true);
        EXPECT_INT(jl_touch_wake(&s.touch), JL_OK);
        EXPECT_INT(touch_stage_look(&s, points), 1);
        jl_board_destroy(s.board);
    }
}

/* On SPI nobody says that a part is not there: its line floats high, or lies low. */
static void resistive_glass(void) {
    struct touch_stage s;
    struct jl_touch_point points[JL_TOUCH_POINTS];
    touch_stage_awake(&s, &touch_makes[4], 0);
    s.config.pen_wired = false;
    EXPECT_INT(jl_touch_open(&s.touch, &s.config, &s.port), JL_OK);
    test_row("pressure");
    jl_touch_press(s.device, 0, 120, 160);
    if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
        /* 400 ohms * x / 4096 * (2600 / 700 - 1) at x = 200 + 120 / 239 * 3700 = 2058 */
        EXPECT(abs(points[0].pressure - 545) <= 3);
    }
    test_row("pressed faintly"); /* Z1 of 400 is 1105 ohms, of 200 it is 2410 */
    struct jl_touch_flaws faint = {.faint = 300};
    jl_touch_set_flaws(s.device, &faint);
    EXPECT_INT(touch_stage_look(&s, points), 1);
    faint.faint = 500;
    jl_touch_set_flaws(s.device, &faint);
    EXPECT_INT(touch_stage_look(&s, points), 0);
    faint.faint = 0;
    jl_touch_set_flaws(s.device, &faint);
    test_row("not plugged");
    jl_device_set_plugged(s.device, false);
    struct jl_point raw;
    bool touching = true;
    EXPECT_INT(jl_touch_read_raw(&s.touch, &raw, &touching), JL_OK);
    EXPECT(!touching);
    EXPECT_INT(touch_stage_look(&s, points), 0);
    jl_device_set_plugged(s.device, true);
    test_row("little noise");
    struct jl_touch_flaws noisy = {.noise = 12};
    jl_touch_set_flaws(s.device, &noisy);
    int off = 0;
    for (int i = 0; i < 200; i++) {
        if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
            EXPECT(abs(points[0].x - 120) <= 1 && abs(points[0].y - 160) <= 1);
            off += points[0].x - 120;
        }
    }
    EXPECT(abs(off) < 60);  /* a median leans to no side */
    test_row("much noise"); /* right or nothing */
    noisy.noise = 60;
    jl_touch_set_flaws(s.device, &noisy);
    int seen = 0;
    for (int i = 0; i < 200; i++) {
        int count = touch_stage_look(&s, points);
        seen += count;
        EXPECT(count == 0 || (abs(points[0].x - 120) <= 4 && abs(points[0].y - 160) <= 5));
    }
    EXPECT(seen < 100);
    test_row("drift"); /* 185 counts an hour are 12 pixels of 240 in 3700 counts */
    struct jl_touch_flaws drift = {.drift_x = 185};
    jl_touch_set_flaws(s.device, &drift);
    jl_board_wait_ps(s.board, 3600 * (uint64_t)1000000000000 - jl_board_now_ps(s.board));
    if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
        EXPECT(abs(points[0].x - 132) <= 1);
    }
    jl_board_wait_ps(s.board, 2 * 3600 * (uint64_t)1000000000000); /* three hours */
    if (EXPECT_INT(touch_stage_look(&s, points), 1)) {
        EXPECT(abs(points[0].x - 156) <= 1);
    }
    jl_board_destroy(s.board);
}

/* The finger leaves between two samples, at any time of a read. */
static void leaving(void) {
    struct touch_stage s;
    struct jl_touch_point points[JL_TOUCH_POINTS];
    touch_stage_awake(&s, &touch_makes[4], 0);
    s.config.pen_wired = false;
    int ghosts = 0, right = 0;
    uint8_t count = 0;
    jl_touch_press(s.device, 0, 100, 100);
    uint64_t start = jl_board_now_ps(s.board);
    EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_OK);
    int whole_us = (int)((jl_board_now_ps(s.board) - start) / 1000000);
    jl_touch_lift(s.device, 0);
    for (int us = 0; us < 400; us += 3) {
        uint64_t now = jl_board_now_ps(s.board);
        struct jl_hand_step steps[] = {{now, JL_HAND_PRESS, 0, 100, 100},
                                       {now + (uint64_t)us * 1000000, JL_HAND_LIFT, 0, 0, 0}};
        jl_touch_follow(s.device, steps, 2);
        EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_OK);
        bool at_it = count && abs(points[0].x - 100) <= 1 && abs(points[0].y - 100) <= 1;
        ghosts += count && !at_it;
        /* Of 19 conversions the last but one is the pressure afterwards. */
        EXPECT(us * 19 > whole_us * 17 - 19 * 15 || !count);
        right += at_it;
        tick(&s);
    }
    EXPECT_INT(ghosts, 0);
    EXPECT(right > 10); /* it left behind the read */
    jl_board_destroy(s.board);
}

/* Contact that comes and goes, behind a press and behind a lift; then it is steady. */
static void bounces(void) {
    struct touch_stage s;
    touch_stage_awake(&s, &touch_makes[0], 0);
    struct jl_touch_flaws flaws = {.bounce_us = 3000};
    jl_touch_set_flaws(s.device, &flaws);
    for (int lift = 0; lift < 2; lift++) {
        int changes = 0, late = 0;
        if (lift) {
            jl_touch_lift(s.device, 0);
        } else {
            jl_touch_press(s.device, 0, 9, 9);
        }
        bool level = lift;
        for (int us = 0; us < 10000; us += 50) {
            bool up = jl_device_pin(s.device, JL_DEVICE_PEN);
            changes += up != level;
            late += up != level && us > 3050;
            level = up;
            jl_board_wait_ps(s.board, 50000000);
        }
        test_row(lift ? "lifted" : "pressed");
        EXPECT(changes > 4);
        EXPECT_INT(late, 0);
        EXPECT_INT(level, lift);
    }
    jl_board_destroy(s.board);
}

/* What parts say of programs that read too early, too fast, or do not take reports. */
static void judged(void) {
    const struct jl_diagnostic *list;
    struct jl_touch_point points[JL_TOUCH_POINTS];
    uint8_t count;
    struct touch_stage s;

    touch_stage_open(&s, &touch_makes[0], 0);
    test_row("ft6x36 while it boots");
    s.config.pen_wired = false;
    jl_touch_press(s.device, 0, 50, 50);
    EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_OK);
    EXPECT_INT(count, 0); /* it tells fifteen fingers */
    struct jl_point raw;
    bool touching = true;
    EXPECT_INT(jl_touch_read_raw(&s.touch, &raw, &touching), JL_OK);
    EXPECT(!touching);
    EXPECT_INT((long long)jl_board_diagnostics(s.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "while it boots: its registers are valid 300 ms after");
    jl_board_destroy(s.board);

    touch_stage_open(&s, &touch_makes[1], 0);
    test_row("gt911, report not taken");
    EXPECT_INT(jl_touch_wake(&s.touch), JL_OK);
    jl_touch_press(s.device, 0, 50, 50);
    for (int i = 0; i < 5; i++) {
        tick(&s);
        EXPECT(jl_i2c_start(s.i2c) && jl_i2c_write(s.i2c, 0xBA) && jl_i2c_write(s.i2c, 0x81) &&
               jl_i2c_write(s.i2c, 0x4E) && jl_i2c_start(s.i2c) && jl_i2c_write(s.i2c, 0xBB));
        EXPECT_INT(jl_i2c_read(s.i2c, false), 0x81);
        jl_i2c_stop(s.i2c);
    }
    EXPECT_INT((long long)jl_board_diagnostics(s.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "write 0 to 814E");
    jl_board_destroy(s.board);

    touch_stage_awake(&s, &touch_makes[4], 0);
    test_row("xpt2046, clock");
    EXPECT(jl_stream_clock(s.sim.stream, 4000000));
    jl_touch_press(s.device, 0, 50, 50);
    EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_OK);
    EXPECT(jl_board_diagnostics(s.board, &list) > 0);
    EXPECT_CONTAINS(list[0].text, "the datasheet allows 2.50 MHz");
    jl_board_destroy(s.board);

    touch_stage_open(&s, &touch_makes[3], 0);
    test_row("cst816, reset too short");
    jl_device_set_pin(s.device, JL_DEVICE_RESET, false);
    jl_board_wait_ps(s.board, 1000000000);
    jl_device_set_pin(s.device, JL_DEVICE_RESET, true);
    EXPECT_INT((long long)jl_board_diagnostics(s.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "reset was low for 1.0 ms, at least 5 ms");
    jl_board_destroy(s.board);
}

/* cst816: asleep it answers no address. That is an error, unless it may sleep. */
static void sleeping_part(void) {
    struct jl_touch_point points[JL_TOUCH_POINTS];
    struct touch_stage s;
    uint8_t count;
    for (int sleeps = 0; sleeps < 2; sleeps++) {
        touch_stage_open(&s, &touch_makes[3], 0);
        s.config.sleeps = sleeps;
        test_row("may sleep %d", sleeps);
        EXPECT_INT(jl_touch_wake(&s.touch), JL_OK);
        jl_board_wait_ps(s.board, (uint64_t)20000000000000);
        EXPECT_INT(touch_stage_look(&s, points), 0);
        EXPECT(jl_i2c_start(s.i2c));
        EXPECT_INT(jl_i2c_write(s.i2c, 0x2A), !sleeps);
        jl_i2c_stop(s.i2c);
        jl_touch_press(s.device, 0, 10, 20);
        EXPECT_INT(touch_stage_look(&s, points), 1); /* the touch woke it */
        jl_board_destroy(s.board);
    }
    touch_stage_open(&s, &touch_makes[3], 0);
    test_row("asleep, but told to stay awake: by nobody");
    jl_board_wait_ps(s.board, (uint64_t)20000000000000);
    EXPECT_INT(jl_touch_read(&s.touch, points, 5, &count), JL_NO_ANSWER);
    EXPECT_INT(count, 0);
    EXPECT_INT(jl_touch_wake(&s.touch), JL_OK); /* reset is wired */
    jl_board_destroy(s.board);
}

static void opening(void) {
    static const struct jl_port_ops no_receive = {.send = NULL};
    struct touch_stage s;
    touch_stage_open(&s, &touch_makes[4], 0);
    struct jl_touch touch;
    struct jl_touch_map bad = {0};
    struct jl_port deaf = {.ops = &no_receive};
    struct jl_touch_config c = s.config;
    EXPECT_INT(jl_touch_open(NULL, &c, &s.port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_open(&touch, NULL, &s.port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_open(&touch, &c, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_open(&touch, &c, &deaf), JL_BAD_PORT);
    c.map = &bad;
    EXPECT_INT(jl_touch_open(&touch, &c, &s.port), JL_BAD_ARGUMENT);
    c = s.config;
    c.part = NULL;
    EXPECT_INT(jl_touch_open(&touch, &c, &s.port), JL_BAD_ARGUMENT);
    c = s.config;
    c.width = 0;
    EXPECT_INT(jl_touch_open(&touch, &c, &s.port), JL_BAD_SIZE);
    c = s.config;
    c.mounting = 8;
    EXPECT_INT(jl_touch_open(&touch, &c, &s.port), JL_BAD_TURN);
    c = s.config;
    c.part = &jl_ft6x36;
    c.i2c_address = 0x70; /* the 8-bit form of 38 is a good 7-bit address, but this is not: */
    EXPECT_INT(jl_touch_open(&touch, &c, &s.port), JL_OK);
    c.i2c_address = 0x78;
    EXPECT_INT(jl_touch_open(&touch, &c, &s.port), JL_BAD_ADDRESS);
    /* Not open after that: every call says so. */
    struct jl_touch_point points[1];
    struct jl_point raw;
    uint8_t count = 9;
    bool touching = true;
    EXPECT_INT(jl_touch_wake(&touch), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_turn(&touch, 0), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_turn(&s.touch, 8), JL_BAD_TURN);
    EXPECT_INT(jl_touch_read(&touch, points, 1, &count), JL_BAD_ARGUMENT);
    EXPECT_INT(count, 0);
    EXPECT_INT(jl_touch_read(&s.touch, points, 1, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_touch_read_raw(&touch, &raw, &touching), JL_BAD_ARGUMENT);
    EXPECT(!touching);
    jl_board_destroy(s.board);
}

const struct test_group test_groups[] = {
    {"worked_examples", worked_examples},
    {"calibration_of_large_numbers", calibration_of_large_numbers},
    {"calibration_refuses", calibration_refuses},
    {"check_word", check_word},
    {"random_truths", random_truths},
    {"turns_and_mountings", turns_and_mountings},
    {"several_fingers", several_fingers},
    {"pen_line", pen_line},
    {"recorded_pen_line", recorded_pen_line},
    {"stuck_pen_line", stuck_pen_line},
    {"off_the_glass", off_the_glass},
    {"bus_errors", bus_errors},
    {"resistive_glass", resistive_glass},
    {"leaving", leaving},
    {"bounces", bounces},
    {"judged", judged},
    {"sleeping_part", sleeping_part},
    {"opening", opening},
    {NULL, NULL},
};
