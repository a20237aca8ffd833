/* The window, on a display of its own, with real mouse and key events. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include <cjson/cJSON.h>

#include "desk.h"
#include "jadelamp/host/window.h"
#include "json_at.h"
#include "shell.h"

static const char card_with_hands[] =
    "printf '[panel]\\ncontroller = ssd1306\\n[glass]\\nsize = 128 x 32\\n[bus]\\nkind = i2c\\n"
    "address = 0x3C\\nclock = 400 kHz\\n[pins]\\nkey_ok = PB0\\nkey_back = PB1\\n"
    "knob_a = PD2\\nknob_b = PD3\\n' >hands.card";

static void copy_program(const char *way) {
    char line[600];
    /* Whole at once, as a linker does it. */
    snprintf(line, sizeof line, "cp %s/window_%s.so new.so && mv new.so screen.so", PROGRAMS, way);
    EXPECT_INT(shell(line), 0);
}

static int lit(const struct jl_picture *picture, int left, int top, int right, int bottom) {
    int count = 0;
    for (int y = top; y < bottom; y++) {
        for (int x = left; x < right; x++) {
            count += jl_picture_at(picture, x, y)[1] > 128;
        }
    }
    return count;
}

/* The test card on many kinds of glass: what the screen shows is what `light` writes. */
static void shows_the_glass(void) {
    static const struct {
        const char *card, *words;
        int zoom;
    } rows[] = {
        {"ssd1306-128x64-i2c", "--plain --zoom 4", 4},
        {"st7735-128x160-offset", "--plain --zoom 3", 3},
        {"hd44780-16x2-4bit", "--plain --zoom 5", 5},
    };
    desk_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[200];
        int left, top, width, height, wrong = 0;
        snprintf(line, sizeof line, "%s %s", rows[i].card, rows[i].words);
        desk_window(line);
        desk_wait_told("returned JL_OK", 1);
        desk_do("mousemove 2 2");
        shell("sleep 0.2");
        struct jl_picture screen = desk_picture();
        desk_find_glass(&left, &top, &width, &height);
        snprintf(line, sizeof line, "%s-1.png", rows[i].card);
        struct jl_picture shot = desk_shot(line);
        desk_do("key q");
        EXPECT_INT(desk_wait(), 0);
        snprintf(line, sizeof line, "%s light %s --no-wires", JADELAMP, rows[i].card);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "%s-glass.png", rows[i].card);
        struct jl_picture glass = shell_picture(line);
        test_row("%s", rows[i].card);
        EXPECT_PICTURE(&shot, &glass, "window-shot");
        /* The card has a lit frame, so that its corners are found. */
        bool framed = strcmp(rows[i].card, "hd44780-16x2-4bit") != 0;
        for (int y = 0; framed && y < glass.height * rows[i].zoom; y++) {
            for (int x = 0; x < glass.width * rows[i].zoom; x++) {
                wrong += memcmp(jl_picture_at(&screen, left + x, top + y),
                                jl_picture_at(&glass, x / rows[i].zoom, y / rows[i].zoom), 3) != 0;
            }
        }
        EXPECT_INT(wrong, 0);
        if (framed) {
            EXPECT_INT(width, glass.width * rows[i].zoom);
            EXPECT_INT(height, glass.height * rows[i].zoom);
        }
        jl_picture_free(&screen);
        jl_picture_free(&shot);
        jl_picture_free(&glass);
    }
    desk_end();
}

