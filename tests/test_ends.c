/*
 * Where coordinates end, and where nothing is drawn: calls there neither wrap nor touch a pixel
 * that is not theirs.
 */
#include "harness.h"

#include <string.h>

#include "jadelamp/jadelamp.h"

enum { W = 40, H = 24, GREY = 0x5A };

static uint8_t pixels[W * H * 3], before[W * H * 3];
static struct jl_frame frame;
static struct jl_target *t = &frame.target;

static const struct jl_text_style plain = {
    .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};

static void begin(void) {
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, W, H, pixels, sizeof pixels), JL_OK);
    memset(pixels, GREY, sizeof pixels);
    memset(before, GREY, sizeof before);
}

/* Pixels that are not grey any more. */
static int drawn(void) {
    int count = 0;
    for (int i = 0; i < W * H; i++) {
        count += memcmp(pixels + 3 * i, before + 3 * i, 3) != 0;
    }
    return count;
}

static void turned_text_far_away(void) {
    static const struct {
        int16_t x, y;
    } rows[] = {{-8193, 0},
                {0, -8193},
                {W + 8193, 0},
                {0, H + 8193},
                {INT16_MIN, INT16_MIN},
                {INT16_MAX, INT16_MAX}};
    struct jl_target wide, high;
    static const struct jl_target_ops nowhere = {.fill = NULL};
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        for (int way = JL_TEXT_RIGHT; way <= JL_TEXT_UP; way++) {
            test_row("%d, %d", rows[i].x, rows[i].y);
            EXPECT_INT(
                jl_text_turned(t, rows[i].x, rows[i].y, (enum jl_text_way)way, "\x01", &plain), 0);
        }
    }
    EXPECT_INT(drawn(), 0);
    /* Nor where the target itself is so large: its operations would crash. */
    jl_target_init(&wide, &nowhere, 9000, 10);
    jl_target_init(&high, &nowhere, 10, 9000);
    EXPECT_INT(jl_text_turned(&wide, 0, 0, JL_TEXT_DOWN, "A", &plain), 0);
    EXPECT_INT(jl_text_turned(&high, 0, 0, JL_TEXT_DOWN, "A", &plain), 0);
    /* At the edge of what is near, a missing character is still counted. */
    EXPECT_INT(jl_text_turned(t, -8192, 0, JL_TEXT_DOWN, "\x01", &plain), 1);
}

static void boxes_of_text(void) {
    static char text[6000];
    begin();
    memset(text, 'W', sizeof text - 1);
    /* Aligned to the right of a box at the left end: it begins left of all coordinates. */
    jl_text_box(t, (struct jl_rect){INT16_MIN, 0, 40, 8}, JL_ANCHOR_RIGHT, text, &plain);
    jl_text_box(t, (struct jl_rect){0, INT16_MAX - 3, 40, 8}, 0, "a\nb\nc", &plain);
    jl_text_box(t, (struct jl_rect){0, INT16_MIN, 40, 4}, JL_ANCHOR_BOTTOM, "a\nb\nc", &plain);
    jl_text_box(t, (struct jl_rect){INT16_MAX - 10, 0, 40, 8}, JL_TEXT_ELLIPSIS, text, &plain);
    EXPECT_INT(drawn(), 0);
    EXPECT_INT(jl_text_width(&plain, text), INT16_MAX); /* 5999 * 6 is more */
    struct jl_text_size size = jl_text_box_size(100, 0, text, &plain);
    EXPECT_INT(size.width, INT16_MAX);
    EXPECT_INT(size.lines, 1);
    memset(text, '\n', sizeof text - 1);
    size = jl_text_box_size(100, 0, text, &plain);
    EXPECT_INT(size.height, INT16_MAX);
    EXPECT_INT(size.lines, 6000);
}

static void cursors(void) {
    struct jl_cursor cursor;
    begin();
    jl_cursor_begin(&cursor, t, (struct jl_rect){INT16_MAX - 8, INT16_MAX - 20, 8, 20}, &plain);
    EXPECT_INT(jl_print(&cursor, "ab\nc\nd\ne\nf"), 0);
    EXPECT_INT(cursor.y, INT16_MAX);
    cursor.x = INT16_MAX - 2;
    cursor.cut = true;
    jl_print(&cursor, "xyz");
    EXPECT_INT(cursor.x, INT16_MAX);
    EXPECT_INT(drawn(), 0);
}

static void far_scrolls(void) {
    static const int16_t far[][2] = {{INT16_MAX, 0}, {INT16_MIN, 0}, {0, INT16_MAX},
                                     {0, INT16_MIN}, {W, 0},         {0, -H}};
    for (size_t i = 0; i < sizeof far / sizeof far[0]; i++) {
        int black = 0;
        begin();
        test_row("by %d, %d", far[i][0], far[i][1]);
        jl_frame_scroll(&frame, (struct jl_rect){1, 1, INT16_MAX, INT16_MAX}, far[i][0], far[i][1],
                        JL_BLACK);
        for (int p = 0; p < W * H; p++) {
            black += !pixels[3 * p];
        }
        EXPECT_INT(black, (W - 1) * (H - 1)); /* nothing of it is left */
        EXPECT_INT(drawn(), (W - 1) * (H - 1));
    }
}

/* A picture whose pixels count their places. */
static uint8_t places[3000 * 3];

