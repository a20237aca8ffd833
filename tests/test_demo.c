/* The demo, run as a user runs it: what a viewer sees on each board of the harbour. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "berth_plate.h"
#include "jadelamp/demo/harbour.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/compare.h"
#include "jadelamp/host/png.h"
#include "jadelamp/jadelamp.h"
#include "json_at.h"
#include "kinds.h"
#include "notice_board.h"
#include "shell.h"
#include "tide_board.h"

static struct jl_complaint complaint;

/* The demo in the present folder: a copy of what CTest had made for all these tests, or made here.
 */
static void demo_here(void) {
    EXPECT_INT(shell(getenv("JADELAMP_TEST_DEMO") ? "cp -al \"$JADELAMP_TEST_DEMO\"/* . && cat told"
                                                  : JADELAMP " demo --into ."),
               0);
}

/* The demo: what a viewer reads on it, found by comparing with text drawn on its own. */
static void pictures_of_the_quay_gauge(void) {
    shell_begin();
    demo_here();
    EXPECT_CONTAINS(output, "07:00   1.51 m");
    EXPECT_CONTAINS(output, "diagnostics of the controller: 0");
    struct jl_picture first = shell_picture("quay-gauge-first-glass.png");
    struct jl_picture last = shell_picture("quay-gauge-last-glass.png");
    EXPECT_INT(first.width, 128);
    EXPECT_INT(first.height, 64);
    EXPECT(jl_picture_compare(&first, &last, 0, NULL) > 50);
    for (int x = 0; x < 128; x++) { /* the frame border, on all sides */
        EXPECT(jl_picture_at(&last, x, 0)[0] && jl_picture_at(&last, x, 63)[0]);
        EXPECT(jl_picture_at(&last, 0, x / 2)[0] && jl_picture_at(&last, 127, x / 2)[0]);
    }
    EXPECT(shell_has("quay-gauge.vcd"));
    /* The damage picture: red outlines, and the title bar (not redrawn) dimmed. */
    struct jl_picture damage = shell_picture("quay-gauge-damage.png");
    int red = 0;
    for (int i = 0; i < damage.width * damage.height; i++) {
        red += damage.rgb[i * 3] == 255 && damage.rgb[i * 3 + 1] == 48;
    }
    EXPECT_INT(damage.width, 128 * 8);
    EXPECT(red > 100 && red < 20000);
    EXPECT_INT(jl_picture_at(&damage, 8 * 8 + 3, 8 + 3)[0], 255 / 3 + 10);
    jl_picture_free(&damage);
    jl_picture_free(&first);
    jl_picture_free(&last);
    shell_end();
}

/* Soft edges are mixed with what was stored before, which may round a step of 5-6-5 otherwise. */
static bool is_a_step_away(jl_color a, jl_color b) {
    return abs(jl_color_red(a) - jl_color_red(b)) <= 9 &&
           abs(jl_color_green(a) - jl_color_green(b)) <= 5 &&
           abs(jl_color_blue(a) - jl_color_blue(b)) <= 9;
}