/* Fingers land where the mouse is, by zoom, look and the panel's turn. */
static void mouse_is_a_finger(void) {
    static const struct {
        const char *card, *change, *words;
        bool plain;
        int zoom;
    } rows[] = {
        {"ili9341-240x320-touch", "", "--zoom 2", false, 2},
        {"ili9341-240x320-touch", "", "--zoom 1 --plain", true, 1},
        {"ili9341-240x320-touch", "s/^\\[panel\\]/[panel]\\norientation = quarter-turn/",
         "--zoom 2 --plain", true, 2},
        {"gc9a01-240x240-touch", "s/^\\[panel\\]/[panel]\\norientation = three-quarter-turn/",
         "--zoom 2", false, 2},
    };
    static const int places[][2] = {{60, 100}, {125, 40}, {150, 170}};
    desk_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[500];
        int left, top, width, height, zoom = rows[i].zoom;
        /* A turn that stands there already is taken out first. */
        snprintf(line, sizeof line,
                 "rm -f *.png; sed '/^orientation/d' %s/%s.card | sed '%s' >turned.card", CARDS,
                 rows[i].card, rows[i].change);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "turned.card %s", rows[i].words);
        desk_window(line);
        shell("sleep 0.4");
        desk_find_glass(&left, &top, &width, &height);
        int bezel = rows[i].plain ? 0 : 3 * zoom;
        desk_do("key s");
        for (size_t p = 0; p < sizeof places / sizeof places[0]; p++) {
            snprintf(line, sizeof line, "mousemove %d %d mousedown 1",
                     left + bezel + places[p][0] * zoom + zoom / 2,
                     top + bezel + places[p][1] * zoom + zoom / 2);
            desk_do(line);
            desk_do("mouseup 1");
        }
        desk_do("key s");
        desk_do("key q");
        EXPECT_INT(desk_wait(), 0);
        struct jl_picture before = shell_picture("turned-1.png");
        struct jl_picture after = shell_picture("turned-2.png");
        test_row("%s %s %s", rows[i].card, rows[i].change, rows[i].words);
        int marks = 0, changed = 0;
        for (int y = 0; y < before.height; y++) {
            for (int x = 0; x < before.width; x++) {
                bool differs = memcmp(jl_picture_at(&before, x, y), jl_picture_at(&after, x, y), 3);
                bool near_one = false;
                for (size_t p = 0; p < sizeof places / sizeof places[0]; p++) {
                    int dx = x - places[p][0], dy = y - places[p][1];
                    near_one |= dx * dx + dy * dy <= 5 * 5; /* 3, and 2 for the touch part's own */
                }
                changed += differs;
                marks += differs && near_one;
            }
        }
        EXPECT_INT(changed, marks); /* nowhere else */
        EXPECT(marks > 60);         /* three discs of 29 to 37 pixels, where it was not white */
        jl_picture_free(&before);
        jl_picture_free(&after);
    }
    desk_end();
}

/* Enter and wheel reach the pins that the card names; a rebuilt program goes on where it was. */
static void programs_are_worked_and_reloaded(void) {
    struct jl_picture shot;
    desk_begin();
    EXPECT_INT(shell(card_with_hands), 0);
    copy_program("counts");
    desk_window("hands.card --program screen.so --json");
    desk_do("key Return");
    desk_do("key Return");
    desk_do("mousemove 640 300 click 4 click 4 click 4"); /* up is clockwise */
    desk_do("click 5");
    shot = desk_shot("hands-1.png");
    EXPECT_INT(lit(&shot, 0, 0, 128, 8), 2 * 4 * 8);
    EXPECT_INT(lit(&shot, 64, 8, 128, 16), 2 * 4 * 8);
    EXPECT_INT(lit(&shot, 0, 16, 128, 32), 0);
    jl_picture_free(&shot);
    copy_program("rebuilt");
    desk_wait_told("started anew", 1);
    shell("sleep 0.3"); /* it wakes */
    desk_do("key Right");
    shot = desk_shot("hands-2.png");
    EXPECT_INT(lit(&shot, 0, 0, 128, 8), 2 * 4 * 8);
    EXPECT_INT(lit(&shot, 64, 8, 128, 16), 3 * 4 * 8);
    EXPECT_INT(lit(&shot, 120, 24, 128, 32), 8 * 8);
    jl_picture_free(&shot);
    copy_program("bigger"); /* keeps something else */
    desk_wait_told("started anew", 2);
    shell("sleep 0.3");
    shot = desk_shot("hands-3.png");
    EXPECT_INT(lit(&shot, 0, 0, 128, 32), 0);
    jl_picture_free(&shot);
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    cJSON *json = cJSON_Parse(strstr(output, "{\n"));
    EXPECT_INT(at(json, "starts")->valueint, 3);
    EXPECT_INT(at(json, "keys")->valueint, 2);
    EXPECT_INT(at(json, "detents")->valueint, 5);
    EXPECT_INT(at(json, "crashes")->valueint, 0);
    cJSON_Delete(json);
    desk_end();
}

