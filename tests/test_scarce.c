/*
 * The command with too little: allocations, and calls that write or open a file, fail one at a
 * time. It ends with one of its three statuses, says what is missing, and leaves no file that is
 * half written.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "shell.h"

#define CAPTURE                                                                                    \
    JADELAMP " light ssd1306-128x64-i2c --into . >/dev/null && mv ssd1306-128x64-i2c.vcd a.vcd"
#define TFT_CAPTURE                                                                                \
    JADELAMP " light st7735-128x160-spi --into . >/dev/null && mv st7735-128x160-spi.vcd a.vcd"
#define SCREEN                                                                                     \
    "printf 'screen a\nglass 128 x 64\nvalue warm = number -9.0 to 60.0 decimals 1 sample 12.4\n"  \
    "text \"{warm} C\" in 4 16 96 x 32 font 8x13 paper black\nline 0 10 to 127 10\n' >a.screen"
#define RICH_SCREEN                                                                                \
    "convert -size 40x20 gradient: a.png; printf 'a,b\n1,2\n3,4\n' >a.csv; "                       \
    "printf 'screen a\nglass 240 x 320\nfont f = \"" FONT "\" size 14 characters \"kn\" else "     \
    "6x8\ncolor sea = 20%% 40%% 60%%\ntheme t = night face sea\n"                                  \
    "value w = number 0 to 9 sample column b of \"a.csv\"\nvalue s = series 9 of 0 to 9\n"         \
    "value c = choice \"up\" \"down\"\npage two\ntext \"{c}\" at 4 4\npage one\nground "           \
    "sea\npicture \"a.png\" at 4 4\n"                                                              \
    "text \"{w} kn\" in 4 40 90 x 30 font f paper black\ndial w in 4 80 100 x 100 scale 0 to 9\n"  \
    "curve s in 4 200 90 x 60 scale 0 to 9 fill red\nbutton b in 120 4 60 x 30 goes two\n' "       \
    ">a.screen"
#define PICTURES                                                                                   \
    "convert -size 20x12 gradient:red-blue a.png; convert -size 20x12 plasma: b.png; "             \
    "convert -size 20x12 gradient:none-red c.png"
#define FONT "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf"

static const struct line {
    const char *name, *made_by, *run;
} lines[] = {
    {"light", ":", "light ssd1306-128x64-i2c --into out"},
    {"light-epaper", ":", "light ssd1680-122x250-spi --no-wires --into out"},
    {"light-cells", ":", "light hd44780-16x2-4bit --into out"},
    {"light-scanned", ":", "light rgb-480x272 --no-wires --into out"},
    {"light-screen", SCREEN, "light ssd1306-128x64-i2c --screen a.screen --into out"},
    {"scan", ":", "scan"},
    {"catalog", ":", "catalog --json"},
    {"check", ":", "check st7735-128x160-spi"},
    {"report", ":", "report ssd1306-128x32-i2c --into out"},
    {"suspects", ":", "suspects hd44780-8x1-4bit --into out"},
    {"explain", CAPTURE, "explain a.vcd --card ssd1306-128x64-i2c"},
    {"timeline", CAPTURE, "budget a.vcd --card ssd1306-128x64-i2c --timeline out.png"},
    {"replay", CAPTURE, "replay a.vcd --card ssd1306-128x64-i2c --film --into out"},
    {"budget", TFT_CAPTURE, "budget a.vcd --card st7735-128x160-spi"},
    {"work", ":", "budget --work number --card ssd1306-128x64-i2c"},
    {"compare", "convert -size 40x20 xc:white a.png && convert -size 40x20 xc:black b.png",
     "compare a.png b.png --picture out.png"},
    {"picture", "convert -size 40x20 gradient: a.png",
     "bake picture a.png --card ssd1306-128x64-i2c --into out"},
    {"font", ":", "bake font " FONT " --size 12 --into out"},
    {"frames", "convert -size 20x12 xc:white xc:black a.gif",
     "bake frames a.gif --card ssd1306-128x64-i2c --into out"},
    {"screen", SCREEN, "bake screen a.screen --into out"},
    {"card", ":", "bake card ssd1306-128x64-i2c --into out"},
    {"bundle", ":", "bundle --card ssd1306-128x64-i2c --into out"},
    {"light-text", ":", "light ssd1306-128x64-i2c --no-wires --text hello --json --into out"},
    {"light-picture", "convert -size 200x100 gradient: a.png",
     "light st7735-128x160-spi --no-wires --picture a.png --into out"},
    {"light-touch", ":", "light ili9341-240x320-touch --no-wires --into out"},
    {"light-glass", ":", "light ssd1306-128x64-i2c --glass sh1106-128x64-i2c --into out"},
    {"light-rich", RICH_SCREEN, "light st7789-240x320-spi --no-wires --screen a.screen --into out"},
    {"screen-rich", RICH_SCREEN, "bake screen a.screen --card st7789-240x320-spi --into out"},
    {"explain-json", CAPTURE, "explain a.vcd --card ssd1306-128x64-i2c --json"},
    {"replay-gif", CAPTURE,
     "replay a.vcd --card ssd1306-128x64-i2c --gif --series --at 20 --json --into out"},
    {"budget-json", CAPTURE, "budget a.vcd --card ssd1306-128x64-i2c --json"},
    {"timeline-svg", CAPTURE, "budget a.vcd --card ssd1306-128x64-i2c --timeline out.svg"},
    {"check-capture", CAPTURE, "check ssd1306-128x64-i2c --capture a.vcd --json"},
    {"check-rank", ":", "check ssd1306-128x64-i2c --rank"},
    {"steps", "printf '{0x11, 0, 0x3A, 1, 0x55, 0x29, 0x80, 120}' >a.c",
     "bake steps a.c --controller st7789"},
    {"glyph", "{ echo '= 2605'; for i in 1 2 3 4 5 6 7 8; do echo '#.#.#'; done; } >a.txt",
     "bake glyph a.txt --into out"},
    {"font-1", ":", "bake font " FONT " --size 12 --bits 1 --text kn --into out"},
    {"bundle-lone", ":", "bundle --card gc9a01-240x240-round --lone --into out"},
    {"bundle-two", ":",
     "bundle --card hd44780-16x2-4bit --card st7735-128x160-spi --font 8x13 --into out"},
    {"complete", ":", "complete light --terminal ''"},
    {"picture-few", PICTURES,
     "bake picture a.png --format palette4 --crop 1,1,18x11 --turn 90 --size 16x12 --fit fill "
     "--dither ordered --into out"},
    {"picture-mask", PICTURES,
     "bake picture c.png --format 5-6-5 --clear mask4 --size 12x12 --fit stretch --into out"},
    {"picture-mono", PICTURES,
     "bake picture c.png --format mono-rows --clear mask1 --dither diffusion --plain --into out"},
    {"picture-paper", PICTURES, "bake picture a.png --format black-white-red --into out"},
    {"frames-files", PICTURES,
     "bake frames a.png b.png a.png --card st7735-128x160-spi --size 60x40 --dither ordered "
     "--into out"},
    {"frames-few", PICTURES, "bake frames a.png b.png --format palette2 --plain --into out"},
    {"font-from", "printf 'puts(\"\\u00b0Heron\");' >a.c",
     "bake font " FONT " --size 9 --from a.c --range 20-7E,B0 --text Quay --into out"},
    {"art",
     "printf '= 41\n.#.\n#.#\n= 42\n##.\n#.#\n' >a.txt; " JADELAMP
     " bake glyph a.txt --font --name f >/dev/null",
     "bake art f.c"},
    {"steps-rows",
     "for i in $(seq 60); do echo '{0x36, {0x48}, 1}, {0x2A, {0, 0, 0, 239}, 4},'; "
     "done >a.c",
     "bake steps a.c --layout rows"},
    {"steps-calls",
     "for i in $(seq 60); do echo 'command(0x36); data(0x48); delay(20);'; done >a.c",
     "bake steps a.c --layout calls --controller st7789"},
    {"steps-flat", "for i in $(seq 60); do echo '0x36, 0x48, 0x29,'; done >a.c",
     "bake steps a.c --layout flat --controller st7789"},
    {"run", ":", "run " A_PROGRAM " --card ssd1306-128x32-i2c --into out"},
    {"run-json", ":", "run " A_PROGRAM " --card ssd1306-128x32-i2c --json --no-wires --into out"},
    {"light-film", ":", "light ssd1680-122x250-spi --no-wires --film --into out"},
    {"light-cells-i2c", ":", "light hd44780-20x4-expander --into out"},
    {"light-braille", ":", "light ssd1306-128x64-i2c --terminal braille --fault flip=9 --into out"},
    {"light-typed", ":",
     "light rgb-800x480 --no-wires --typed " SOURCE "/demo/data/console.typed --into out"},
    {"suspects-seen",
     JADELAMP " light ssd1306-72x40-i2c --no-wires --into . >/dev/null && "
              "cp ssd1306-72x40-i2c-photo.png a.png",
     "suspects ssd1306-72x40-i2c --seen a.png --into out"},
    {"check-blame",
     "{ cat " SOURCE "/cards/ssd1306-128x64-i2c.card; printf '[wake]\nstep = send "
     "AE\nstep = send A1\nstep = send 8D 14\nstep = send AF\n'; } >a.card",
     "check a.card"},
    {"check-rank-card",
     "printf '[panel]\n[glass]\nsize = 128 x 64 pixels\n[bus]\nkind = i2c\n"
     "address = 0x3C\n[wake]\nstep = send 8D 14\nstep = send AF\n' >a.card",
     "check a.card --rank"},
    {"compare-sheet", "convert -size 40x20 gradient: a.png && convert a.png -roll +2+1 b.png",
     "compare a.png b.png --picture out.png --json"},
    {"budget-touch",
     JADELAMP " light ili9341-240x320-touch --into . >/dev/null && "
              "mv ili9341-240x320-touch.vcd a.vcd",
     "budget a.vcd --card ili9341-240x320-touch --timeline out.png"},
};

enum { LINES = sizeof lines / sizeof lines[0] };

struct told {
    long calls, places;
    int status;
};

enum { HALF_WRITTEN = 9, UNLIKE = 10 };

/* With the call of that number failing, or with that of a place; 0: none, and it is kept to compare
 * with. Who says that all is well has written and printed what the whole run did. */
