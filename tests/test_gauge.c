/* The demo's own picture: redrawing piece by piece ends as drawing at once, cheaply. */
#include "harness.h"

#include <string.h>

#include "jadelamp/jadelamp.h"
#include "naive.h"
#include "quay_gauge.h"

static uint8_t pixels[2][JL_MONO_COLUMNS_BYTES(128, 64)];
static struct jl_frame frames[2];

static void open_frame(int i) {
    EXPECT_INT(jl_frame_init(&frames[i], &jl_mono_columns, 128, 64, pixels[i], sizeof pixels[i]),
               JL_OK);
}

static void redrawing_equals_drawing(void) {
    struct test_random random = {3};
    open_frame(0);
    for (int i = 0; i < 300; i++) {
        struct quay_reading reading = {
            .minute = test_random_between(&random, 0, 1439),
            .height_cm = test_random_between(&random, -99, 999),
            .trend = (enum tide_trend)test_random_between(&random, -1, 1),
            .next_high_minute = test_random_between(&random, -1, 1439),
            .next_high_cm = test_random_between(&random, 100, 999),
        };
        test_row("reading %d: %d cm", i, (int)reading.height_cm);
        open_frame(1);
        quay_gauge_draw(&frames[0].target, &reading);
        quay_gauge_draw(&frames[1].target, &reading);
        EXPECT_BYTES(pixels[0], pixels[1], sizeof pixels[0]);
    }
}

/* The texts that the issue of the gauge is about, found at their place. */
static void texts_are_readable(void) {
    static const struct {
        int x, y, w;
        const char *text;
        bool inverted;
    } rows[] = {
        {5, 3, 60, "HERON QUAY", true}, {93, 3, 30, "09:40", true}, {88, 36, 6, "m", false},
        {97, 36, 30, "fall ", false},   {5, 53, 24, "HIGH", false}, {35, 53, 30, "15:14", false},
        {89, 53, 24, "3.91", false},
    };
    static struct naive sheet;
    struct quay_reading reading = {580, 84, TIDE_FALLING, 914, 391};
    open_frame(0);
    quay_gauge_draw(&frames[0].target, &reading);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].text);
        naive_init(&sheet, 128, 64);
        naive_text(&sheet, rows[i].x, rows[i].y, rows[i].text,
                   rows[i].inverted ? JL_BLACK : JL_WHITE, rows[i].inverted ? JL_WHITE : JL_BLACK);
        int wrong = 0;
        for (int y = rows[i].y; y < rows[i].y + 8; y++) {
            for (int x = rows[i].x; x < rows[i].x + rows[i].w; x++) {
                wrong += (pixels[0][y / 8 * 128 + x] >> y % 8 & 1) != (sheet.px[y][x] == JL_WHITE);
            }
        }
        EXPECT_INT(wrong, 0);
    }
}

const struct test_group test_groups[] = {
    {"redrawing_equals_drawing", redrawing_equals_drawing},
    {"texts_are_readable", texts_are_readable},
    {NULL, NULL},
};
