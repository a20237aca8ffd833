/*
 * Cards of glass that is scanned out: what they say, mistakes in them, the forms of their timings,
 * numbers typed elsewhere, and what the rig of each makes of random drawing.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/run.h"
#include "jadelamp/host/timings.h"
#include "jadelamp/shapes.h"

static struct jl_complaint complaint;
static struct jl_card card;

#define GLASS "[glass]\nsize = 800 x 480\n"
#define BUS   "[bus]\nkind = rgb\nclock = 33.3 MHz\n"
#define LINE  "[scan]\nline-sync = 20\nline-back-porch = 26\nline-front-porch = 210\n"
#define PICTURE                                                                                    \
    "picture-sync = 10 lines\npicture-back-porch = 13 lines\npicture-front-porch = 22 lines\n"
#define CARD GLASS BUS LINE PICTURE /* 12 lines */
#define PORT "[panel]\ncontroller = st7701\n[glass]\nsize = 480 x 480\n" BUS LINE PICTURE

static bool read_text(const char *text) {
    return jl_card_read_text("a.card", text, strlen(text), &card, &complaint);
}

static void the_least_card(void) {
    EXPECT(read_text(CARD));
    EXPECT_TEXT(card.controller->name, "rgb-glass");
    EXPECT_INT(card.bus, JL_BUS_RGB);
    EXPECT_INT(card.scanout.config.width, 800);
    EXPECT_INT(card.scanout.config.height, 480);
    EXPECT_INT(card.scanout.config.clock_hz, 33300000);
    EXPECT_INT(card.scanout.config.data_lines, 24);
    EXPECT_INT(card.scanout.host_lines, 24);
    EXPECT_INT(card.scanout.config.flags, 0); /* by DE, syncs low, latched as the clock rises */
    EXPECT_INT(card.scanout.memory.buffers, JL_BUFFERS_TWO);
    EXPECT(card.format == &jl_rgb565_cpu);
    for (int i = 0; i < 24; i++) {
        EXPECT_INT(card.scanout.wires[i / 8][i % 8], i);
    }
}

static void all_that_a_card_can_say(void) {
    EXPECT(read_text(
        GLASS BUS
        "lines = 24\nleast-clock = 26 MHz\nmost-clock = 40 MHz\nlink-clock = 50 MHz\n"
        "[scan]\nmode = sync\nedge = falling\nhsync = high\nvsync = high\nde = low\n"
        "line-sync = 20 clocks\nline-back-porch-with-sync = 46 clocks\nline-front-porch = 210\n"
        "line-total = 1056\n" PICTURE "picture-total = 525\n"
        "[pins]\nreset = wired\nlight = wired\n"
        "data = B3 B4 B5 B6 B7, G2 G3 G4 G5 G6 G7, R3 R4 R5 R6 R7\nrest = low\n"
        "[panel]\nformat = 8-8-8\nname = all\n"
        "[memory]\nsize = 4 MB\nspeed = 80 MB/s\nfifo = 128 bytes\nbuffers = lines\nrows = 16\n"
        "refill = 200 MB/s\n"));
    const struct jl_scanout_config *config = &card.scanout.config;
    EXPECT_INT(config->line.back, 26);
    EXPECT_INT(config->flags, JL_SCANOUT_HSYNC_HIGH | JL_SCANOUT_VSYNC_HIGH | JL_SCANOUT_DE_LOW |
                                  JL_SCANOUT_FALLING | JL_SCANOUT_SYNC);
    EXPECT_INT(config->least_hz, 26000000);
    EXPECT_INT(config->most_hz, 40000000);
    EXPECT_INT(card.scanout.link_hz, 50000000);
    EXPECT_INT(card.scanout.host_lines, 16);
    EXPECT_INT(card.scanout.wires[0][7], 4);
    EXPECT_INT(card.scanout.wires[0][3], 0);
    EXPECT_INT(card.scanout.wires[0][2], -1);
    EXPECT_INT(card.scanout.wires[1][2], 5);
    EXPECT_INT(card.scanout.wires[2][7], 15);
    EXPECT_INT(card.scanout.memory.bytes, 4 << 20);
    EXPECT_INT(card.scanout.memory.bytes_s, 80000000);
    EXPECT_INT(card.scanout.memory.fifo_bytes, 128);
    EXPECT_INT(card.scanout.memory.refill_bytes_s, 200000000);
    EXPECT_INT(card.scanout.memory.rows, 16);
    EXPECT(card.format == &jl_rgb888);
    /* The low inputs on the top lines again. */
    EXPECT(read_text(CARD "[pins]\ndata = B3 B4 B5 B6 B7 G2 G3 G4 G5 G6 G7 R3 R4 R5 R6 R7\n"));
    EXPECT_INT(card.scanout.wires[0][2], 4);
    EXPECT_INT(card.scanout.wires[0][1], 3);
    EXPECT_INT(card.scanout.wires[0][0], 2);
    EXPECT_INT(card.scanout.wires[1][1], 10);
    EXPECT(read_text(PORT "command-clock = 1 MHz\n") == false); /* in [scan] there is none */
    EXPECT(read_text("[panel]\ncontroller = st7701\n[glass]\nsize = 480 x 480\n" BUS
                     "command-clock = 1 MHz\n" LINE PICTURE "[wake]\nstep = send 11\n"));
    EXPECT_INT(card.scanout.command_hz, 1000000);
    EXPECT_INT(card.wake_bytes, 2);
}

