/* OLED parts that scroll by themselves, as any firmware may ask them to. */
#include "harness.h"
#include "jadelamp/sim/board.h"
#include "raw.h"

/*
 * Each part as its modules are seen from the front, column 0 left and row 0 on top: lit, the RAM
 * black, then one column address white, at column 20h and row 10h. That is one pixel; two, from
 * 64 on, of the ssd1327, and a byte of eight rows from 16 on of the ssd1305.
 */
#define FRONT_1305 "R ~1 CA1C8 C2000 C210083220007 *1056 CAF ~150 C212020220202 DFF "
#define FRONT_1327 "R ~1 CA051 C15003F75007F *8192 CAF ~300 C152020751010 DFF "
#define FRONT_1351                                                                                 \
    "R ~1 CFD D12 CFD DB1 CA0 D74 CA2 D00 C15 D007F C75 D007F C5C *32768 CAF ~300 C15 D2020 "      \
    "C75 D1010 C5C DFFFF "
#define FRONT_1331 "R ~1 CA072 CAD8E C15005F75003F *12288 CAF ~200 C152020751010 DFFFF "

static const struct glass_of {
    const struct jl_emulated_part *part;
    struct jl_glass glass;
    const char *front;
    int lit;
} parts[] = {
    {&jl_emulated_ssd1305, {.width = 132, .height = 64}, FRONT_1305, 8},
    {&jl_emulated_ssd1327, {.width = 128, .height = 128}, FRONT_1327, 2},
    {&jl_emulated_ssd1351, {.width = 128, .height = 128}, FRONT_1351, 1},
    {&jl_emulated_ssd1331, {.width = 96, .height = 64}, FRONT_1331, 1},
};
enum { OF_1305, OF_1327, OF_1351, OF_1331 };

static struct raw open_front(int of) {
    struct raw raw = raw_open(parts[of].part, parts[of].glass, 4000000);
    raw_play(&raw, parts[of].front);
    return raw;
}

/*
 * Where the white dot is after a time. Frames of 10 ms; of 9.73 on the ssd1305, whose datasheet has
 * a formula: 1 * (2 + 2 + 50) * 64 clocks of 355.2 kHz.
 */