/* Each way to fail is told; the window stays, and what is built anew runs. */
static void programs_that_fail(void) {
    static const struct {
        const char *way, *tells;
    } rows[] = {
        {"crashes", "crashed: Aborted (signal 6)"},
        {"hangs", "hangs: no transfer and no wait for 2 s"},
        {"exits", "ended its process with status 3"},
    };
    desk_begin();
    EXPECT_INT(shell(card_with_hands), 0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell("rm -f *.png"), 0);
        copy_program(rows[i].way);
        desk_window("hands.card --program screen.so --patience 2");
        desk_do("key Return");
        desk_wait_told(rows[i].tells, 1);
        copy_program("rebuilt");
        desk_wait_told("started anew", 1);
        shell("sleep 0.3");
        struct jl_picture shot = desk_shot("hands-1.png");
        test_row("%s", rows[i].way);
        EXPECT_INT(lit(&shot, 120, 24, 128, 32), 8 * 8);
        EXPECT_INT(lit(&shot, 0, 0, 64, 8), 0); /* what a failed one kept is not given back */
        jl_picture_free(&shot);
        desk_do("key q");
        EXPECT_INT(desk_wait(), 1);
        EXPECT_CONTAINS(output, rows[i].tells);
        EXPECT_CONTAINS(output, "screen.so: started anew");
    }
    copy_program("fails");
    EXPECT_INT(shell(JADELAMP " window hands.card --program screen.so --frames 60 --json"), 1);
    cJSON *json = cJSON_Parse(strstr(output, "{\n"));
    EXPECT_TEXT(at(json, "status")->valuestring, "JL_TIMEOUT");
    cJSON_Delete(json);
    EXPECT_INT(shell("echo no object >screen.so; " JADELAMP
                     " window hands.card --program screen.so --frames 60"),
               1);
    EXPECT_CONTAINS(output, "cannot load screen.so");
    desk_end();
}

/* Stopped time stands still; steps go on by as much as they say; captures are whole files. */
static void time_and_captures(void) {
    desk_begin();
    desk_window("ili9341-240x320-spi --speed 0.01");
    desk_do("key space");
    struct jl_picture one = desk_shot("ili9341-240x320-spi-1.png");
    shell("sleep 0.5");
    struct jl_picture two = desk_shot("ili9341-240x320-spi-2.png");
    EXPECT_PICTURE(&two, &one, "window-stopped");
    jl_picture_free(&two);
    /* At real speed: 135 ms of resets and waits, then the picture begins to come. */
    desk_do("key bracketright bracketright bracketright bracketright bracketright bracketright "
            "key space");
    shell("sleep 1");
    desk_do("key space");
    two = desk_shot("ili9341-240x320-spi-3.png");
    EXPECT(lit(&two, 0, 0, 240, 320) > 0);
    jl_picture_free(&one);
    jl_picture_free(&two);
    desk_do("key c");
    desk_do("key period period period");
    desk_do("key c");
    EXPECT(desk_wait_for("ili9341-240x320-spi-4.vcd"));
    desk_do("key c"); /* open when the window is closed */
    desk_do("key period");
    desk_do("key q");
    desk_wait();
    EXPECT(shell_has("ili9341-240x320-spi-5.vcd"));
    /* Three milliseconds, within the time of a step. */
    EXPECT_INT(shell("awk '/^#/ {t = substr($0, 2); if (!n++) first = t} "
                     "END {d = (t - first) / 1e6; print d; exit !(d > 2.5 && d < 3.5)}' "
                     "ili9341-240x320-spi-4.vcd"),
               0);
    EXPECT_INT(shell("ls | grep -c part"), 1); /* no drafts are left */
    desk_end();
}