static struct told run(const struct line *line, const char *which, long number) {
    struct told told = {0};
    char text[1100];
    snprintf(
        text, sizeof text,
        "rm -rf out out.png; SCARCE_TOLD=told SCARCE_%s=%ld " SCARCE " %s >said; status=$?; "
        "cat said; test -z \"$(find . -name '*.part*')\" || exit %d; mkdir -p out; "
        "if [ -f out.png ]; then mv out.png out; fi; if [ -f out.svg ]; then mv out.svg out; fi; "
        "if [ %ld = 0 ]; then rm -rf whole whole-said; mv out whole; mv said whole-said; "
        "elif [ $status -lt 2 ]; then diff -rq whole out && diff whole-said said || exit %d; fi; "
        "exit $status",
        which, number, line->run, HALF_WRITTEN, number, UNLIKE);
    told.status = shell(text);
    FILE *file = fopen(shell_path("told"), "r");
    EXPECT(file && fscanf(file, "%ld %ld", &told.calls, &told.places) == 2);
    if (file) {
        fclose(file);
    }
    return told;
}

static void fail(const struct line *line, const char *which, long number, long of) {
    struct told told = run(line, which, number);
    test_row("%s, %s %ld of %ld", line->name, which, number, of);
    /* A reason stands behind the verb's name and a colon. */
    const char *end = output + strlen(output);
    bool reason = end - output > 3 && strncmp(end - 3, ": \n", 3) != 0;
    if (!EXPECT(told.status >= 0 && told.status <= 2) || !EXPECT(told.status < 2 || reason)) {
        printf("%s\n", output);
    }
}

