/* Status, rectangles, damage, frames, formatting, UTF-8. */
#include "harness.h"

#include <math.h>
#include <stdio.h>
#include <string.h>

#include "../src/core/quotient.h"
#include "../src/smooth/cut.h"
#include "jadelamp/jadelamp.h"

static void status_texts(void) {
    for (int s = 0; s < JL_STATUS_COUNT; s++) {
        test_row("status %d", s);
        EXPECT(strlen(jl_status_text((jl_status)s)) > 1);
        EXPECT(strcmp(jl_status_text((jl_status)s), "unknown status") != 0);
        EXPECT(strncmp(jl_status_name((jl_status)s), "JL_", 3) == 0);
    }
    EXPECT_TEXT(jl_status_text((jl_status)-1), "unknown status");
    EXPECT_TEXT(jl_status_text((jl_status)1000), "unknown status");
    EXPECT_TEXT(jl_status_name((jl_status)-1), "unknown");
    EXPECT_TEXT(jl_status_name(JL_STATUS_COUNT), "unknown");
    EXPECT_TEXT(jl_status_name(JL_OK), "JL_OK");
    EXPECT_TEXT(jl_status_name(JL_NO_ANSWER), "JL_NO_ANSWER");
    EXPECT_TEXT(jl_status_name(JL_BUSY), "JL_BUSY");
    EXPECT_INT(JL_OK, 0);
}