/* The boards' glass is what their drawing code makes, stored as the panel stores it. */
static void boards_show_their_views(void) {
    static uint8_t pixels[240 * 320 * 3];
    static const struct {
        const char *name;
        int width, height;
    } boards[] = {{"tide-board", 240, 320}, {"berth-plate", 135, 240}, {"wind-dial", 240, 240}};
    const struct wind_reading wind = {262, 18};
    shell_begin();
    EXPECT_INT(shell(JADELAMP " demo --json"), 0);
    cJSON *json = cJSON_Parse(output);
    if (!EXPECT(json != NULL)) {
        return;
    }
    for (int i = 0; i < 3; i++) {
        struct jl_frame frame;
        char name[64];
        int w = boards[i].width, h = boards[i].height;
        test_row("%s", boards[i].name);
        const cJSON *board = cJSON_GetArrayItem(at(json, "boards"), i);
        EXPECT_INT(at(board, "diagnostics")->valueint, 0);
        EXPECT(at(at(board, "first"), "bus_bytes")->valueint > w * h * 2);
        EXPECT_INT(at(at(board, "second"), "bus_bytes")->valueint < w * h * 2, i == 0);
        EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, (int16_t)w, (int16_t)h, pixels, sizeof pixels),
                   JL_OK);
        switch (i) {
        case 0: {
            /* tide.csv at the full hours, and at 08:50 */
            struct jl_tide_table tide;
            struct tide_board view = {.minute = 530, .height_cm = 75, .wind = wind};
            char path[600];
            EXPECT(jl_share_path("demo/data", path, sizeof path - 16));
            strcat(path, "/tide.csv");
            EXPECT(jl_tide_read(path, &tide, &complaint));
            for (int hour = 0; hour < 25; hour++) {
                int row = hour * 6 < tide.count ? hour * 6 : tide.count - 1;
                view.heights[hour] = (int16_t)tide.rows[row].height_cm;
            }
            tide_board_draw(&frame.target, &view);
            break;
        }
        case 1:
            berth_plate_draw(&frame.target, &(struct berth){"7", "Sandpiper", 780, "26 Nov"});
            break;
        default:
            wind_dial_draw(&frame.target, 120, 120, 118, &wind);
            break;
        }
        snprintf(name, sizeof name, "heron-quay/%s-glass.png", boards[i].name);
        struct jl_picture seen = shell_picture(name);
        EXPECT_INT(seen.width, w);
        EXPECT_INT(seen.height, h);
        int wrong = 0, soft = 0;
        for (int p = 0; p < w * h; p++) {
            jl_color c = kind_of(&jl_rgb565)
                             ->store(JL_RGB((jl_color)pixels[3 * p], (jl_color)pixels[3 * p + 1],
                                            (jl_color)pixels[3 * p + 2]));
            int from_x = 2 * (p % w) + 1 - w, from_y = 2 * (p / w) + 1 - h;
            bool hidden = i == 2 && from_x * from_x + from_y * from_y > w * w;
            const uint8_t *rgb = seen.rgb + 3 * p;
            jl_color shown = JL_RGB((jl_color)rgb[0], (jl_color)rgb[1], (jl_color)rgb[2]);
            wrong += !is_a_step_away(shown, hidden ? JL_BLACK : c);
            soft += shown != (hidden ? JL_BLACK : c);
        }
        EXPECT_INT(wrong, 0);
        EXPECT(i == 1 ? soft == 0 : soft < w * h / 50);
        jl_picture_free(&seen);
    }
    cJSON_Delete(json);
    shell_end();
}

/* What e-paper shows is nearer to the picture than to any other, though ghosts may stay. */
static int far_from(const struct jl_picture *seen, const struct jl_frame *frame) {
    struct jl_picture wanted;
    int wrong = 0;
    EXPECT(jl_frame_picture(frame, &wanted));
    EXPECT_INT(seen->width, wanted.width);
    EXPECT_INT(seen->height, wanted.height);
    for (int i = 0; i < wanted.width * wanted.height * 3 && seen->width == wanted.width; i++) {
        wrong += abs(seen->rgb[i] - wanted.rgb[i]) > 127;
    }
    jl_picture_free(&wanted);
    return wrong;
}

/* The notice board, turned on its side, and the tide table; times by the tables of the harbour. */
static void paper_and_what_it_shows_meanwhile(void) {
    static uint8_t pixels[JL_BLACK_WHITE_RED_BYTES(296, 128)];
    shell_begin();
    demo_here();
    EXPECT_CONTAINS(output, "notice-board-film.png");
    struct jl_frame frame;
    struct notice_board board = {
        .minute = 8 * 60 + 50,
        .sluice = {{100, 190}, {840, 930}}, /* high waters at 02:40 and 15:00 */
        .sluice_count = 2,
        .warning = "STORM WARNING: south-west 9 from 18:00. Double your lines."};
    EXPECT_INT(jl_frame_init(&frame, &jl_black_white_red, 296, 128, pixels, sizeof pixels), JL_OK);
    notice_board_draw(&frame.target, &board);
    struct jl_picture seen = shell_picture("notice-board-glass.png");
    EXPECT_INT(far_from(&seen, &frame), 0);
    jl_picture_free(&seen);
    struct jl_picture film = shell_picture("notice-board-film.png");
    EXPECT(film.width > 2 * 2 * 296 && film.height > 4 * 2 * 128);
    /* In its eight photos the storm's box is white, dark, and red at the end. */
    int seen_red = 0, seen_dark = 0, seen_white = 0;
    for (int i = 0; i < 8; i++) {
        int column = film.width / 2 * (i % 2) + 10 + 6 + 2 * 160,
            row = film.height / 4 * (i / 2) + 230;
        const uint8_t *at = jl_picture_at(&film, column, row);
        seen_red += at[0] > 150 && at[1] < 70;
        seen_dark += at[0] < 90;
        seen_white += at[1] > 200;
    }
    EXPECT(seen_red >= 2 && seen_dark >= 1 && seen_white >= 2);
    jl_picture_free(&film);
    /* The same from a card; a panel that is not there never changes. */
    EXPECT_INT(shell(JADELAMP " light uc8151-104x212-red --film --json"), 0);
    EXPECT_CONTAINS(output, "uc8151-104x212-red-film.png");
    EXPECT(shell_has("uc8151-104x212-red-film.png"));
    EXPECT_INT(shell(JADELAMP " light ssd1681-200x200-spi --film --fault unplugged"), 1);
    EXPECT_CONTAINS(output, "timeout");
    EXPECT_CONTAINS(output, "not shown: the panel is unplugged");
    struct jl_picture table = shell_picture("tide-table-glass.png");
    EXPECT_INT(table.width, 400);
    int black = 0; /* the line under the curve is whole */
    for (int x = 16; x < 384; x++) {
        black += *jl_picture_at(&table, x, 256) < 60;
    }
    EXPECT_INT(black, 368);
    jl_picture_free(&table);
    shell_end();
}

