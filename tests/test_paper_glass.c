/*
 * The emulated e-paper parts by themselves, written to as any firmware might: faults that bring-up
 * knows, the phases of an update, the cold, a loss of power.
 */
#include "harness.h"

#include <string.h>

#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "raw.h"

static struct jl_glass paper_of(int width, int height, bool red) {
    return (struct jl_glass){
        .width = width, .height = height, .kind = red ? JL_GLASS_PAPER_RED : JL_GLASS_PAPER};
}

/* 128x296: woken, window over all of it. A plane has 4736 bytes; "*" sends FF. */
#define SSD       "R ~15 C12 ~5 C01 D270100 C11 D03 C18 D80 C44 D000F C45 D00002701 C4E D00 C4F D0000 "
#define SSD_PLANE "C24 +4736 "
#define SSD_FULL  "C22 DF7 C20 "
#define SSD_PART  "C22 DFF C20 "
/* 128x296 in black and white. */
#define UC       "R ~15 C01 D03002B2B C06 D171717 C00 D1F C61 D800128 C50 D97 "
#define UC_ON    "C04 ~70 "
#define UC_PLANE "C13 +4736 "

static int complaints(struct raw *raw, const char *text) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(raw->board, &list);
    int found = 0;
    for (size_t i = 0; i < count; i++) {
        found += text ? strstr(list[i].text, text) != NULL : list[i].severity != JL_SEVERITY_NOTE;
    }
    return found;
}

static void faults_that_bring_up_knows(void) {
    static const struct {
        const char *name;
        const struct jl_emulated_part *part;
        bool red;
        const char *script, *complaint;
    } rows[] = {
        {"ssd1680 as it should be", &jl_emulated_ssd1680, false,
         SSD SSD_PLANE SSD_FULL "~3000 C10 D01", NULL},
        {"uc8151 as it should be", &jl_emulated_uc8151, false,
         UC UC_PLANE UC_ON "C12 ~3000 C02 ~30 C07 DA5", NULL},
        {"not waiting for the update", &jl_emulated_ssd1680, false,
         SSD SSD_PLANE SSD_FULL "~500 C24 +4736", "arrives while it is busy"},
        {"not waiting for the update, uc", &jl_emulated_uc8151, false,
         UC UC_PLANE UC_ON "C12 ~500 C02", "arrives while it is busy"},
        {"polling too early sees it idle", &jl_emulated_uc8151, false, UC UC_PLANE UC_ON "C12 C02",
         "wait 200 us"},
        {"deep sleep without a reset", &jl_emulated_ssd1680, false,
         SSD SSD_PLANE SSD_FULL "~3000 C10 D01 ~10 C12", "only a pulse on the reset pin"},
        {"deep sleep without a reset, uc", &jl_emulated_uc8151, false, UC "C07 DA5 ~10 C04",
         "only a pulse on the reset pin"},
        {"deep sleep with another key", &jl_emulated_uc8151, false, UC "C07 D5A", "A5 as its key"},
        {"deep sleep under voltage", &jl_emulated_uc8151, false, UC UC_ON "C07 DA5", "02 first"},
        {"update without voltages", &jl_emulated_uc8151, false, UC UC_PLANE "C12", "04 first"},
        {"update without voltages, ssd", &jl_emulated_ssd1680, false, SSD SSD_PLANE "C22 D94 C20",
         "voltages off"},
        {"loading without an update", &jl_emulated_ssd1680, false, SSD "C22 DB1 C20 ~20", NULL},
        {"update without a waveform", &jl_emulated_ssd1680, false, SSD SSD_PLANE "C22 DC7 C20",
         "without a waveform"},
        {"old plane is noise", &jl_emulated_ssd1680, false, SSD SSD_PLANE SSD_PART,
         "old picture in plane 26 differs"},
        {"old plane is noise, uc", &jl_emulated_uc8179, false,
         "R ~15 C01 D07073F3F C00 D1F C61 D00800128 C50 D1007 C13 +4736 C04 ~100 CE0 D02 CE5 D6E "
         "C12",
         "old picture in plane 10 differs"},
        {"red plane not written", &jl_emulated_ssd1680, true, SSD SSD_PLANE SSD_FULL, "red snow"},
        {"red plane turned round", &jl_emulated_ssd1680, true, SSD SSD_PLANE "C26 +4736 " SSD_FULL,
         "more than 90 % is red"},
        {"red plane turned round, uc", &jl_emulated_uc8151, true,
         UC "C00 D0F C10 +4736 C13 +4736 " UC_ON "C12", "more than 90 % is red"},
        {"red asked of glass without", &jl_emulated_uc8151, false,
         UC "C00 D0F C10 +4736 C13 *4736 " UC_ON "C12", "the glass has no red"},
        {"full updates too often", &jl_emulated_ssd1680, false,
         SSD SSD_PLANE SSD_FULL "~60000 " SSD_FULL, "full updates 60 s apart"},
        {"voltages left on", &jl_emulated_ssd1680, false, SSD SSD_PLANE "C22 DF4 C20 ~65000 C24",
         "voltages were on for a minute"},
        {"voltages left on, uc", &jl_emulated_uc8151, false, UC UC_PLANE UC_ON "C12 ~65000 C71",
         "voltages were on for a minute"},
        {"window within bytes", &jl_emulated_uc8151, false, UC "C91 C90 D0B140000001001",
         "whole bytes, 8..23"},
        {"window outside", &jl_emulated_uc8151, false, UC "C91 C90 D00870000001001",
         "expected within 128 x 296"},
        {"all of the window", &jl_emulated_uc8151, false, UC "C91 C90 D007F0000012701", NULL},
        {"a row too many", &jl_emulated_uc8151, false, UC "C91 C90 D007F0000012801",
         "rows 0..296: expected within 128 x 296"},
        {"window outside, ssd", &jl_emulated_ssd1680, false, SSD "C44 D0016",
         "expected 0..21, in bytes"},
        {"rows outside, ssd", &jl_emulated_ssd1680, false, SSD "C45 D00002801",
         "45 rows 0..296: expected 0..295"},
        {"more columns than there are", &jl_emulated_uc8151, false, UC "C61 DA80128",
         "expected up to 160 x 296"},
        {"cut argument", &jl_emulated_ssd1680, false, SSD "C45 D0000 C24",
         "got 2 of 4 argument bytes"},
        {"too many arguments", &jl_emulated_uc8151, false, UC "C82 D1200", "takes 1 argument"},
        {"unknown command", &jl_emulated_ssd1680, false, SSD "CD5", "unknown command D5"},
        {"unknown command, uc", &jl_emulated_uc8151, false, UC "CD5", "unknown command D5"},
        {"reset too short", &jl_emulated_uc8151, false, "r", "at least 50 us"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, paper_of(128, 296, rows[i].red), 10000000);
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        EXPECT_INT(complaints(&raw, NULL), rows[i].complaint != NULL);
        EXPECT_INT(complaints(&raw, rows[i].complaint ? rows[i].complaint : "nothing"),
                   rows[i].complaint != NULL);
        jl_board_destroy(raw.board);
    }
}