/* Zoom and look: where the glass is on the screen then; and what has nothing behind it. */
static void its_own_keys(void) {
    static const struct {
        const char *deed;
        int width; /* of the glass on the screen, 128 wide; below 0: with the photo's frame */
    } rows[] = {
        {"mousemove 2 2", 128 * 3},
        {"key plus", 128 * 4},
        {"key equal", 128 * 5},
        {"key KP_Add", 128 * 6},
        {"key minus", 128 * 5},
        {"key KP_Subtract minus minus", 128 * 2},
        {"key minus", 128},
        {"key minus", 128},  /* not below one */
        {"key p", -128 * 2}, /* the photo has at least two */
        {"key p", 128 * 2},
        /* no key, no knob, no touch: nothing moves, and the window says so */
        {"key Return key Left key Right click 4 mousemove 60 60 click 1 click 2 key x", 128 * 2},
    };
    desk_begin();
    desk_window("ssd1306-128x64-i2c --plain --zoom 3 --json");
    desk_do("mousemove 2 2");
    shell("sleep 0.4");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        int left, top, width, height;
        desk_do(rows[i].deed);
        shell("sleep 0.25");
        desk_find_glass(&left, &top, &width, &height);
        test_row("%s", rows[i].deed);
        if (rows[i].width < 0) {
            EXPECT(width > -rows[i].width && width < -rows[i].width + 60);
        } else {
            EXPECT_INT(width, rows[i].width);
            EXPECT_INT(height, rows[i].width / 2);
        }
    }
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    EXPECT_CONTAINS(output, "\"keys\":\t0");
    EXPECT_CONTAINS(output, "\"detents\":\t0");
    desk_end();
}

static void several_cards(void) {
    desk_begin();
    desk_window("ssd1306-128x64-i2c st7735-128x160-spi --zoom 2");
    desk_wait_told("returned JL_OK", 1);
    desk_do("key s");
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    struct jl_picture first = shell_picture("ssd1306-128x64-i2c-1.png");
    struct jl_picture second = shell_picture("ssd1306-128x64-i2c-2.png");
    EXPECT_INT(first.width * 1000 + first.height, 128064);
    EXPECT_INT(second.width * 1000 + second.height, 128160);
    EXPECT(lit(&first, 0, 0, 128, 64) > 300);
    EXPECT(lit(&second, 0, 0, 128, 160) > 300);
    jl_picture_free(&first);
    jl_picture_free(&second);
    desk_end();
}

/* Whether a pixel has the colour of a slider that is set. */
static bool is_slid(const struct jl_picture *screen, int x, int y) {
    const uint8_t *at = jl_picture_at(screen, x, y);
    return at[0] == 64 && at[1] == 160 && at[2] == 150;
}