static void rectangles(void) {
    enum { LOW = INT16_MIN, TOP = INT16_MAX };
    static const struct {
        const char *name;
        struct jl_rect a, b, both, around;
    } rows[] = {
        {"overlap", {0, 0, 10, 10}, {5, 6, 10, 10}, {5, 6, 5, 4}, {0, 0, 15, 16}},
        {"touching edges share nothing", {0, 0, 5, 5}, {5, 0, 5, 5}, {0, 0, 0, 0}, {0, 0, 10, 5}},
        {"inside", {0, 0, 10, 10}, {2, 3, 4, 5}, {2, 3, 4, 5}, {0, 0, 10, 10}},
        {"empty width", {0, 0, 0, 10}, {2, 3, 4, 5}, {0, 0, 0, 0}, {2, 3, 4, 5}},
        {"negative height", {2, 3, 4, 5}, {0, 0, 9, -1}, {0, 0, 0, 0}, {2, 3, 4, 5}},
        {"past the range",
         {TOP - 1, 0, TOP, 3},
         {TOP, 0, 5, 2},
         {TOP, 0, 5, 2},
         {TOP - 1, 0, TOP, 3}},
        {"from the lowest",
         {LOW, LOW, TOP, TOP},
         {-5, -5, 9, 9},
         {-5, -5, 4, 4},
         {LOW, LOW, TOP, TOP}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        struct jl_rect both = jl_rect_intersect(rows[i].a, rows[i].b);
        struct jl_rect back = jl_rect_intersect(rows[i].b, rows[i].a);
        struct jl_rect around = jl_rect_around(rows[i].a, rows[i].b);
        EXPECT_BYTES(&both, &rows[i].both, sizeof both);
        EXPECT_BYTES(&back, &rows[i].both, sizeof both);
        EXPECT_BYTES(&around, &rows[i].around, sizeof around);
    }
}

static void damage_joins_by_price(void) {
    struct jl_damage damage;
    jl_damage_init(&damage, 80, 0);
    jl_damage_add(&damage, (struct jl_rect){0, 0, 6, 8});
    jl_damage_add(&damage, (struct jl_rect){6, 0, 6, 8});
    EXPECT_INT(damage.count, 1); /* neighbours: nothing wasted */
    jl_damage_add(&damage, (struct jl_rect){22, 0, 6, 8});
    EXPECT_INT(damage.count, 1); /* a gap of 10 x 8 = 80 pixels: just as cheap */
    EXPECT_INT(damage.rects[0].w, 28);
    jl_damage_add(&damage, (struct jl_rect){39, 0, 6, 8});
    EXPECT_INT(damage.count, 2); /* 11 x 8 = 88 pixels: a window of its own */
    jl_damage_add(&damage, (struct jl_rect){28, 0, 11, 8});
    EXPECT_INT(damage.count, 1); /* the bridge joins both */
    EXPECT_INT(damage.rects[0].w, 45);
    jl_damage_add(&damage, (struct jl_rect){0, 0, 0, 8});
    EXPECT_INT(damage.count, 1);
    jl_damage_clear(&damage);
    EXPECT_INT(damage.count, 0);
}

/* Whatever is added, every pixel of it stays covered. */
static void damage_loses_nothing(void) {
    enum { SIDE = 200 };
    static bool wanted[SIDE][SIDE];
    for (uint32_t seed = 1; seed <= 200; seed++) {
        struct test_random random = {seed};
        struct jl_damage damage;
        jl_damage_init(&damage, (uint16_t)test_random_between(&random, 0, 300), 0);
        memset(wanted, 0, sizeof wanted);
        test_row("seed %u", (unsigned)seed);
        for (int i = 0; i < 30; i++) {
            struct jl_rect r = {(int16_t)test_random_between(&random, 0, 150),
                                (int16_t)test_random_between(&random, 0, 150),
                                (int16_t)test_random_between(&random, 1, 50),
                                (int16_t)test_random_between(&random, 1, 50)};
            jl_damage_add(&damage, r);
            for (int y = r.y; y < r.y + r.h; y++) {
                memset(&wanted[y][r.x], true, (size_t)r.w);
            }
        }
        EXPECT(damage.count >= 1 && damage.count <= JL_DAMAGE_RECTS);
        for (int i = 0; i < damage.count; i++) {
            const struct jl_rect *r = &damage.rects[i];
            for (int y = r->y; y < r->y + r->h; y++) {
                memset(&wanted[y][r->x], false, (size_t)r->w);
            }
        }
        EXPECT(memchr(wanted, true, sizeof wanted) == NULL);
    }
}

static void frame_checks_its_memory(void) {
    struct jl_frame frame;
    uint8_t pixels[1024 + 1];
    memset(pixels, 0xA5, sizeof pixels);
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 128, 64, pixels, 1023), JL_TOO_SMALL);
    EXPECT_INT(pixels[0], 0xA5);
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 128, 64, pixels, 1024), JL_OK);
    EXPECT_INT(pixels[0], 0);
    EXPECT_INT(pixels[1023], 0);
    EXPECT_INT(pixels[1024], 0xA5);
    EXPECT(frame.damage == NULL);
    EXPECT_INT(jl_frame_init(NULL, &jl_mono_columns, 128, 64, pixels, 1024), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init(&frame, NULL, 128, 64, pixels, 1024), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 0, 64, pixels, 1024), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 128, -1, pixels, 1024), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 128, 64, NULL, 1024), JL_BAD_ARGUMENT);
    EXPECT_INT(JL_MONO_COLUMNS_BYTES(72, 40), 360);
    EXPECT_INT(JL_MONO_COLUMNS_BYTES(5, 9), 10);
}