static void dots_that_move(void) {
    static const struct {
        int of;
        const char *script;
        int x, y;
    } rows[] = {
        {OF_1305, "", 32, 16},
        {OF_1305, "C2603000607 C2F ~105", 32 + 15, 16},       /* 5 steps of 2 frames */
        {OF_1305, "C2701000407 C2F ~185", 32 - 6, 16},        /* 6 steps of 3 */
        {OF_1305, "C2604020602 C2F ~25 C2E ~99", 32 + 4, 16}, /* stopped after one */
        {OF_1305, "C2603030607 C2F ~105", 32, 16},            /* other pages */
        {OF_1305, "C290100000702 C2F ~130", 32 + 2, 16 - 4},  /* with rows, each 6 frames */
        {OF_1327, "", 64, 16},
        {OF_1327, "C260000077F003F00 C2F ~105", 64 + 10, 16},
        {OF_1327, "C270000077F003F00 C2F ~105", 64 - 10, 16},
        {OF_1327, "C260011077F003F00 C2F ~105", 64, 16},     /* rows below */
        {OF_1327, "C2600001C0F003F00 C2F ~105", 64, 16},     /* rows above */
        {OF_1327, "C2600000710202300 C2F ~105", 64 + 2, 16}, /* around 4 columns, 5 times */
        {OF_1327, "C260000007F003F00 C2F ~65", 64 + 2, 16},
        {OF_1327, "C260000017F003F00 C2F ~330", 64 + 2, 16},
        {OF_1327, "C260000037F003F00 C2F ~2570", 64 + 2, 16},
        {OF_1327, "CA050 C260000077F003F00 C2F ~25", 64 - 2, 16}, /* columns from the right */
        {OF_1351, "", 32, 16},
        {OF_1351, "C96 D0100800000 C9F ~105", 32 + 10, 16},
        {OF_1351, "C96 D4000800000 C9F ~105", 32 - 10, 16},
        {OF_1351, "C96 D0100800000 C9F ~55 CE3 ~50", 32 + 10, 16},
        {OF_1351, "C96 D0000800000 C9F ~105", 32, 16},
        {OF_1351, "C96 D0100100000 C9F ~105", 32, 16},      /* rows 0..15 */
        {OF_1351, "C96 D0110010000 C9F ~105", 32 + 10, 16}, /* row 16 only */
        {OF_1351, "C96 D0100800000 C9F ~1005", (32 + 100) % 128, 16},
        {OF_1351, "C96 D0100800000 C9F ~35 C9E ~99", 32 + 3, 16},
        {OF_1331, "", 32, 16},
        {OF_1331, "C270100400000 C2F ~125", 32 + 2, 16},
        {OF_1331, "C275F00400000 C2F ~125", 32 - 2, 16}, /* 95 of 96 */
        {OF_1331, "C270510010000 C2F ~125", 32 + 10, 16},
        {OF_1331, "C270511010000 C2F ~125", 32, 16},
        {OF_1331, "C270000000300 C2F ~125", 32, 16 - 6}, /* rows only */
        {OF_1331, "C270200400901 C2F ~205", 32 + 4, (16 - 18 + 64) % 64},
        {OF_1331, "C270100300000 CA070 C2F ~65", 32 + 1, 16}, /* as it was set up */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = open_front(rows[i].of);
        int x = -1, y = -1;
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        EXPECT_INT(raw_count_color(raw.device, 0xFFFFFF, &x, &y), parts[rows[i].of].lit);
        EXPECT_INT(x, rows[i].x);
        EXPECT_INT(y, rows[i].y);
        jl_board_destroy(raw.board);
    }
}

static void told_in_words(void) {
    static const struct {
        int of;
        const char *script, *says;
    } rows[] = {
        {OF_1305, "C2605000607", "00..04 columns"},
        {OF_1305, "C2604000607", NULL},
        {OF_1327, "C2F", "without a scroll setup"},
        {OF_1351, "C9F", "without a scroll setup"},
        {OF_1331, "C2F", "without a scroll setup"},
        {OF_1331, "C2E", NULL},
        {OF_1327, "C2600400720003F00", "rows 64..32: expected rows 0..127"},
        {OF_1327, "C260000077F004000", "columns inside the RAM"},
        {OF_1327, "CA050 C260000077F004000", "columns inside the RAM"},
        {OF_1351, "C96 D0101800000", "rows 1..128: expected rows 0..127"},
        {OF_1331, "C270120210000", "rows 32..64: expected rows 0..63"},
        {OF_1331, "C270100004000", "scroll setup 27"},
        {OF_1331, "C270100400000 C2F DFFFF", "RAM written while the scroll runs"},
        {OF_1331, "C270100400000 C2F C2E DFFFF", NULL},
        {OF_1351, "C96 D0100800000 C9F C5C DFFFF", "RAM written while the scroll runs"},
        /* 6144 pixels of 50 ns are 307.2 us */
        {OF_1331, "C2500005F3F C2500000101", "25 while the one before still draws"},
        {OF_1331, "C2500005F3F ~1 C2500000101", NULL},
        {OF_1331, "C2500000101 C2500000101", NULL}, /* 0.2 us: the bytes take longer */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = open_front(rows[i].of);
        test_row("%s, %s", jl_device_part(raw.device), rows[i].script);
        raw_play(&raw, rows[i].script);
        raw_expect_complaint(&raw, rows[i].says);
        jl_board_destroy(raw.board);
    }
}

const struct test_group test_groups[] = {
    {"dots_that_move", dots_that_move},
    {"told_in_words", told_in_words},
    {NULL, NULL},
};