/* A sheet with sliders; saved again, it is shown anew; saved with a mistake, that is told. */
static void sheets_are_shown_as_they_are_saved(void) {
    static const char sheet[] =
        "printf 'screen s\\nglass 128 x 64\\nvalue v = number 0 to 100 sample %d\\nground black\\n"
        "%s 0 0 %d x 8 fill white\\nbar v in 0 20 128 x 20 scale 0 to 100\\n' >s.part && "
        "mv s.part s.screen";
    char line[600];
    int left, top, width, height;
    struct jl_picture shot;
    desk_begin();
    snprintf(line, sizeof line, sheet, 50, "rect", 40);
    EXPECT_INT(shell(line), 0);
    desk_window("ssd1306-128x64-i2c --screen s.screen --plain --zoom 4");
    shell("sleep 0.5");
    shot = desk_shot("ssd1306-128x64-i2c-1.png");
    EXPECT_INT(lit(&shot, 0, 0, 128, 8), 40 * 8);
    EXPECT_INT(lit(&shot, 0, 28, 128, 32) / 4, 65); /* half of 126, and both ends of the frame */
    jl_picture_free(&shot);
    /* The slider is right of the glass; its track is 230 wide, 22 below the upper margin. */
    desk_find_glass(&left, &top, &width, &height);
    shot = desk_picture();
    int track_y = 0, track_x = 0, slid = 0;
    for (int y = 0; y < shot.height; y++) {
        for (int x = left; x < shot.width; x++) {
            bool first = is_slid(&shot, x, y) && !track_x;
            track_x = first ? x : track_x;
            track_y = first ? y : track_y;
            slid += is_slid(&shot, x, y);
        }
    }
    EXPECT_INT(slid, 115 * 8);
    jl_picture_free(&shot);
    EXPECT(track_x > 0);
    snprintf(line, sizeof line, "mousemove %d %d mousedown 1", track_x + 100, track_y + 3);
    desk_do(line);
    snprintf(line, sizeof line, "mousemove %d %d", track_x + 229, track_y + 60);
    desk_do(line);
    desk_do("mouseup 1");
    desk_do("mousemove 5 5"); /* held no longer */
    shot = desk_shot("ssd1306-128x64-i2c-2.png");
    EXPECT_INT(lit(&shot, 0, 28, 128, 32) / 4, 128);
    jl_picture_free(&shot);
    /* What the hand set stays; the shape is another one. */
    snprintf(line, sizeof line, sheet, 50, "rect", 80);
    EXPECT_INT(shell(line), 0);
    desk_wait_told("was read anew", 1);
    shot = desk_shot("ssd1306-128x64-i2c-3.png");
    EXPECT_INT(lit(&shot, 0, 0, 128, 8), 80 * 8);
    EXPECT_INT(lit(&shot, 0, 28, 128, 32) / 4, 128);
    jl_picture_free(&shot);
    snprintf(line, sizeof line, sheet, 50, "rekt", 20);
    EXPECT_INT(shell(line), 0);
    desk_wait_told("no line begins so", 1);
    shot = desk_shot("ssd1306-128x64-i2c-4.png");
    EXPECT_INT(lit(&shot, 0, 0, 128, 8), 80 * 8);
    jl_picture_free(&shot);
    desk_do("key q");
    EXPECT_INT(desk_wait(), 1);
    EXPECT_CONTAINS(output, "s.screen was read anew");
    EXPECT_CONTAINS(output, "error: s.screen:5: rekt: no line begins so");
    desk_end();
}

/* ---- a tap ---- */

void tap(uint8_t kind, const uint8_t *some, size_t how_many); /* tap_by_hand.c */
void uart_put(uint8_t byte);
uint32_t microseconds(void);

static FILE *uart;

void uart_put(uint8_t byte) {
    fputc(byte, uart);
}

uint32_t microseconds(void) {
    return 1000;
}

/* A line that stays open: first a left half that is lit, then noise, then a page more. */
static void a_tap_is_shown(void) {
    static const uint8_t wake[] = {0x3C, 0x00, 0xAE, 0xA8, 0x3F, 0xDA, 0x12,
                                   0xA1, 0xC8, 0x20, 0x00, 0x8D, 0x14, 0xAF};
    static uint8_t page[2 + 128] = {0x3C, 0x40};
    memset(page + 2, 0xFF, 64);
    desk_begin();
    EXPECT_INT(shell("mkfifo line"), 0);
    uart = fopen(shell_path("line"), "r+b"); /* so that neither end waits for the other */
    EXPECT(uart != NULL);
    tap('I', wake, sizeof wake);
    for (int i = 0; i < 8; i++) {
        tap('I', page, sizeof page);
    }
    fflush(uart);
    desk_window("ssd1306-128x64-i2c --from line");
    struct jl_picture shot = desk_shot("ssd1306-128x64-i2c-1.png");
    EXPECT_INT(lit(&shot, 0, 0, 64, 64), 64 * 64);
    EXPECT_INT(lit(&shot, 64, 0, 128, 64), 0);
    jl_picture_free(&shot);
    uart_put(0xC0);
    uart_put(0x11);
    memset(page + 2, 0xFF, 128);
    tap('I', page, sizeof page);
    fflush(uart);
    desk_wait_told("of the tap were lost or damaged", 1);
    shot = desk_shot("ssd1306-128x64-i2c-2.png");
    EXPECT_INT(lit(&shot, 64, 0, 128, 8), 64 * 8);
    EXPECT_INT(lit(&shot, 64, 8, 128, 64), 0);
    jl_picture_free(&shot);
    desk_do("key q");
    EXPECT_INT(desk_wait(), 1);
    fclose(uart);
    desk_end();
}