static void fixed_point_text(void) {
    static const struct {
        int32_t value;
        uint8_t decimals;
        const char *text;
    } rows[] = {
        {0, 0, "0"},
        {7, 0, "7"},
        {-7, 0, "-7"},
        {184, 2, "1.84"},
        {5, 2, "0.05"},
        {-5, 2, "-0.05"},
        {100, 2, "1.00"},
        {1000000, 6, "1.000000"},
        {1, 9, "0.000000001"},
        {INT32_MIN, 0, "-2147483648"},
        {INT32_MAX, 1, "214748364.7"},
        {INT32_MIN, 9, "-2.147483648"},
        {INT32_MIN, 200, "-2.147483648"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char out[16];
        size_t length = strlen(rows[i].text);
        test_row("%s", rows[i].text);
        memset(out, 'x', sizeof out);
        EXPECT_INT((long long)jl_format_fixed(out, length + 1, rows[i].value, rows[i].decimals),
                   (long long)length);
        EXPECT_TEXT(out, rows[i].text);
        EXPECT_INT(out[length + 1], 'x');
        EXPECT_INT((long long)jl_format_fixed(out, length, rows[i].value, rows[i].decimals), 0);
        EXPECT_TEXT(out, "");
        EXPECT_INT((long long)jl_format_fixed(out, 0, rows[i].value, rows[i].decimals), 0);
    }
}

/* Character counts by RFC 3629; seen through the width of a font of 6 pixels. */
static void utf8_lengths(void) {
    static const struct {
        const char *name, *text;
        int characters, missing;
    } rows[] = {
        {"empty", "", 0, 0},
        {"ascii", "Tide", 4, 0},
        {"two bytes", "3\xC2\xB0", 2, 1},
        {"three bytes", "\xE2\x86\x91", 1, 1},
        {"four bytes", "\xF0\x9F\x9A\xA2", 1, 1},
        {"lone continuation", "a\x80z", 3, 1},
        {"cut at the end", "a\xE2\x86", 2, 1},
        {"cut in the middle", "\xE2\x86z", 2, 1},
        {"overlong slash", "\xC0\xAF", 2, 2},
        {"overlong three bytes", "\xE0\x80\xAF", 3, 3},
        {"surrogate", "\xED\xA0\x80", 3, 3},
        {"past U+10FFFF", "\xF4\x90\x80\x80", 4, 4},
        {"never a lead", "\xFF\xFE", 2, 2},
        {"control character", "\n", 1, 1},
    };
    uint8_t pixels[JL_MONO_COLUMNS_BYTES(64, 8)];
    struct jl_frame frame;
    EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 64, 8, pixels, sizeof pixels), JL_OK);
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_text_width(&style, rows[i].text), rows[i].characters * 6);
        EXPECT_INT(jl_text(&frame.target, 0, 0, rows[i].text, &style), rows[i].missing);
    }
}

/* Colours by the definition: value * (1 - saturation * distance from the hue's sixth). */
static void colors_from_hue(void) {
    static const struct {
        int hue, saturation, value;
        jl_color color;
    } rows[] = {{0, 100, 100, 0xFF0000},   {60, 100, 100, 0xFFFF00},  {120, 100, 100, 0x00FF00},
                {180, 100, 100, 0x00FFFF}, {240, 100, 100, 0x0000FF}, {300, 100, 100, 0xFF00FF},
                {360, 100, 100, 0xFF0000}, {30, 100, 100, 0xFF8000},  {210, 50, 80, 0x6699CC},
                {77, 0, 100, 0xFFFFFF},    {77, 0, 50, 0x808080},     {77, 100, 0, 0x000000},
                {0, 200, 200, 0xFF0000}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%d %d %d", rows[i].hue, rows[i].saturation, rows[i].value);
        EXPECT_INT(jl_color_hsv((uint16_t)rows[i].hue, (uint8_t)rows[i].saturation,
                                (uint8_t)rows[i].value),
                   rows[i].color);
    }
    for (int i = 0; i < 360 * 11 * 11; i++) {
        int hue = i % 360, saturation = i / 360 % 11 * 10, value = i / 3960 * 10;
        double v = value / 100.0, s = saturation / 100.0;
        jl_color expected = 0;
        for (int c = 0; c < 3; c++) { /* each channel is full within 60 degrees of its own hue */
            double away = fabs(hue - c * 120.0);
            away = away > 180 ? 360 - away : away;
            double lack = away <= 60 ? 0 : away >= 120 ? 1 : (away - 60) / 60;
            expected = expected << 8 | (jl_color)floor(255 * v * (1 - s * lack) + 0.5 + 1e-9);
        }
        test_row("%d %d %d", hue, saturation, value);
        EXPECT_INT(jl_color_hsv((uint16_t)hue, (uint8_t)saturation, (uint8_t)value), expected);
    }
}