/* How dark the glass is, 0 white to 255 black. */
static int darkness(struct raw *raw, int x, int y) {
    struct jl_picture picture;
    EXPECT(jl_device_picture(raw->device, &picture));
    int value = 255 - *jl_picture_at(&picture, x, y);
    jl_picture_free(&picture);
    return value;
}

/* What the red plane holds when nobody wrote it: noise at power-on, and after a deep sleep that
 * does not keep the RAM; then about every second pixel is red. */
static void red_snow(void) {
    static const struct {
        const char *script;
        bool snow;
    } rows[] = {
        {SSD SSD_PLANE SSD_FULL, true},
        {SSD SSD_PLANE "C26 *4736 " SSD_FULL, false},
        {SSD SSD_PLANE "C26 *4736 " SSD_FULL "~20000 C10 D01 " SSD SSD_PLANE SSD_FULL, false},
        {SSD SSD_PLANE "C26 *4736 " SSD_FULL "~20000 C10 D03 " SSD SSD_PLANE SSD_FULL, true},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(&jl_emulated_ssd1680, paper_of(128, 296, true), 10000000);
        struct jl_picture picture;
        int red = 0;
        raw_play(&raw, rows[i].script);
        raw_play(&raw, "~20000");
        EXPECT(jl_device_picture(raw.device, &picture));
        for (int k = 0; k < 128 * 296; k++) {
            red += picture.rgb[3 * k] > picture.rgb[3 * k + 1] + 60;
        }
        test_row("row %zu, %d red", i, red);
        EXPECT_INT(complaints(&raw, "red snow"), rows[i].snow);
        EXPECT(rows[i].snow ? red > 128 * 296 * 4 / 10 && red < 128 * 296 * 6 / 10 : red == 0);
        jl_picture_free(&picture);
        jl_board_destroy(raw.board);
    }
}