/* Fingers and keys on a sheet: its buttons, its slider, its pages. */
static void sheets_are_worked(void) {
    static const struct {
        const char *deed, *shot;
        int x, y;      /* where the glass is looked at */
        bool is_white; /* a sign at the left tells the page; one at the right how far the slider is
                        */
    } rows[] = {
        {NULL, "touch-1.png", 10, 10, true},
        {"60 220 click 1", "touch-2.png", 10, 10, false}, /* the button leads to the other page */
        {"key Return", "touch-3.png", 10, 10, true},      /* and the key back */
        {NULL, "touch-4.png", 225, 300, false},
        {"215 116 mousedown 1", "touch-5.png", 225, 300, true}, /* the slider's end */
        {"30 116", "touch-6.png", 225, 300, false},             /* slid back to its begin */
        {"30 116 mouseup 1", "touch-7.png", 225, 300, false},
    };
    int left, top, width, height;
    desk_begin();
    EXPECT_INT(shell("sed 's/^reset = wired/&\\nkey_ok = PB0/' " CARDS
                     "/ili9341-240x320-touch.card >touch.card; printf 'screen s\nglass 240 x 320\n"
                     "value a = number 0 to 100 sample 10\npage one\npage two\npage one\n"
                     "rect 0 0 20 x 20 fill white\n"
                     "button over in 20 200 80 x 40 label \"Over\" goes two\n"
                     "slider a in 20 100 200 x 32 scale 0 to 100\n"
                     "rect 220 290 20 x 30 fill white when a >= 90\n"
                     "rect 220 290 20 x 30 fill navy when a < 90\n"
                     "page two\nrect 0 0 20 x 20 fill navy\nkey ok goes one\n' >s.screen"),
               0);
    desk_window("touch.card --screen s.screen --zoom 2 --plain");
    desk_do("mousemove 2 2");
    shell("sleep 0.6");
    desk_find_glass(&left, &top, &width, &height);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[100];
        int x, y, used = 0;
        if (rows[i].deed && sscanf(rows[i].deed, "%d %d%n", &x, &y, &used) == 2) {
            snprintf(line, sizeof line, "mousemove %d %d sleep 0.1 %s", left + 2 * x + 1,
                     top + 2 * y + 1, rows[i].deed + used);
            desk_do(line);
        } else if (rows[i].deed) {
            desk_do(rows[i].deed);
        }
        shell("sleep 0.5");
        struct jl_picture shot = desk_shot(rows[i].shot);
        test_row("%s, %s", rows[i].shot, rows[i].deed ? rows[i].deed : "");
        EXPECT_INT(jl_picture_at(&shot, rows[i].x, rows[i].y)[0] > 200, rows[i].is_white);
        jl_picture_free(&shot);
    }
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    desk_end();
}