/* Whether a place of the film's picture number `index` is like a colour. */
static bool film_shows(const struct jl_picture *film, int index, int columns, int width, int height,
                       int x, int y, jl_color color) {
    const uint8_t *rgb = jl_picture_at(film, 10 + index % columns * (width + 10) + x,
                                       10 + index / columns * (height + 30) + y);
    return abs(rgb[0] - jl_color_red(color)) < 60 && abs(rgb[1] - jl_color_green(color)) < 60 &&
           abs(rgb[2] - jl_color_blue(color)) < 60;
}

/* The harbour console and the lock panel with hands on them: what the films show at some places. */
static void consoles_with_hands_on_them(void) {
    shell_begin();
    EXPECT_INT(shell(JADELAMP " demo --into . --json"), 0);
    cJSON *json = cJSON_Parse(output);
    const cJSON *consoles = at(json, "consoles");
    if (EXPECT_INT(cJSON_GetArraySize(consoles), 2)) {
        const cJSON *console = cJSON_GetArrayItem(consoles, 0);
        EXPECT_TEXT(at(console, "touch")->valuestring, "xpt2046");
        EXPECT_INT(at(console, "diagnostics")->valueint, 0);
        EXPECT_INT(at(cJSON_GetArrayItem(consoles, 1), "diagnostics")->valueint, 0);
        /* 60.06 pictures a second, of 768000 bytes each, whatever is drawn. */
        EXPECT(at(console, "presents")->valueint > 100);
        double seconds = at(console, "seconds")->valuedouble;
        double scans = at(console, "scanned_out")->valuedouble;
        EXPECT(scans > (seconds - 1) * 60.06 && scans < seconds * 60.06);
        EXPECT(at(console, "bus_bytes")->valuedouble >= scans * 768000);
        EXPECT(at(console, "bus_bytes")->valuedouble <= (scans + 1) * 768000);
    }
    cJSON_Delete(json);
    struct jl_picture film = shell_picture("harbour-console-film.png");
    enum { W = 806, H = 486, EDGE = 3 }; /* a photo with its rim, halved */
    EXPECT_INT(film.width, 3 * (W + 10) + 10);
    static const struct {
        int picture, x, y;
        jl_color color;
        const char *what;
    } places[] = {
        {0, 80, 48, JL_WHITE, "the cross"},
        {1, 68, 410, JL_RGB(0x16, 0x23, 0x2C), "gate 1 shut: its knob below"},
        {3, 68, 300, JL_RGB(0x2F, 0xB7, 0xA8), "gate 1 open: its track lit"},
        {1, 68, 300, JL_RGB(0x22, 0x34, 0x3E), "before it was not"},
        {4, 260, 168, JL_RGB(0xF2, 0xB1, 0x34), "the question's title"},
        {7, 577, 334, JL_RGB(0x2F, 0xB7, 0xA8), "lamps lit"},
        {6, 577, 334, JL_RGB(0x16, 0x23, 0x2C), "lamps not lit before"},
        {9, 400, 240, JL_BLACK, "the light off"},
        {10, 68, 300, JL_RGB(0x2F, 0xB7, 0xA8), "woken: gate 1 still open"},
        {11, 68, 300, JL_RGB(0x22, 0x34, 0x3E), "shut by the next touch"},
        {1, 400, 398, JL_RGB(0xA8, 0x32, 0x2E), "the boat low in the basin"},
        {11, 400, 372, JL_RGB(0xA8, 0x32, 0x2E), "and higher when water came in"},
        {11, 400, 402, JL_RGB(0x26, 0x62, 0x78), "where it was there is water"},
    };
    for (size_t i = 0; i < sizeof places / sizeof places[0]; i++) {
        test_row("%s", places[i].what);
        EXPECT(film_shows(&film, places[i].picture, 3, W, H, EDGE + places[i].x, EDGE + places[i].y,
                          places[i].color));
    }
    jl_picture_free(&film);
    EXPECT(shell_has("lock-panel-film.png"));
    shell_end();
}