/* Of each place in the code the first call. */
static void each_place_fails_once(void) {
    shell_begin();
    for (size_t i = 0; i < LINES; i++) {
        if (test_cases(4) < 4 && i % 4) {
            continue;
        }
        shell(lines[i].made_by);
        struct told all = run(&lines[i], "PLACE", 0);
        long step = test_cases(4) == 4 ? 1 : 1 + all.places / test_cases(120);
        EXPECT(all.places > 0);
        for (long place = 1; place <= all.places; place += step) {
            fail(&lines[i], "PLACE", place, all.places);
        }
    }
    shell_end();
}

/* Of all calls some of each stretch. */
static void some_calls_fail(void) {
    shell_begin();
    for (size_t i = 0; i < LINES; i++) {
        shell(lines[i].made_by);
        struct told all = run(&lines[i], "AT", 0);
        if (!EXPECT(all.status == 0 || all.status == 1)) {
            printf("%s\n", output);
        }
        long step = 1 + all.calls / (2 + test_cases(16));
        for (long at = 1 + step / 2; at <= all.calls; at += step) {
            fail(&lines[i], "AT", at, all.calls);
        }
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"each_place_fails_once", each_place_fails_once},
    {"some_calls_fail", some_calls_fail},
    {NULL, NULL},
};