static void colors_from_text(void) {
    static const struct {
        const char *text;
        bool good;
        jl_color color;
    } rows[] = {{"#FFA500", true, JL_ORANGE},
                {"#ffa500", true, JL_ORANGE},
                {"#000000", true, 0},
                {"#0A1b2C", true, 0x0A1B2C},
                {"FFA500", false, 0},
                {"#FFA50", false, 0},
                {"#FFA5000", false, 0},
                {"#FFA50G", false, 0},
                {"", false, 0},
                {"#", false, 0},
                {"#12 456", false, 0},
                {NULL, false, 0}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        jl_color color = 0x123456;
        test_row("%s", rows[i].text ? rows[i].text : "NULL");
        EXPECT_INT(jl_color_from_text(rows[i].text, &color), rows[i].good);
        EXPECT_INT(color, rows[i].good ? rows[i].color : 0x123456);
    }
}

/* Against the definition, in doubles of what the sines are. */
static void points_at_a_distance(void) {
    static const struct {
        int x, y, degrees, distance, to_x, to_y;
    } rows[] = {{50, 40, 0, 10, 50, 30},        {50, 40, 90, 10, 60, 40},
                {50, 40, 180, 10, 50, 50},      {50, 40, 270, 10, 40, 40},
                {0, 0, 30, 100, 50, -87},       {0, 0, 225, 100, -71, 71},
                {50, 40, 45, 0, 50, 40},        {50, 40, 90, -10, 40, 40},
                {32000, 0, 90, 2000, 32767, 0}, {0, -32000, 0, 2000, 0, -32768}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_point from = {(int16_t)rows[i].x, (int16_t)rows[i].y};
        test_row("row %zu", i);
        struct jl_point to =
            jl_point_at(from, JL_DEGREES((uint32_t)rows[i].degrees), (int16_t)rows[i].distance);
        EXPECT_INT(to.x, rows[i].to_x);
        EXPECT_INT(to.y, rows[i].to_y);
    }
    for (int i = 0; i < 65536; i += 7) {
        jl_direction direction = (jl_direction)i;
        int16_t distance = (int16_t)(i % 400);
        struct jl_point to = jl_point_at((struct jl_point){1000, 1000}, direction, distance);
        test_row("direction %d", i);
        EXPECT_INT(to.x - 1000, (int)lround(jl_sine(direction) / 16384.0 * distance));
        EXPECT_INT(to.y - 1000, (int)lround(-jl_cosine(direction) / 16384.0 * distance));
    }
}

/* The art says what a name means; so does its place in docs/fonts.md. */
static void icons_have_names(void) {
    static const char *const names[] = {
        JL_ICON_SAILING_BOAT, JL_ICON_WORK_BOAT,   JL_ICON_ANCHOR,      JL_ICON_BUOY,
        JL_ICON_LIGHTHOUSE,   JL_ICON_WAVES,       JL_ICON_TIDE_RISING, JL_ICON_TIDE_FALLING,
        JL_ICON_WIND,         JL_ICON_COMPASS,     JL_ICON_LOCK_GATE,   JL_ICON_SLUICE,
        JL_ICON_FISH,         JL_ICON_CRANE,       JL_ICON_BELL,        JL_ICON_BATTERY_FULL,
        JL_ICON_BATTERY_LOW,  JL_ICON_SIGNAL,      JL_ICON_CLOCK,       JL_ICON_WARNING,
        JL_ICON_LAMP,         JL_ICON_THERMOMETER, JL_ICON_DROP,        JL_ICON_GEAR};
    for (int i = 0; i < 24; i++) {
        const unsigned char *at = (const unsigned char *)names[i];
        test_row("icon %d", i);
        EXPECT_INT((long long)strlen(names[i]), 3);
        EXPECT_INT((at[0] & 15) << 12 | (at[1] & 63) << 6 | (at[2] & 63), 0xE000 + i);
        EXPECT(jl_font_has(&jl_font_icons12, 0xE000u + (unsigned)i));
    }
}