/* Glass that is mounted the other way round shows its first column at the other side. */
static void mirrored_glass(void) {
    for (int way = 0; way < 4; way++) {
        struct jl_glass glass = paper_of(128, 296, false);
        struct jl_picture picture;
        int dark = 0;
        glass.mirrored_x = way & 1;
        glass.mirrored_y = way & 2;
        struct raw raw = raw_open(&jl_emulated_ssd1680, glass, 10000000);
        raw_play(&raw, SSD "C24 D3F +4735 " SSD_FULL "~5000"); /* two black pixels */
        EXPECT(jl_device_picture(raw.device, &picture));
        test_row("way %d", way);
        for (int i = 0; i < 128 * 296; i++) {
            dark += picture.rgb[3 * i] < 128;
        }
        EXPECT_INT(dark, 2);
        for (int x = 0; x < 2; x++) {
            EXPECT(*jl_picture_at(&picture, way & 1 ? 127 - x : x, way & 2 ? 295 : 0) < 128);
        }
        jl_picture_free(&picture);
        jl_board_destroy(raw.board);
    }
}

/* Many partial updates. */
static void partials_without_a_full_one(void) {
    struct raw raw = raw_open(&jl_emulated_ssd1680, paper_of(128, 296, false), 10000000);
    raw_play(&raw, SSD SSD_PLANE "C26 +4736 " SSD_FULL "~3000");
    for (int i = 0; i < 21; i++) {
        EXPECT_INT(complaints(&raw, NULL), 0);
        raw_play(&raw, SSD_PART "~400");
    }
    EXPECT_INT(complaints(&raw, "more than 20 partial updates"), 1);
    raw_play(&raw, SSD_FULL "~3000");
    EXPECT_INT(complaints(&raw, NULL), 2); /* that, and full ones within three minutes */
    jl_board_destroy(raw.board);
}

/* RAM alone shows nothing; an update flashes, and BUSY says how long. */
static void phases_of_an_update(void) {
    static const struct {
        const struct jl_emulated_part *part;
        const char *ram, *update;
        bool busy;
    } rows[] = {
        {&jl_emulated_ssd1680, SSD SSD_PLANE, SSD_FULL, true},
        {&jl_emulated_uc8151, UC UC_PLANE UC_ON, "C12 ~1 ", false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].part, paper_of(128, 296, false), 10000000);
        test_row("%s", jl_device_part(raw.device));
        raw_play(&raw, rows[i].ram);
        EXPECT_INT(darkness(&raw, 5, 5), 0); /* white as it was made */
        EXPECT_CONTAINS(jl_device_why_dark(raw.device), "no update was started");
        EXPECT_INT(jl_device_pin(raw.device, JL_DEVICE_BUSY), !rows[i].busy);
        raw_play(&raw, rows[i].update);
        EXPECT_INT(jl_device_pin(raw.device, JL_DEVICE_BUSY), rows[i].busy);
        raw_play(&raw, "~250");
        EXPECT(darkness(&raw, 5, 5) > 150); /* the inverse of white comes first, */
        raw_play(&raw, "~600");
        EXPECT(darkness(&raw, 5, 5) > 250); /* then all is black, */
        raw_play(&raw, "~620");
        EXPECT(darkness(&raw, 5, 5) < 10); /* all white, and the picture */
        EXPECT_INT(jl_device_pin(raw.device, JL_DEVICE_BUSY), rows[i].busy);
        raw_play(&raw, "~1100");
        EXPECT_INT(jl_device_pin(raw.device, JL_DEVICE_BUSY), !rows[i].busy);
        EXPECT_INT(darkness(&raw, 5, 5), 0);
        EXPECT(jl_device_why_dark(raw.device) == NULL);
        jl_board_destroy(raw.board);
    }
}

/* Virtual milliseconds until BUSY is low again. */
static long busy_ms(struct raw *raw) {
    long ms = 0;
    while (jl_device_pin(raw->device, JL_DEVICE_BUSY) && ms < 100000) {
        raw_play(raw, "~10");
        ms += 10;
    }
    return ms;
}