/* The lock keeper's display and the sluice sign, by what a reader sees on them. */
static void the_lock_display_and_the_sign(void) {
    shell_begin();
    demo_here();
    EXPECT_CONTAINS(output, "|Lock    08:50       |\n"
                            "  |upper  4.11 m \u2461\u2461\u2466   |\n"
                            "  |lower  0.75 m \u2588\u2588\u2461\u2461  |\n"
                            "  |Sandpiper     \u2588\u2588\u2588\u2588\u2461\u2461|\n");
    struct jl_picture lock = shell_picture("lock-display-glass.png");
    struct jl_picture sign = shell_picture("sluice-sign-glass.png");
    if (!EXPECT_INT(lock.width, 20 * 6 - 1) || !EXPECT_INT(lock.height, 4 * 9 - 1) ||
        !EXPECT_INT(sign.width, 84)) {
        return;
    }
    /* The columns of water: 4.11 m of 5 over three cells is 19 eighths, 0.75 m is 3. */
    static const struct { int column, eighths; } waters[] = {{14, 19}, {17, 11}, {19, 3}};
    for (int i = 0; i < 3; i++) {
        for (int step = 0; step < 24; step++) {
            int y = (3 - step / 8) * 9 + 7 - step % 8;
            EXPECT_INT(jl_picture_at(&lock, waters[i].column * 6 + 2, y)[0] != 0,
                       step < waters[i].eighths);
        }
    }
    /* The sign: 4.11 m and 0.75 m of 5 over 37 rows above the bed. */
    static const int surfaces[][2] = {{10, 47 - 411 * 37 / 500}, {30, 47 - 75 * 37 / 500}};
    for (int i = 0; i < 2; i++) {
        EXPECT(jl_picture_at(&sign, surfaces[i][0], surfaces[i][1])[0]);
        EXPECT(!jl_picture_at(&sign, surfaces[i][0], surfaces[i][1] - 1)[0]);
    }
    jl_picture_free(&lock);
    jl_picture_free(&sign);
    shell_end();
}

/* How often a text stands in a file. */
static int times(const char *text, const char *in) {
    int count = 0;
    for (; (in = strstr(in, text)) != NULL; in += strlen(text)) {
        count++;
    }
    return count;
}

/* All boards in one picture; and a page that needs no other file, whose links lead somewhere. */
static void the_harbour_at_a_glance(void) {
    static const char *const names[] = {
        "quay gauge",  "tide board",   "berth plate", "wind dial",       "lock display",
        "sluice sign", "notice board", "tide table",  "harbour console", "lock panel"};
    enum { NAMES = sizeof names / sizeof names[0] };
    shell_begin();
    demo_here();
    EXPECT_CONTAINS(output, "harbour.html");
    struct jl_picture sheet = shell_picture("harbour.png");
    EXPECT(sheet.width > 1000 && sheet.width < 1400 && sheet.height > 600 && sheet.height < 900);
    jl_picture_free(&sheet);
    FILE *file = fopen(shell_path("harbour.html"), "rb");
    static char page[8 << 20];
    size_t bytes = file ? fread(page, 1, sizeof page - 1, file) : 0;
    page[bytes] = '\0';
    EXPECT(file && !fclose(file) && bytes > 100000 && bytes < sizeof page - 1);
    for (int i = 0; i < NAMES; i++) {
        char place[40], link[40], heading[60];
        snprintf(place, sizeof place, "<section id=\"b%d\">", i);
        snprintf(link, sizeof link, "href=\"#b%d\"", i);
        snprintf(heading, sizeof heading, "%s</h2>", names[i]);
        EXPECT_INT(times(place, page), 1);
        EXPECT_INT(times(link, page), 3); /* above, among all, and behind the one before */
        EXPECT_INT(times(heading, page), 1);
    }
    EXPECT_INT(times("src=\"data:image/png;base64,iVBOR", page), 2 * NAMES);
    EXPECT_INT(times("src=", page), 2 * NAMES);
    EXPECT_INT(times("href=", page), 3 * NAMES + 1);
    EXPECT_INT(times("<script", page) + times("://", page), 0);
    EXPECT_CONTAINS(page, "st7789, 240x320");
    shell_end();
}

const struct test_group test_groups[] = {
    {"the_harbour_at_a_glance", the_harbour_at_a_glance},
    {"pictures_of_the_quay_gauge", pictures_of_the_quay_gauge},
    {"boards_show_their_views", boards_show_their_views},
    {"the_lock_display_and_the_sign", the_lock_display_and_the_sign},
    {"paper_and_what_it_shows_meanwhile", paper_and_what_it_shows_meanwhile},
    {"consoles_with_hands_on_them", consoles_with_hands_on_them},
    {NULL, NULL},
};