/* Glass of two colours, fingers that leave the window, the slowest and the fastest time. */
static void as_far_as_it_goes(void) {
    int left, top, width, height, yellow = 0, blue = 0, mixed = 0;
    char line[300];
    desk_begin();
    desk_window("ssd1306-128x64-yellow-blue --zoom 2 --json --into a/b");
    desk_wait_told("returned JL_OK", 1);
    desk_do("mousemove 2 2");
    shell("sleep 0.3");
    desk_find_glass(&left, &top, &width, &height);
    struct jl_picture screen = desk_picture();
    for (int y = top; y < top + height; y++) {
        for (int x = left; x < left + width; x++) {
            const unsigned char *rgb = jl_picture_at(&screen, x, y);
            bool above = y<top + height / 2, is_yellow = rgb[0]> 150 &&
                         rgb[2]<100, is_blue = rgb[2]> 150 && rgb[0] < 100;
            yellow += above && is_yellow;
            blue += is_blue;
            mixed += !above && is_yellow;
        }
    }
    jl_picture_free(&screen);
    EXPECT(yellow > 100 && blue > 100 && mixed == 0);
    snprintf(line, sizeof line, "mousemove %d %d mousedown 1 sleep 0.1 mousemove 1 1 sleep 0.1",
             left + width / 2, top + height / 2);
    desk_do(line);
    desk_do("mousemove 1279 700 sleep 0.1 mousedown 3 mouseup 3 mouseup 1");
    desk_do("mousemove 1 1 click 1 click 2 click 3"); /* none: beside the glass */
    snprintf(line, sizeof line, "mousemove %d %d mousedown 3 sleep 0.1 mousemove %d %d mouseup 3",
             left + width / 2, top + height / 2, left + width / 2, top + height - 5);
    desk_do(line);
    desk_do("key Escape key Up key Down");
    desk_do("key --repeat 16 --delay 20 bracketleft");
    EXPECT_INT(shell("sleep 1.5"), 0);
    desk_do("key --repeat 7 --delay 20 bracketright key s");
    EXPECT(desk_wait_for("a/b/ssd1306-128x64-yellow-blue-1.png"));
    desk_do("key q");
    EXPECT_INT(desk_wait(), 0);
    cJSON *json = cJSON_Parse(strstr(output, "{\n"));
    EXPECT_INT(at(json, "fingers")->valueint, 2);
    EXPECT_INT(at(json, "keys")->valueint, 0);
    EXPECT(at(json, "real_s")->valuedouble > at(json, "virtual_s")->valuedouble + 1);
    cJSON_Delete(json);
    desk_window("ssd1306-128x64-i2c --plain --zoom 1 --json");
    desk_do("key --repeat 16 --delay 20 bracketright");
    EXPECT_INT(shell("sleep 1"), 0);
    desk_do("key p key p key q");
    EXPECT_INT(desk_wait(), 0);
    json = cJSON_Parse(strstr(output, "{\n"));
    EXPECT(at(json, "virtual_s")->valuedouble > 2 * at(json, "real_s")->valuedouble);
    cJSON_Delete(json);
    desk_end();
}

/* What a controller finds, and what cannot be written, is told; the window stays. */
static void findings_and_full_disks(void) {
    static const struct {
        const char *change, *tells;
        int status;
    } rows[] = {
        {"s/^clock.*/clock = 1 MHz/", "warning: two: I2C clock 1000000 Hz", 1},
        {"$a [wake]\\nstep = send 8D 14\\nstep = send D8\\nstep = send AF",
         "error: two: unknown command D8", 1},
    };
    desk_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, "sed '%s' %s/ssd1306-128x64-i2c.card >two.card", rows[i].change,
                 CARDS);
        EXPECT_INT(shell(line), 0);
        desk_window("two.card --into two.card/b");
        desk_wait_told(rows[i].tells, 1);
        desk_do("key s");
        desk_wait_told("no picture: cannot make the directory two.card/b", 1);
        desk_do("key c");
        desk_wait_told("no capture: cannot make the directory two.card/b", 1);
        desk_do("key q");
        test_row("%s", rows[i].change);
        EXPECT_INT(desk_wait(), rows[i].status);
    }
    desk_end();
}