static void sheets_and_turned_pictures(void) {
    const struct jl_image wide = {
        .format = &jl_rgb332, .pixels = places, .width = 3000, .height = 1};
    const struct jl_image high = {
        .format = &jl_rgb332, .pixels = places, .width = 1, .height = 3000};
    const struct jl_image small = {.format = &jl_rgb332, .pixels = places, .width = 8, .height = 8};
    struct jl_image large = small;
    begin();
    large.width = 300;
    large.height = 300;
    EXPECT_INT(jl_sheet_count(&(struct jl_sheet){&large, 1, 1}), UINT16_MAX);
    EXPECT_INT(jl_sheet_count(&(struct jl_sheet){&small, 0, 4}), 0);
    EXPECT_INT(jl_sheet_count(&(struct jl_sheet){&small, 4, 0}), 0);
    const struct jl_sheet sheet = {&small, 4, 4};
    static const uint8_t map[4] = {0, 1, 2, 3};
    jl_draw_tile(t, 0, 0, &sheet, 4, 0); /* it has four */
    jl_draw_tile(t, INT16_MIN, 0, &sheet, 3, 0);
    jl_draw_tile(t, 0, INT16_MIN, &sheet, 3, 0);
    jl_draw_tiles(t, INT16_MAX - 3, 0, &sheet, map, 2, 2);
    jl_draw_tiles(t, 0, INT16_MAX - 3, &sheet, map, 2, 2);
    /* More than 2048 a side is not turned. */
    jl_draw_turned(t, (struct jl_point){5, 5}, &wide, (struct jl_point){0, 0}, JL_DEGREES(30),
                   JL_SAMPLE_NEAREST);
    jl_draw_turned(t, (struct jl_point){5, 5}, &high, (struct jl_point){0, 0}, JL_DEGREES(30),
                   JL_SAMPLE_NEAREST);
    EXPECT_INT(drawn(), 0);
}

/* Long runs of soft pixels, longer than what is mixed at a time. */
static void long_soft_runs(void) {
    static uint8_t picture[W * 2], mask[W / 2], wire[W * 2];
    struct jl_frame row;
    for (int whole = 0; whole < 20; whole++) { /* so many whole ones are in front */
        const struct jl_image image = {.format = &jl_rgb565,
                                       .pixels = picture,
                                       .width = W,
                                       .height = 1,
                                       .mask = mask,
                                       .mask_bits = 4};
        EXPECT_INT(jl_frame_init(&row, &jl_rgb565, W, 1, wire, sizeof wire), JL_OK);
        memset(picture, 0xFF, sizeof picture); /* white on black */
        memset(wire, 0, sizeof wire);
        memset(mask, 0x55, sizeof mask);
        for (int x = 0; x < whole; x++) {
            mask[x / 2] |= x % 2 ? 0x0F : 0xF0;
        }
        jl_draw_image(&row.target, 0, 0, &image);
        test_row("%d whole", whole);
        for (int x = 0; x < W; x++) {
            jl_color color;
            row.target.ops->get(&row.target, (int16_t)x, 0, 1, &color);
            /* five fifteenths of 31 and 63: 10 and 21, which are 82 and 85 of 255 */
            EXPECT_INT((int)color, x < whole ? JL_WHITE : JL_RGB(82, 85, 82));
        }
    }
}

/* Ink, paper, or both that are clear. */
static void clear_colors(void) {
    static const uint8_t bits[8] = {0x0F, 0x0F, 0x0F, 0x0F, 0xF0, 0xF0, 0xF0, 0xF0};
    static const struct jl_bitmap map = {bits, 8, 8, &jl_bits_columns};
    static const struct {
        jl_color ink, paper;
        int drawn;
    } rows[] = {{JL_WHITE, JL_BLACK, 64},
                {JL_WHITE, JL_CLEAR, 32},
                {JL_CLEAR, JL_BLACK, 32},
                {JL_CLEAR, JL_CLEAR, 0}};
    static const struct jl_font *const fonts[] = {&jl_font_6x8, &jl_font_sans16};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        begin();
        test_row("row %zu", i);
        jl_draw_bitmap(t, 3, 5, &map, rows[i].ink, rows[i].paper);
        EXPECT_INT(drawn(), rows[i].drawn);
        for (size_t f = 0; f < 2; f++) {
            const struct jl_text_style style = {
                .font = fonts[f], .ink = rows[i].ink, .paper = rows[i].paper};
            begin();
            jl_text(t, -3, 3, "H", &style); /* cut off at the left */
            int cell = (jl_text_width(&style, "H") - 3) * fonts[f]->height, count = drawn();
            if (rows[i].ink != JL_CLEAR && rows[i].paper != JL_CLEAR) {
                EXPECT_INT(count, cell);
            } else if (rows[i].ink == JL_CLEAR && rows[i].paper == JL_CLEAR) {
                EXPECT_INT(count, 0);
            } else {
                EXPECT(count >= 8 && count < cell); /* a stem, and a pixel of the bar */
            }
        }
    }
}

const struct test_group test_groups[] = {
    {"turned_text_far_away", turned_text_far_away},
    {"boxes_of_text", boxes_of_text},
    {"cursors", cursors},
    {"far_scrolls", far_scrolls},
    {"sheets_and_turned_pictures", sheets_and_turned_pictures},
    {"long_soft_runs", long_soft_runs},
    {"clear_colors", clear_colors},
    {NULL, NULL},
};