/* Packed and mixed to the nearest, by arithmetic that has room for it. */
static void channels_to_the_nearest(void) {
    for (unsigned value = 0; value < 256; value++) {
        for (unsigned bits = 1; bits <= 8; bits++) {
            double exact = value * (double)((1u << bits) - 1) / 255;
            EXPECT(fabs(jl_channel_pack(value, bits) - exact) <= 0.5);
        }
        for (unsigned share = 0; share < 256; share += 5) {
            double exact = (value * (255.0 - share) + (255.0 - value) * share) / 255;
            EXPECT(fabs(jl_channel_mix(value, 255 - value, share) - exact) <= 0.5);
            jl_color from = JL_RGB(value, 0, 255), to = JL_RGB(255 - value, 255, 0);
            EXPECT_INT(jl_color_mix(from, to, (uint8_t)share),
                       JL_RGB(jl_channel_mix(value, 255 - value, share), share, 255 - share));
        }
        EXPECT_INT(jl_color_luminance(JL_RGB(value, value, value)), value);
    }
    EXPECT_INT(jl_color_luminance(JL_RGB(255, 0, 0)), 76); /* 77 * 255 / 256, cut */
    EXPECT_INT(jl_color_luminance(JL_RGB(0, 255, 0)), 149);
    EXPECT_INT(jl_color_luminance(JL_RGB(0, 0, 255)), 28);
}

/* Channel by channel, by the definitions: what a pixel of 5-6-5 becomes under a colour. */
static unsigned mixed_565(jl_color below, jl_color color) {
    static const unsigned bits[] = {5, 6, 5};
    unsigned pixel = 0;
    for (unsigned i = 0; i < 3; i++) {
        uint8_t share = (uint8_t)(color >> 24);
        jl_color mixed = share == 255 ? below : jl_color_mix(color & 0xFFFFFF, below, share);
        pixel = pixel << bits[i] | jl_channel_pack(mixed >> (16 - 8 * i) & 255, bits[i]);
    }
    return pixel;
}

/* Rows of any length, of which desktops mix eight pixels at a time; both orders of the bytes. */
static void rows_of_soft_pixels(void) {
    static const struct jl_format *const formats[] = {&jl_rgb565, &jl_rgb565_cpu};
    static const unsigned transparent[] = {0, 255, 1, 254, 128};
    struct test_random random = {11};
    int wrong = 0, soft = 0;
    for (int n = 0; n < 4000; n++) {
        const struct jl_format *format = formats[n & 1];
        uint8_t pixels[64], *at = pixels;
        jl_color row[32], below[32];
        struct jl_frame frame;
        int16_t count = (int16_t)test_random_between(&random, 1, 31);
        EXPECT_INT(jl_frame_init(&frame, format, 32, 1, pixels, sizeof pixels), JL_OK);
        for (int i = 0; i < 64; i++) {
            pixels[i] = (uint8_t)test_random_next(&random);
        }
        frame.target.ops->get(&frame.target, 0, 0, 32, below);
        for (int i = 0; i < count; i++) {
            unsigned share = n % 3 ? transparent[test_random_next(&random) % 5]
                                   : test_random_next(&random) & 255;
            row[i] = (test_random_next(&random) & 0xFFFFFF) | share << 24;
            soft += share > 0 && share < 255;
        }
        frame.target.ops->put(&frame.target, 1, 0, count, row);
        for (int i = 0; i < 32; i++, at += 2) {
            bool drawn = i >= 1 && i <= count;
            uint16_t stored;
            memcpy(&stored, at, sizeof stored);
            unsigned pixel = format == &jl_rgb565 ? (unsigned)at[0] << 8 | at[1] : stored;
            wrong += pixel != mixed_565(below[i], drawn ? row[i - 1] : JL_CLEAR);
        }
    }
    EXPECT_INT(wrong, 0);
    EXPECT(soft > 20000);
}