static void mistakes_are_explained(void) {
    static const struct {
        const char *text;
        int line;
        const char *says;
    } rows[] = {
        {GLASS BUS LINE, 9, "[scan] picture-sync: expected the length of the pulse, 1 or more"},
        {GLASS BUS "[scan]\n" PICTURE, 9, "[scan] line-sync: expected the length of the pulse"},
        {CARD "line-total = 1055\n", 13, "line-total = 1055: 20 + 26 + 800 + 210 are 1056"},
        {CARD "picture-total = 526\n", 13, "picture-total = 526: 10 + 13 + 480 + 22 are 525"},
        {CARD "line-back-porch-with-sync = 46\n", 13,
         "either line-back-porch or line-back-porch-w"},
        {GLASS BUS "[scan]\nline-sync = 20\nline-front-porch = 3\n" PICTURE, 7,
         "either line-back-porch"},
        {GLASS BUS "[scan]\nline-sync = 20\nline-back-porch-with-sync = 19\nline-front-porch = 3\n",
         8, "line-back-porch-with-sync = 19: it is shorter than the pulse of 20"},
        {GLASS BUS "[scan]\nline-sync = 20\nline-back-porch = 19\n" PICTURE, 11,
         "the card ends without line-front-porch in [scan]"},
        {GLASS BUS "[scan]\nline-sync = 0\nline-back-porch = 19\n", 7, "1 or more"},
        {"[scan]\nline-sync = 3.5 clocks\n", 2, "a whole number of clocks, 0 to 4095"},
        {"[scan]\nline-sync = 20 lines\n", 2, "a whole number of clocks"},
        {"[scan]\npicture-sync = 20 clocks\n", 2, "a whole number of lines"},
        {"[scan]\nline-sync = 4096\n", 2, "0 to 4095"},
        {"[scan]\nline-sync = -1\n", 2, "0 to 4095"},
        {"[scan]\nhsync = inverted\n", 2, "low or high"},
        {"[scan]\nde = none\n", 2, "high or low"},
        {"[scan]\nedge = both\n", 2, "rising or falling"},
        {"[scan]\nmode = rgb\n", 2, "de or sync"},
        {"[scan]\nporch = 3\n", 2, "unknown key porch in [scan]; known are: mode, edge"},
        {"[bus]\nlines = 8\n", 2, "16, 18 or 24"},
        {GLASS "[bus]\nkind = rgb\n" LINE PICTURE, 11, "without clock in [bus]"},
        {GLASS BUS "least-clock = 40 MHz\n" LINE PICTURE, 5, "it is below least-clock, 40.00 MHz"},
        {GLASS BUS "most-clock = 30 MHz\n" LINE PICTURE, 5, "it is above most-clock, 30.00 MHz"},
        {GLASS BUS "most-clock = 30 MHz\nleast-clock = 35 MHz\n" LINE PICTURE, 7,
         "it is above most-clock"},
        {GLASS "[bus]\nkind = rgb\nclock = 500 kHz\n" LINE PICTURE, 5, "more than a second"},
        {GLASS BUS "cycle = 66 ns\n" LINE PICTURE, 6, "only for panels with a memory"},
        {GLASS BUS "command-clock = 1 MHz\n" LINE PICTURE, 6, "this glass has no command port"},
        {CARD "[wake]\nstep = send 11\n", 14, "no command port to send it to"},
        {CARD "[glass]\nips = yes\n", 14, "[glass] ips: only for panels with a memory"},
        {"[panel]\ncontroller = st7701\n[glass]\nsize = 480 x 480\n[bus]\nkind = spi-3wire\n", 6,
         "the st7701 has no memory, its pixels come over kind = rgb"},
        {"[panel]\ncontroller = ili9341\n[glass]\nsize = 240 x 320\n" BUS, 6,
         "the ili9341 has no RGB bus"},
        {"[panel]\ncontroller = ili9341\n[glass]\nsize = 240 x 320\n[bus]\nkind = spi\n"
         "[scan]\nline-sync = 3\n",
         8, "[scan] line-sync: only for glass that is scanned out ([bus] kind = rgb)"},
        {"[panel]\ncontroller = st7701\n[glass]\nsize = 800 x 480\n" BUS LINE PICTURE, 4,
         "expected at most 480 x 864"},
        {"[glass]\nsize = 1281 x 480\n" BUS LINE PICTURE, 2, "expected at most 1280 x 864"},
        {"[glass]\nsize = 480 x 865\n" BUS LINE PICTURE, 2, "expected at most 1280 x 864"},
        {CARD "[pins]\ndata = B3 B4 B3\n", 14, "B3 stands twice, for the data lines D0 and D2"},
        {CARD "[pins]\ndata = B3 B8\n", 14,
         "B8 is no input of glass with 24 lines: expected B0 to"},
        {CARD "[pins]\ndata = C3\n", 14, "C3 is no input"},
        {CARD "[pins]\ndata = B33\n", 14, "B33 is no input"},
        {GLASS BUS "lines = 18\n" LINE PICTURE "[pins]\ndata = B6\n", 15,
         "no input of glass with 18 lines: expected B0 to B5, G0 to G5, R0 to R5"},
        {CARD "[pins]\ndata = B3 B4 B5 B6 B7 G2 G3 G4 G5 G6 G7 R3 R4 R5 R6\n", 14,
         "15 names; expected 16, 18 or 24 of them, one for each data line from D0 on; not named "
         "are B2 B1 B0 G1 G0 R7 R2 R1 R0"},
        {CARD "[pins]\nrest = high\n", 14, "repeat or low"},
        {"[panel]\nformat = 6-6-6\n" CARD, 2, "5-6-5, 8-8-8 or palette"},
        {CARD "[memory]\nsize = 512 KB\n", 14,
         "two frames of 800 x 480 pixels, 2 bytes each, take 1500 KB, and there are 512"},
        {CARD "[memory]\nbuffers = one\nsize = 512 KB\n", 15,
         "a frame of 800 x 480 pixels, 2 bytes each, take 750 KB"},
        {CARD "[memory]\nbuffers = lines\nrows = 40\nsize = 64 KB\n", 16,
         "two line buffers of 800 x 40 pixels, 2 bytes each, take 125 KB, and there are 64"},
        {CARD "[memory]\nbuffers = lines\n", 14, "buffers = lines and rows belong together"},
        {CARD "[memory]\nrows = 3\n", 14, "buffers = lines and rows belong together"},
        {CARD "[memory]\nbuffers = lines\nrows = 7\n", 15,
         "rows = 7: the 480 rows of the glass are no multiple of it"},
        {"[panel]\nformat = palette\n" CARD "[memory]\nbuffers = lines\nrows = 8\n", 2,
         "line buffers are drawn in colours"},
        {CARD "[memory]\nsize = 8\n", 14, "a size with its unit (bytes, KB or MB), such as 8 MB"},
        {CARD "[memory]\nfifo = 1 MB\n", 14, "such as 256 bytes"},
        {CARD "[memory]\nspeed = 80\n", 14, "0.1 MB/s to 4 GB/s"},
        {CARD "[memory]\nbuffers = three\n", 14, "one, two or lines"},
        {CARD "[memory]\nrows = 0\n", 14, "1 to 1024"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char place[40];
        test_row("%s", rows[i].text);
        EXPECT(!read_text(rows[i].text));
        snprintf(place, sizeof place, "a.card:%d: ", rows[i].line);
        EXPECT_CONTAINS(complaint.text, place);
        EXPECT_CONTAINS(complaint.text, rows[i].says);
    }
}

/* ---- the forms ---- */

/* By hand, from the sheets: 1024x600 at 51.2 MHz behind a link of 64 MHz, 1.25 of its clocks. */
static void timings_in_all_forms(void) {
    static const int line[3][4] = {
        {20, 140, 1024, 160}, {19, 159, 1183, 1343}, {25, 175, 1280, 200}};
    static const int picture[2][4] = {{3, 20, 600, 12}, {2, 22, 622, 634}};
    struct jl_timings timings;
    EXPECT(jl_card_find("rgb-1024x600", &card, &complaint));
    EXPECT(jl_timings_of(&card, &timings));
    for (int form = 0; form < 3; form++) {
        for (int part = 0; part < 4; part++) {
            test_row("%s %s", jl_timing_form_name((enum jl_timing_form)form),
                     jl_timing_part_name((enum jl_timing_part)part));
            EXPECT_INT(timings.parts[0][form][part], line[form][part]);
            EXPECT_INT(timings.parts[1][form][part], picture[form % 2][part]);
        }
    }
    EXPECT_INT(timings.totals[0][JL_FORM_SEPARATE], 1344);
    EXPECT_INT(timings.totals[0][JL_FORM_SUMMED], 1343);
    EXPECT_INT(timings.totals[0][JL_FORM_LINK], 1680);
    EXPECT_INT(timings.totals[1][JL_FORM_SUMMED], 634);
    EXPECT_INT((int)(timings.link_line * 100), 168000);
    EXPECT_INT((long long)timings.buffers_bytes, 2 * 1024 * 600 * 2);
    EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
    EXPECT(!jl_timings_of(&card, &timings));
}

/* ---- numbers typed elsewhere ---- */

static bool typed_as(const char *text, struct jl_typed *typed) {
    char path[200];
    snprintf(path, sizeof path, "typed-%ld.ini", (long)getpid());
    FILE *file = fopen(path, "w");
    EXPECT(file && fputs(text, file) >= 0 && fclose(file) == 0);
    bool good = jl_typed_read(path, &card, typed, &complaint);
    remove(path);
    return good;
}

#define SUMMED "[project]\nform = summed\n"
#define LINKED "[bridge]\nform = link\n"

static void contradictions_are_named(void) {
    static const struct {
        const char *text;
        int numbers, count;
        const char *says;
    } rows[] = {
        {SUMMED "clock = 51.2 MHz\nline-sync = 19\nline-back-porch = 159\nline-pixels = 1183\n"
                "line-total = 1343\npicture-sync = 2\npicture-back-porch = 22\n"
                "picture-pixels = 622\npicture-total = 634\nhsync = low\nvsync = low\nde = high\n"
                "edge = falling\n",
         13, 0, NULL},
        {LINKED "line-sync = 25\nline-back-porch = 175\nline-total = 1680\npicture-sync = 3\n", 4,
         0, NULL},
        {SUMMED "line-sync = 20\n", 1, 1,
         ":3: line-sync = 20: by the card it is 19; that is the "
         "separate form"},
        {SUMMED "line-back-porch = 160\n", 1, 1, "it is 159; that is the sum, not less one"},
        {SUMMED "line-total = 1344\n", 1, 1, "it is 1343; that is not less one"},
        {SUMMED "picture-back-porch = 20\n", 1, 1, "it is 22; that is the separate form"},
        {SUMMED "line-front-porch = 160\n", 1, 1,
         "the summed form has no such number, but "
         "line-total"},
        {SUMMED "line-pixels = 7\n", 1, 1, "line-pixels = 7: by the card it is 1183"},
        {"[a]\nform = separate\nline-back-porch = 160\n", 1, 1,
         "it is 140; that is the back porch with the sync"},
        {"[a]\nform = separate\nline-back-porch = 159\n", 1, 1, "that is the summed form"},
        {"[a]\nform = separate\npicture-front-porch = 11\n", 1, 1, "it is 12; that is less one"},
        {"[a]\nform = separate\nline-total = 1343\n", 1, 1, "it is 1344; that is the summed form"},
        {LINKED "line-sync = 20\n", 1, 1, "it is 25; that is in pixel clocks"},
        {"[a]\nform = separate\nclock = 50 MHz\n", 1, 1, "clock = 50 MHz: by the card it is 51.20"},
        {"[a]\nform = separate\nvsync = high\n", 1, 1, "vsync = high: by the card it is low"},
        {"[a]\nform = separate\nde = low\n", 1, 1, "de = low: by the card it is high"},
        {"[a]\nform = separate\nedge = rising\n", 1, 1, "edge = rising: by the card it is falling"},
        {"[a]\nform = separate\nline-sync = 20\n" SUMMED "line-sync = 20\n", 2, 1, ":6: line-sync"},
    };
    EXPECT(jl_card_find("rgb-1024x600", &card, &complaint));
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_typed typed;
        test_row("%s", rows[i].text);
        EXPECT(typed_as(rows[i].text, &typed));
        EXPECT_INT(typed.numbers, rows[i].numbers);
        EXPECT_INT(typed.count, rows[i].count);
        if (rows[i].says) {
            EXPECT_CONTAINS(typed.texts[0], rows[i].says);
        }
    }
    /* Many, in the order of the file. */
    struct jl_typed typed;
    EXPECT(typed_as(SUMMED "vsync = high\nline-total = 3\nhsync = high\nline-sync = 7\n", &typed));
    EXPECT_INT(typed.count, 4);
    EXPECT_CONTAINS(typed.texts[0], ":3: vsync");
    EXPECT_CONTAINS(typed.texts[1], ":4: line-total");
    EXPECT_CONTAINS(typed.texts[2], ":5: hsync");
    EXPECT_CONTAINS(typed.texts[3], ":6: line-sync");
    EXPECT(!typed.is_possible); /* less pixels than none */
    EXPECT_INT(typed.card.width, 1024);
}