/* The cold, red, and a waveform for another temperature. */
static void times_of_updates(void) {
    static const struct {
        const char *name;
        int celsius;
        bool red;
        const char *script;
        long least_ms, most_ms;
    } rows[] = {
        {"full", 25, false, SSD SSD_PLANE SSD_FULL, 2000, 4000},
        {"full in the cold", 0, false, SSD SSD_PLANE SSD_FULL, 6000, 12000},
        {"fast: a hot waveform", 25, false, SSD SSD_PLANE "C1A D6400 C22 D91 C20 ~10 C22 DC7 C20",
         700, 1500},
        {"partial", 25, false, SSD SSD_PLANE SSD_PART, 200, 600},
        {"with red", 25, true, SSD SSD_PLANE "C26 +4736 " SSD_FULL, 9000, 20000},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(&jl_emulated_ssd1680, paper_of(128, 296, rows[i].red), 10000000);
        test_row("%s", rows[i].name);
        jl_device_temperature(raw.device, rows[i].celsius);
        raw_play(&raw, rows[i].script);
        long ms = busy_ms(&raw);
        EXPECT(ms >= rows[i].least_ms && ms <= rows[i].most_ms);
        jl_board_destroy(raw.board);
    }
}

/* The picture stays without power; pulled in the middle of an update, it is what it was then. */
static void power_and_reset(void) {
    struct raw raw = raw_open(&jl_emulated_uc8151, paper_of(128, 296, false), 10000000);
    raw_play(&raw, UC "C13 D00000000000000000000000000000000 " UC_ON "C12 ~3000 C02 ~30");
    EXPECT_INT(darkness(&raw, 5, 0), 255);
    jl_device_set_plugged(raw.device, false);
    raw_play(&raw, "~60000");
    EXPECT_INT(darkness(&raw, 5, 0), 255);
    EXPECT_CONTAINS(jl_device_why_dark(raw.device), "unplugged");
    jl_device_set_plugged(raw.device, true);
    EXPECT_INT(darkness(&raw, 5, 0), 255);
    raw_play(&raw, "~180000 " UC UC_PLANE UC_ON "C12 ~1600"); /* all white by now */
    jl_device_set_plugged(raw.device, false);
    int cut = darkness(&raw, 5, 0);
    EXPECT(cut < 20);
    raw_play(&raw, "~5000");
    EXPECT_INT(darkness(&raw, 5, 0), cut);
    jl_device_set_plugged(raw.device, true);
    raw_play(&raw, "~180000 " UC "C13 D00000000000000000000000000000000 " UC_ON "C12 ~300 R ~5");
    cut = darkness(&raw, 5, 0);
    EXPECT(cut < 60); /* white is what comes before black */
    raw_play(&raw, "~5000");
    EXPECT_INT(darkness(&raw, 5, 0), cut);
    jl_board_destroy(raw.board);
}

/* Any bytes at any time: the parts survive. */
static void anything_is_survived(void) {
    static const struct jl_emulated_part *const parts[] = {
        &jl_emulated_ssd1680, &jl_emulated_ssd1681, &jl_emulated_uc8151, &jl_emulated_uc8176,
        &jl_emulated_uc8179};
    for (unsigned seed = 1; seed <= (unsigned)test_cases(240); seed++) {
        struct raw raw = raw_open(parts[seed % 5], paper_of(120, 190, seed & 1), 10000000);
        unsigned dice = seed;
        test_row("seed %u", seed);
        for (int i = 0; i < 400; i++) {
            uint8_t bytes[16];
            dice = dice * 1664525u + 1013904223u;
            for (size_t b = 0; b < sizeof bytes; b++) {
                bytes[b] = (uint8_t)(dice >> (b % 20));
            }
            raw_send(&raw, false, bytes, 1);
            raw_send(&raw, true, bytes + 1, dice >> 20 & 15);
            if ((dice & 0x3F) == 0) {
                raw_play(&raw, "~9000 R ~10");
            }
        }
        struct jl_picture picture;
        EXPECT(jl_device_picture(raw.device, &picture));
        jl_picture_free(&picture);
        jl_board_destroy(raw.board);
    }
}

const struct test_group test_groups[] = {
    {"faults_that_bring_up_knows", faults_that_bring_up_knows},
    {"red_snow", red_snow},
    {"mirrored_glass", mirrored_glass},
    {"partials_without_a_full_one", partials_without_a_full_one},
    {"phases_of_an_update", phases_of_an_update},
    {"times_of_updates", times_of_updates},
    {"power_and_reset", power_and_reset},
    {"anything_is_survived", anything_is_survived},
    {NULL, NULL},
};