/* The text, the numbers and the library agree; versions compare as they follow one another. */
static void versions(void) {
    char text[20];
    snprintf(text, sizeof text, "%d.%d.%d", JL_VERSION_MAJOR, JL_VERSION_MINOR, JL_VERSION_PATCH);
    EXPECT_TEXT(JL_VERSION_TEXT, text);
    EXPECT_TEXT(JL_VERSION_TEXT, PROJECT_VERSION); /* of CMakeLists.txt */
    EXPECT_INT(jl_version(), JL_VERSION);
    EXPECT(JL_VERSION_OF(0, 1, 9) < JL_VERSION_OF(0, 2, 0));
    EXPECT(JL_VERSION_OF(0, 99, 99) < JL_VERSION_OF(1, 0, 0));
}

/* What cores that cannot divide do instead, beside a machine that can. */
/* Roots are the largest whole numbers whose squares are not above. */
static void roots(void) {
    struct test_random random = {4};
    uint32_t wrong = 0;
    for (uint32_t root = 0; root < 65536; root += root < 300 ? 1 : 97) {
        uint32_t square = root * root;
        wrong += jl_root(square) != root;
        wrong += jl_root(square + 2 * root) != root; /* one less than the next square */
        wrong += square > 0 && jl_root(square - 1) != root - 1;
    }
    for (int i = 0; i < test_cases(20000); i++) {
        uint32_t n = test_random_next(&random);
        uint64_t root = jl_root(n);
        wrong += root * root > n || (root + 1) * (root + 1) <= n;
    }
    EXPECT_INT(wrong, 0);
    EXPECT_INT(jl_root(UINT32_MAX), 65535);
}

static void quotients_by_steps(void) {
    static const uint32_t edges[] = {0,   1,     2,          3,          9,          10,
                                     255, 32767, 0x7FFFFFFF, 0x80000000, 0xFFFFFFFE, 0xFFFFFFFF};
    enum { EDGES = sizeof edges / sizeof edges[0] };
    struct test_random random = {7};
    int wrong = 0;
    for (int i = 0; i < EDGES; i++) {
        for (int k = 1; k < EDGES; k++) {
            test_row("%lu / %lu", (unsigned long)edges[i], (unsigned long)edges[k]);
            EXPECT_INT(jl_quotient_by_steps(edges[i], edges[k]), edges[i] / edges[k]);
        }
    }
    for (int n = 0; n < 100000; n++) {
        uint32_t of = test_random_next(&random) >> n % 32,
                 by = (test_random_next(&random) >> n / 32 % 32) | 1;
        wrong += jl_quotient_by_steps(of, by) != of / by;
    }
    EXPECT_INT(wrong, 0);
}

const struct test_group test_groups[] = {
    {"roots", roots},
    {"quotients_by_steps", quotients_by_steps},
    {"channels_to_the_nearest", channels_to_the_nearest},
    {"rows_of_soft_pixels", rows_of_soft_pixels},
    {"versions", versions},
    {"colors_from_hue", colors_from_hue},
    {"colors_from_text", colors_from_text},
    {"points_at_a_distance", points_at_a_distance},
    {"icons_have_names", icons_have_names},
    {"status_texts", status_texts},
    {"rectangles", rectangles},
    {"damage_joins_by_price", damage_joins_by_price},
    {"damage_loses_nothing", damage_loses_nothing},
    {"frame_checks_its_memory", frame_checks_its_memory},
    {"fixed_point_text", fixed_point_text},
    {"utf8_lengths", utf8_lengths},
    {NULL, NULL},
};