/* What a peripheral with such numbers is set to. */
static void typed_numbers_make_a_peripheral(void) {
    struct jl_typed typed;
    EXPECT(jl_card_find("rgb-1024x600", &card, &complaint));
    EXPECT(typed_as(SUMMED "line-sync = 9\nline-back-porch = 59\nline-pixels = 1084\n"
                           "line-total = 1099\nclock = 40 MHz\nhsync = high\n",
                    &typed));
    EXPECT(typed.is_possible);
    const struct jl_scanout_config *config = &typed.card.scanout.config;
    EXPECT_INT(config->line.sync, 10);
    EXPECT_INT(config->line.back, 50);
    EXPECT_INT(config->width, 1025);
    EXPECT_INT(config->line.front, 15);
    EXPECT_INT(config->picture.back, 20); /* not typed: as on the card */
    EXPECT_INT(config->clock_hz, 40000000);
    EXPECT_INT(config->flags, JL_SCANOUT_HSYNC_HIGH | JL_SCANOUT_FALLING);
    /* Of several places the first that contradicts. */
    EXPECT(typed_as(SUMMED "line-sync = 19\n[b]\nform = separate\nline-sync = 30\n"
                           "[c]\nform = separate\nline-sync = 40\n",
                    &typed));
    EXPECT_INT(typed.card.scanout.config.line.sync, 30);
    EXPECT(typed_as(LINKED "line-back-porch = 50\n", &typed));
    EXPECT_INT(typed.card.scanout.config.line.back, 40);
    EXPECT_INT(typed.card.scanout.config.line.sync, 20);
}

