/* Printing, fields, sizes of boxes, and text put together. */
#include "harness.h"

#include <string.h>

#include "jadelamp/jadelamp.h"
#include "naive.h"

enum { W = 60, H = 40 };

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(W, H)];
static struct jl_frame frame;
static struct naive reference;
static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};

static void sheet(void) {
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, W, H, pixels, sizeof pixels), JL_OK);
    naive_init(&reference, W, H);
}

static void sheet_is_right(void) {
    int wrong = 0;
    for (int y = 0; y < H; y++) {
        for (int x = 0; x < W; x++) {
            bool lit = pixels[y / 8 * W + x] >> (y & 7) & 1;
            wrong += lit != (reference.px[y][x] == JL_WHITE);
        }
    }
    EXPECT_INT(wrong, 0);
}

/* Cells of 6 x 8: where each piece must stand, and where the cursor ends, by hand. */
static void cursors(void) {
    static const struct {
        const char *name, *first, *second; /* printed one after the other */
        struct jl_rect box;
        int spacing;
        bool cut;
        int x, y;
        struct {
            int x, y;
            const char *text;
        } drawn[4];
    } rows[] = {
        {"goes on", "Tide ", "184", {0, 0, 60, 40}, 0, false, 48, 0, {{0, 0, "Tide 184"}}},
        {"new line",
         "Up\nper",
         "",
         {4, 3, 50, 40},
         0,
         false,
         22,
         11,
         {{4, 3, "Up"}, {4, 11, "per"}}},
        {"ends with one",
         "Up\n",
         "low",
         {4, 3, 50, 40},
         0,
         false,
         22,
         11,
         {{4, 3, "Up"}, {4, 11, "low"}}},
        {"wraps", "harbour", "", {2, 0, 25, 40}, 0, false, 20, 8, {{2, 0, "harb"}, {2, 8, "our"}}},
        {"just fits", "harb", "", {2, 0, 24, 40}, 0, false, 26, 0, {{2, 0, "harb"}}},
        {"wraps the next",
         "harb",
         "our",
         {2, 0, 24, 40},
         0,
         false,
         20,
         8,
         {{2, 0, "harb"}, {2, 8, "our"}}},
        {"cut", "harbour", "", {2, 0, 25, 40}, 0, true, 44, 0, {{2, 0, "harbour"}}},
        {"spacing",
         "a\nb\nc",
         "",
         {0, 0, 60, 40},
         3,
         false,
         6,
         22,
         {{0, 0, "a"}, {0, 11, "b"}, {0, 22, "c"}}},
        {"tight", "a\nb", "", {0, 0, 60, 40}, -1, false, 6, 7, {{0, 0, "a"}, {0, 7, "b"}}},
        {"below the box",
         "a\nb\nc",
         "",
         {0, 0, 60, 16},
         0,
         false,
         6,
         16,
         {{0, 0, "a"}, {0, 8, "b"}}},
        {"narrow box", "ab", "", {0, 0, 4, 40}, 0, false, 6, 8, {{0, 0, "a"}, {0, 8, "b"}}},
        {"nothing", "", "", {5, 6, 30, 30}, 0, false, 5, 6, {{0, 0, ""}}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_cursor cursor;
        struct jl_text_style spaced = style;
        spaced.line_spacing = (int8_t)rows[i].spacing;
        test_row("%s", rows[i].name);
        sheet();
        jl_cursor_begin(&cursor, &frame.target, rows[i].box, &spaced);
        cursor.cut = rows[i].cut;
        EXPECT_INT(jl_print(&cursor, rows[i].first), 0);
        EXPECT_INT(jl_print(&cursor, rows[i].second), 0);
        EXPECT_INT(cursor.x, rows[i].x);
        EXPECT_INT(cursor.y, rows[i].y);
        reference.clip = rows[i].box;
        for (int k = 0; k < 4 && rows[i].drawn[k].text; k++) {
            naive_text(&reference, rows[i].drawn[k].x, rows[i].drawn[k].y, rows[i].drawn[k].text,
                       JL_WHITE, JL_CLEAR);
        }
        sheet_is_right();
    }
    struct jl_cursor cursor;
    test_row("numbers, and what is missing");
    sheet();
    jl_cursor_begin(&cursor, &frame.target, (struct jl_rect){0, 0, 60, 40}, &style);
    EXPECT_INT(jl_print_number(&cursor, -1234, 2), 0);
    EXPECT_INT(jl_print(&cursor, "\u20AC\n"), 1); /* the font has no euro */
    EXPECT_INT(jl_print_number(&cursor, INT32_MIN, 0), 0);
    naive_text(&reference, 0, 0, "-12.34\x7F", JL_WHITE, JL_CLEAR);
    naive_text(&reference, 0, 8, "-214748364", JL_WHITE, JL_CLEAR);
    naive_text(&reference, 0, 16, "8", JL_WHITE, JL_CLEAR);
    sheet_is_right();
}

/* Old text is longer: what is left of it must go, and what is outside must stay. */
static void fields(void) {
    static const struct {
        const char *text;
        int x, y, width, align, text_x;
    } rows[] = {
        {"7", 6, 4, 40, JL_ANCHOR_LEFT, 6},          {"7", 6, 4, 40, JL_ANCHOR_RIGHT, 40},
        {"77", 6, 4, 40, JL_ANCHOR_CENTRE, 20},      {"123456", 6, 4, 36, JL_ANCHOR_RIGHT, 6},
        {"12345678", 6, 4, 20, JL_ANCHOR_LEFT, 6},   {"12345678", 6, 4, 20, JL_ANCHOR_RIGHT, -22},
        {"1234", 6, 4, 21, JL_ANCHOR_CENTRE, 5},     {"", 6, 4, 33, JL_ANCHOR_LEFT, 6},
        {"7", 50, 4, 30, JL_ANCHOR_RIGHT, 74},       {"7", -10, -3, 30, JL_ANCHOR_CENTRE, 2},
        {"7", 6, 4, 0, JL_ANCHOR_LEFT, 6},           {"7", 6, 4, -5, JL_ANCHOR_LEFT, 6},
        {"7", 32767, 4, 32767, JL_ANCHOR_LEFT, 200}, {"7", -32768, 4, 8, JL_ANCHOR_RIGHT, 200},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("\"%s\" in %d", rows[i].text, rows[i].width);
        sheet();
        memset(pixels, 0xFF, sizeof pixels);
        naive_fill(&reference, (struct jl_rect){0, 0, W, H}, JL_WHITE);
        struct jl_rect before = frame.target.clip;
        EXPECT_INT(jl_text_field(&frame.target, (int16_t)rows[i].x, (int16_t)rows[i].y,
                                 (int16_t)rows[i].width, (uint8_t)rows[i].align, rows[i].text,
                                 &style),
                   0);
        EXPECT_BYTES(&frame.target.clip, &before, sizeof before);
        struct jl_rect field = {(int16_t)rows[i].x, (int16_t)rows[i].y, (int16_t)rows[i].width, 8};
        naive_fill(&reference, field, JL_BLACK);
        reference.clip = jl_rect_intersect(field, (struct jl_rect){0, 0, W, H});
        naive_text(&reference, rows[i].text_x, rows[i].y, rows[i].text, JL_WHITE, JL_CLEAR);
        sheet_is_right();
    }
    /* Only what changes is damage, so a value of three digits sends three cells at most. */
    struct jl_damage damage;
    sheet();
    jl_frame_track(&frame, &damage);
    jl_text_field(&frame.target, 0, 0, 60, JL_ANCHOR_LEFT, "1234567", &style);
    jl_damage_clear(&damage);
    jl_text_field(&frame.target, 0, 0, 60, JL_ANCHOR_LEFT, "1239567", &style);
    EXPECT_INT(damage.count, 1);
    EXPECT(damage.rects[0].x >= 18 && damage.rects[0].x + damage.rects[0].w <= 24);
}

static void sizes_of_boxes(void) {
    static const struct {
        const char *text;
        int width, options, spacing, w, h, lines;
    } rows[] = {
        {"High", 60, 0, 0, 24, 8, 1},
        {"High tide", 30, 0, 0, 54, 8, 1},
        {"High tide", 30, JL_TEXT_WRAP, 0, 24, 16, 2},
        {"High tide", 30, JL_TEXT_WRAP, 4, 24, 20, 2},
        {"High tide", 30, JL_TEXT_WRAP, -2, 24, 14, 2},
        {"a\n\nbcd", 30, 0, 1, 18, 26, 3},
        {"harbourmaster", 30, JL_TEXT_WRAP, 0, 78, 8, 1},
        {"", 30, JL_TEXT_WRAP, 0, 0, 8, 1},
        {"a\nb", 30, 0, -100, 6, 9, 2}, /* a row at least from line to line */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_text_style spaced = style;
        spaced.line_spacing = (int8_t)rows[i].spacing;
        test_row("%s, spacing %d", rows[i].text, rows[i].spacing);
        struct jl_text_size size = jl_text_box_size(
            (int16_t)rows[i].width, (uint8_t)rows[i].options, rows[i].text, &spaced);
        EXPECT_INT(size.width, rows[i].w);
        EXPECT_INT(size.height, rows[i].h);
        EXPECT_INT(size.lines, rows[i].lines);
        /* A box of just that size shows all of it, from its first row to its last. */
        sheet();
        struct jl_rect box = {2, 1, (int16_t)rows[i].width, size.height};
        jl_text_box(&frame.target, box, (uint8_t)(rows[i].options | JL_ANCHOR_BOTTOM), rows[i].text,
                    &spaced);
        static uint8_t from_below[sizeof pixels];
        memcpy(from_below, pixels, sizeof pixels);
        sheet();
        jl_text_box(&frame.target, box, (uint8_t)rows[i].options, rows[i].text, &spaced);
        EXPECT_BYTES(pixels, from_below, sizeof pixels);
    }
}

enum piece { TEXT, INT, UNSIGNED, FIXED, HEX };

static void composed(void) {
    static const struct {
        size_t size;
        struct {
            enum piece piece;
            const char *text;
            int64_t value;
            int decimals, width;
        } pieces[4];
        const char *expected;
        bool full;
    } rows[] = {
        {24,
         {{TEXT, "Tide", 0, 0, -6}, {FIXED, "", 184, 2, 6}, {TEXT, " m", 0, 0, 0}},
         "Tide    1.84 m",
         false},
        {24,
         {{TEXT, "ab", 0, 0, 5}, {TEXT, "cd", 0, 0, -4}, {TEXT, "|", 0, 0, 0}},
         "   abcd  |",
         false},
        {24, {{TEXT, "longer", 0, 0, 3}, {TEXT, "longer", 0, 0, -3}}, "longerlonger", false},
        {24,
         {{INT, "", -42, 0, 6}, {INT, "", -42, 0, -6}, {INT, "", 7, 0, 0}},
         "   -42-42   7",
         false},
        {24,
         {{UNSIGNED, "", 4294967295, 0, 12}, {UNSIGNED, "", 0, 0, -2}},
         "  42949672950 ",
         false},
        {24, {{INT, "", INT32_MIN, 0, 0}}, "-2147483648", false},
        {24, {{HEX, "", 0x3C, 4, 0}, {HEX, "", 0xABCDEF01, 0, 0}}, "003CABCDEF01", false},
        {24, {{FIXED, "", -5, 3, 8}}, "  -0.005", false},
        {24,
         {{TEXT, "\u00B0\u20AC", 0, 0, 4}, {TEXT, "\u00B0", 0, 0, -2}, {TEXT, "|", 0, 0, 0}},
         "  \u00B0\u20AC\u00B0 |",
         false},
        {5, {{TEXT, "harbour", 0, 0, 0}}, "harb", true},
        {5, {{TEXT, "harb", 0, 0, 0}}, "harb", false},
        {5, {{TEXT, "ha\u20ACx", 0, 0, 0}}, "ha", true}, /* never half a character */
        {6, {{TEXT, "ha\u20ACx", 0, 0, 0}}, "ha\u20AC", true},
        {5, {{TEXT, "a", 0, 0, 0}, {INT, "", 12345, 0, 0}, {TEXT, "b", 0, 0, 0}}, "a", true},
        {5, {{TEXT, "a", 0, 0, 0}, {INT, "", 1, 0, 4}}, "a", true},
        {5, {{TEXT, "a", 0, 0, 0}, {INT, "", 123, 0, 0}}, "a123", false},
        {5, {{TEXT, "a", 0, 0, 0}, {INT, "", 1234, 0, 0}}, "a", true},
        {5, {{INT, "", 12, 0, 4}}, "  12", false},
        {5, {{TEXT, "a", 0, 0, 9}}, "    ", true},
        {5, {{TEXT, "a", 0, 0, -9}}, "a   ", true},
        {1, {{TEXT, "a", 0, 0, 0}}, "", true},
        {1, {{TEXT, "", 0, 0, 0}}, "", false},
        {24, {{HEX, "", 1, 255, 0}}, "0000000000000000001", false},
        {200, {{TEXT, "x", 0, 0, 127}}, NULL, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char memory[256];
        struct jl_compose text;
        test_row("row %zu", i);
        memset(memory, '~', sizeof memory);
        jl_compose_begin(&text, memory, rows[i].size);
        for (int k = 0; k < 4 && rows[i].pieces[k].text; k++) {
            int8_t width = (int8_t)rows[i].pieces[k].width;
            uint8_t decimals = (uint8_t)rows[i].pieces[k].decimals;
            int64_t value = rows[i].pieces[k].value;
            switch (rows[i].pieces[k].piece) {
            case TEXT:
                jl_compose_text(&text, rows[i].pieces[k].text, width);
                break;
            case INT:
                jl_compose_int(&text, (int32_t)value, width);
                break;
            case UNSIGNED:
                jl_compose_unsigned(&text, (uint32_t)value, width);
                break;
            case FIXED:
                jl_compose_fixed(&text, (int32_t)value, decimals, width);
                break;
            case HEX:
                jl_compose_hex(&text, (uint32_t)value, decimals);
                break;
            }
            EXPECT_INT((long long)strlen(memory), (long long)text.used);
        }
        if (rows[i].expected) {
            EXPECT_TEXT(memory, rows[i].expected);
        } else {
            EXPECT_INT((long long)text.used, 127);
        }
        EXPECT_INT(text.full, rows[i].full);
        EXPECT_INT(memory[rows[i].size], '~');
    }
}

static void unsigned_numbers(void) {
    static const struct {
        uint32_t value;
        uint8_t width;
        char pad;
        size_t size;
        const char *expected;
    } rows[] = {{0, 0, ' ', 20, "0"},          {4294967295u, 0, ' ', 20, "4294967295"},
                {42, 6, '0', 20, "000042"},    {42, 6, ' ', 20, "    42"},
                {4294967295u, 0, ' ', 10, ""}, {4294967295u, 0, ' ', 11, "4294967295"},
                {42, 6, '0', 6, ""},           {2147483648u, 10, ' ', 20, "2147483648"}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char out[24] = "?";
        test_row("row %zu", i);
        size_t length =
            jl_format_unsigned(out, rows[i].size, rows[i].value, rows[i].width, rows[i].pad);
        EXPECT_TEXT(out, rows[i].expected);
        EXPECT_INT((long long)length, (long long)strlen(rows[i].expected));
    }
}

const struct test_group test_groups[] = {
    {"cursors", cursors},
    {"fields", fields},
    {"sizes_of_boxes", sizes_of_boxes},
    {"composed", composed},
    {"unsigned_numbers", unsigned_numbers},
    {NULL, NULL},
};