static void refused(void) {
    static const struct {
        const char *words, *says;
    } rows[] = {
        {"", "name a card"},
        {"no-such-card", "no-such-card"},
        {"a b c d e", "a"},
        {"ssd1306-128x64-i2c --zoom 99", "--zoom 99: expected 1 to 32"},
        {"ssd1306-128x64-i2c --speed 0", "--speed 0: expected 0.001 to 100"},
        {"ssd1306-128x64-i2c --speed 101", "--speed 101: expected 0.001 to 100"},
        {"ssd1306-128x64-i2c --zoom -1", "--zoom -1: expected 1 to 32"},
        {"ssd1306-128x64-i2c --patience 3601", "--patience 3601: expected 0.1 to 3600"},
        {"ssd1306-128x64-i2c --on foo", "--on foo: expected i2c:/dev/i2c-1"},
        {"ssd1306-128x64-i2c --on i2c:/dev/nowhere", "/dev/nowhere"},
        {"-c no-such-card", "no card no-such-card"},
        {"ssd1306-128x64-i2c --nonsense", "--nonsense: unknown option"},
        {"ssd1306-128x64-i2c --frames -1", "--frames -1"},
        {"ssd1306-128x64-i2c --patience 0", "--patience 0: expected 0.1"},
        {"ssd1306-128x64-i2c --screen a --program b", "expected one of them"},
        {"ssd1306-128x64-i2c --from a --program b", "expected one of them"},
        {"ssd1306-128x64-i2c --from no-such-line", "--from no-such-line: No such file"},
        {"ssd1306-128x64-i2c ssd1306-128x32-i2c sh1106-128x64-i2c ssd1306-64x48-i2c "
         "ssd1306-72x40-i2c",
         "at most 4 cards"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        snprintf(line, sizeof line, "SDL_VIDEODRIVER=dummy %s window %s", JADELAMP, rows[i].words);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell("env -u DISPLAY -u WAYLAND_DISPLAY SDL_VIDEODRIVER=x11 " JADELAMP
                     " window ssd1306-128x64-i2c --frames 5"),
               2);
    EXPECT_CONTAINS(output, "cannot open a window");
    /* The window's program is another one's: without it, in words. */
    EXPECT_INT(shell("mkdir away && cp " JADELAMP " away && PATH=/nowhere away/jadelamp window x"),
               2);
    EXPECT_CONTAINS(output, "is a program of its own");
    EXPECT_INT(shell_files(), 1);
    shell_end();
}

/* Programs that link the window instead of being started by the command. */
static void in_a_program_of_ones_own(void) {
    desk_begin();
    EXPECT_INT(shell(PROGRAMS "/window_own"), 0);
    EXPECT_CONTAINS(output, "60 pictures, 1 started, returned 0");
    static const char *const wrong[][2] = {{"cards 0", "0 cards: expected 1 to 4"},
                                           {"cards 5", "5 cards: expected 1 to 4"},
                                           {"zoom -1", "1 to 32"},
                                           {"zoom 33", "1 to 32"}};
    for (size_t i = 0; i < sizeof wrong / sizeof wrong[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, PROGRAMS "/window_own %s", wrong[i][0]);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, wrong[i][1]);
    }
    EXPECT_INT(shell(PROGRAMS "/window_own main no-such-card"), 2);
    EXPECT_CONTAINS(output, "own: ");
    EXPECT_CONTAINS(output, "no-such-card");
    desk_end();
}

const struct test_group test_groups[] = {
    {"shows_the_glass", shows_the_glass},
    {"mouse_is_a_finger", mouse_is_a_finger},
    {"programs_are_worked_and_reloaded", programs_are_worked_and_reloaded},
    {"programs_that_fail", programs_that_fail},
    {"time_and_captures", time_and_captures},
    {"its_own_keys", its_own_keys},
    {"several_cards", several_cards},
    {"a_tap_is_shown", a_tap_is_shown},
    {"sheets_are_shown_as_they_are_saved", sheets_are_shown_as_they_are_saved},
    {"sheets_are_worked", sheets_are_worked},
    {"as_far_as_it_goes", as_far_as_it_goes},
    {"findings_and_full_disks", findings_and_full_disks},
    {"refused", refused},
    {"in_a_program_of_ones_own", in_a_program_of_ones_own},
    {NULL, NULL},
};