static void bad_typed_files(void) {
    static const struct {
        const char *text, *says;
    } rows[] = {
        {"", "there is no number to compare"},
        {"line-sync = 3\n", ":1: line-sync stands before the first section"},
        {"[a]\nline-sync = 3\n", ":2: [a] ends without form: expected separate, summed or link"},
        {"[a]\nline-sync = 3\n[b]\nform = summed\n", ":2: [a] ends without form"},
        {"[a]\nform = sums\n", ":2: form = sums: expected one of separate, summed or link"},
        {"[a]\nform = summed\nline-sync = x\n", ":3: line-sync = x: expected a number"},
        {"[a]\nform = summed\nline-sync = 70000\n", "0 to 65535"},
        {"[a]\nform = summed\nline-sync = 3\nline-sync = 3\n",
         ":4: line-sync stands twice in [a], first in line 3"},
        {"[a]\nform = summed\nline-width = 3\n", ":3: unknown key line-width; known are: form"},
        {"[a]\nform = summed\nclock = 3\n", "with its unit"},
        {"[a]\nform = summed\nhsync = 1\n", "low or high"},
        {"[a]\nform = summed\nnonsense\n", ":3: expected [section] or key = value"},
    };
    struct jl_typed typed;
    EXPECT(jl_card_find("rgb-1024x600", &card, &complaint));
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].text);
        EXPECT(!typed_as(rows[i].text, &typed));
        EXPECT_CONTAINS(complaint.text, rows[i].says);
    }
    EXPECT(!jl_typed_read("no/such.ini", &card, &typed, &complaint));
    EXPECT_CONTAINS(complaint.text, "cannot read no/such.ini");
    EXPECT(jl_card_find("rgb-800x480", &card, &complaint));
    EXPECT(!typed_as(LINKED "line-sync = 3\n", &typed));
    EXPECT_CONTAINS(complaint.text, "the card rgb-800x480 has no link-clock");
    EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
    EXPECT(!typed_as(SUMMED "line-sync = 3\n", &typed));
    EXPECT_CONTAINS(complaint.text, "is not scanned out");
}

/* ---- rigs ---- */

#define SMALL                                                                                      \
    "[glass]\nsize = 96 x 60\n[bus]\nkind = rgb\nclock = 700 kHz\n[scan]\nedge = falling\n"        \
    "line-sync = 8\nline-back-porch = 8\nline-front-porch = 8\npicture-sync = 4\n"                 \
    "picture-back-porch = 4\npicture-front-porch = 4\n"

/* Random drawing is on the glass as it is in a frame, with each kind of buffers and format. */
static void random_drawing_equals_the_frame(void) {
    static const char *const rows[] = {
        SMALL,
        SMALL "[memory]\nbuffers = one\n",
        SMALL "[memory]\nbuffers = lines\nrows = 5\n",
        SMALL "[panel]\nformat = 8-8-8\n",
        SMALL "[panel]\nformat = palette\n",
        SMALL "[panel]\norientation = quarter-turn\n",
        SMALL "[panel]\norientation = mirrored-x\n[memory]\nbuffers = one\n",
        SMALL "[panel]\nformat = 8-8-8\n[memory]\nbuffers = lines\nrows = 12\n",
        "[panel]\ncontroller = st7701\n" SMALL "mode = sync\n",
    };
    struct test_random random = {1015};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        static struct jl_rig rig;
        test_row("%s", rows[i]);
        EXPECT(read_text(rows[i]));
        EXPECT(jl_rig_open(&rig, &card, &complaint));
        EXPECT_INT(jl_rig_wake(&rig), JL_OK);
        for (int k = 0; k < 12; k++) {
            struct jl_target *target = &jl_rig_frame(&rig)->target;
            for (int shape = 0; shape < 5; shape++) {
                jl_color color = test_random_next(&random) & 0xFFFFFF;
                int16_t x = (int16_t)test_random_between(&random, -10, 90);
                int16_t y = (int16_t)test_random_between(&random, -10, 90);
                int16_t r = (int16_t)test_random_between(&random, 1, 30);
                jl_fill_circle(target, x, y, r, color);
                jl_draw_line(target, x, y, (int16_t)(y + 20), r, ~color & 0xFFFFFF);
            }
            EXPECT_INT(jl_rig_present(&rig), JL_OK);
            jl_board_wait_ps(rig.board, (uint64_t)40000000000); /* two pictures */
            struct jl_picture glass, drawn;
            EXPECT(jl_device_picture(rig.device, &glass));
            EXPECT(jl_frame_picture(jl_rig_frame(&rig), &drawn));
            if (card.controller->driver->buses >> JL_BUS_SPI_3WIRE & 1 || k == 11) {
                EXPECT_PICTURE(&glass, &drawn, "scanned");
            } else {
                EXPECT_BYTES(glass.rgb, drawn.rgb, (size_t)glass.width * (size_t)glass.height * 3);
            }
            jl_picture_free(&glass);
            jl_picture_free(&drawn);
        }
        /* As a person sees it who turned the glass. */
        jl_draw_pixel(&jl_rig_frame(&rig)->target, 3, 5, JL_WHITE);
        jl_draw_pixel(&jl_rig_frame(&rig)->target, 4, 5, JL_BLACK);
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        jl_board_wait_ps(rig.board, (uint64_t)40000000000);
        struct jl_picture mounted;
        EXPECT(jl_rig_look(&rig, &mounted));
        int mirrored = card.turn & JL_TURN_MIRROR ? mounted.width - 1 : 0;
        EXPECT_INT(jl_picture_at(&mounted, abs(mirrored - 3), 5)[1], 255);
        EXPECT_INT(jl_picture_at(&mounted, abs(mirrored - 4), 5)[1], 0);
        jl_picture_free(&mounted);
        size_t wrong = jl_board_diagnostics(rig.board, &(const struct jl_diagnostic *){NULL});
        bool one = card.scanout.memory.buffers == JL_BUFFERS_ONE; /* which may be torn */
        EXPECT(one ? wrong <= 1 : wrong == 0);
        jl_rig_close(&rig);
    }
}

static void rigs_that_do_not_fit(void) {
    static struct jl_rig rig;
    struct jl_card other;
    EXPECT(read_text(CARD));
    EXPECT(jl_card_find("ili9341-240x320-spi", &other, &complaint));
    EXPECT(!jl_rig_open_on(&rig, &card, &other, &complaint));
    EXPECT_CONTAINS(complaint.text, "one is scanned out, the other one has a memory");
    EXPECT(!jl_rig_open_on(&rig, &other, &card, &complaint));
    EXPECT(jl_rig_open(&rig, &card, &complaint));
    EXPECT_INT(jl_rig_present(&rig), JL_NOT_AWAKE);
    jl_rig_close(&rig);
}

/* What a card's timings say to a person. */
static void timings_in_words(void) {
    static const struct {
        const char *text, *says;
    } rows[] = {
        {CARD, "by DE, HSYNC low, VSYNC low, DE high, latched as the clock rises"},
        {CARD "mode = sync\nhsync = high\nvsync = high\nde = low\nedge = falling\n",
         "by syncs, HSYNC high, VSYNC high, DE low, latched as the clock falls"},
        {CARD "[memory]\nbuffers = one\n", "750 KB a frame of 16 bits, one of them 750 KB"},
        {CARD "[memory]\nbuffers = two\n", "750 KB a frame of 16 bits, two of them 1500 KB"},
        {CARD "[memory]\nbuffers = lines\nrows = 16\n", "line buffers 50 KB"},
        {GLASS BUS "link-clock = 50 MHz\n" LINE PICTURE,
         "a line takes 1585.59 byte clocks of 50.00 MHz, which is no whole number"},
        {GLASS BUS "link-clock = 66.6 MHz\n" LINE PICTURE,
         "a line takes 2112.00 byte clocks of 66.60 MHz\n"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_timings timings;
        char said[4000] = "";
        FILE *out = tmpfile();
        test_row("%s", rows[i].says);
        if (EXPECT(out != NULL) && EXPECT(read_text(rows[i].text)) &&
            EXPECT(jl_timings_of(&card, &timings))) {
            jl_timings_print(out, &card, &timings);
            rewind(out);
            said[fread(said, 1, sizeof said - 1, out)] = '\0';
            EXPECT_CONTAINS(said, rows[i].says);
        } else {
            printf("    %s\n", complaint.text);
        }
        fclose(out);
    }
}

/* ---- programs ---- */

static const struct jl_scanout_config small = {
    96, 60, 700000, 0, 0, {8, 8, 8}, {4, 4, 4}, JL_SCANOUT_FALLING, 24};

/* Frames and line buffers that are gone when the program is over. */
static jl_status frames_on_the_stack(const struct jl_port *port) {
    uint8_t first[96 * 60 * 2] = {0}, second[96 * 60 * 2] = {0};
    struct jl_scanout scan;
    jl_status status =
        jl_scanout_open(&scan, &small, port, &jl_rgb565_cpu, first, second, sizeof first);
    for (int16_t i = 0; i < 3 && status == JL_OK; i++) {
        jl_fill_rect(&scan.frame.target, (struct jl_rect){i, i, 10, 10}, JL_RED);
        status = jl_scanout_present(&scan);
        while (status == JL_OK && jl_scanout_poll(&scan) == JL_BUSY) {
        }
    }
    return status;
}

static void draw_rows(void *context, struct jl_target *target) {
    (void)context;
    jl_clear(target, JL_BLUE);
    jl_fill_rect(target, (struct jl_rect){2, 2, 10, 10}, JL_RED);
}

static jl_status lines_on_the_stack(const struct jl_port *port) {
    uint8_t first[96 * 6 * 2], second[96 * 6 * 2];
    struct jl_scanout_lines lines;
    jl_status status = jl_scanout_lines_open(&lines, &small, port, &jl_rgb565_cpu, 6, draw_rows,
                                             NULL, first, second, sizeof first);
    port->ops->wait_us(port->context, 50000);
    return status;
}

/* Stopped in the middle: its stack is gone, too. */
static jl_status lines_for_ever(const struct jl_port *port) {
    uint8_t first[96 * 6 * 2], second[96 * 6 * 2];
    struct jl_scanout_lines lines;
    jl_status status = jl_scanout_lines_open(&lines, &small, port, &jl_rgb565_cpu, 6, draw_rows,
                                             NULL, first, second, sizeof first);
    while (status == JL_OK) {
        port->ops->wait_us(port->context, 1000);
    }
    return status;
}

static jl_status scans_nothing(const struct jl_port *port) {
    (void)port;
    return JL_OK;
}

/* Nothing was scanned out while the program ran, and nothing is behind it. */
static void a_program_that_scans_nothing(void) {
    static struct jl_run_result result;
    const struct jl_run_request request = {.name = "nothing", .directory = "scan-run"};
    EXPECT(read_text(SMALL));
    EXPECT(jl_run(&card, scans_nothing, &request, &result, &complaint));
    EXPECT_INT(result.scans, 0);
    EXPECT(jl_run_has_findings(&result));
    jl_board_wait_ps(result.rig.board, (uint64_t)1000000000000);
    EXPECT_INT(jl_rgb_picture_count(result.rig.sim.rgb), 0);
    EXPECT(jl_device_why_dark(result.rig.device) != NULL);
    jl_run_close(&result);
}

static void programs_that_scan(void) {
    static const struct {
        const char *name;
        jl_program program;
        enum jl_run_end end;
        jl_color ground;
    } rows[] = {
        {"frames", frames_on_the_stack, JL_RUN_RETURNED, JL_BLACK},
        {"lines", lines_on_the_stack, JL_RUN_RETURNED, JL_BLUE},
        {"for ever", lines_for_ever, JL_RUN_TIME_UP, JL_BLUE},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        static struct jl_run_result result;
        const struct jl_run_request request = {
            .name = "scanned", .directory = "scan-run", .most_ms = 100};
        test_row("%s", rows[i].name);
        EXPECT(read_text(SMALL));
        EXPECT(jl_run(&card, rows[i].program, &request, &result, &complaint));
        EXPECT_INT(result.end, rows[i].end);
        EXPECT_INT(result.status, JL_OK);
        EXPECT(result.scans >= 2);
        EXPECT(!jl_run_has_findings(&result));
        jl_board_wait_ps(result.rig.board, (uint64_t)1000000000000); /* a second more */
        struct jl_picture glass;
        EXPECT(jl_device_picture(result.rig.device, &glass));
        const uint8_t *red = jl_picture_at(&glass, 5, 5), *ground = jl_picture_at(&glass, 90, 50);
        EXPECT_INT(red[0] << 16 | red[1] << 8 | red[2], JL_RED);
        EXPECT_INT(ground[0] << 16 | ground[1] << 8 | ground[2], rows[i].ground);
        jl_picture_free(&glass);
        jl_run_close(&result);
    }
}

const struct test_group test_groups[] = {
    {"the_least_card", the_least_card},
    {"all_that_a_card_can_say", all_that_a_card_can_say},
    {"mistakes_are_explained", mistakes_are_explained},
    {"timings_in_all_forms", timings_in_all_forms},
    {"contradictions_are_named", contradictions_are_named},
    {"typed_numbers_make_a_peripheral", typed_numbers_make_a_peripheral},
    {"bad_typed_files", bad_typed_files},
    {"random_drawing_equals_the_frame", random_drawing_equals_the_frame},
    {"rigs_that_do_not_fit", rigs_that_do_not_fit},
    {"timings_in_words", timings_in_words},
    {"programs_that_scan", programs_that_scan},
    {"a_program_that_scans_nothing", a_program_that_scans_nothing},
    {NULL, NULL},
};
