/*
 * The command with too little: each allocation, and each call that writes or opens a file, fails
 * once. It ends with one of its three statuses, says what is missing, and leaves no file that is
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
    {"font", ":", "bake font /usr/share/fonts/truetype/dejavu/DejaVuSans.ttf --size 12 --into out"},
    {"frames", "convert -size 20x12 xc:white xc:black a.gif",
     "bake frames a.gif --card ssd1306-128x64-i2c --into out"},
    {"screen", SCREEN, "bake screen a.screen --into out"},
    {"card", ":", "bake card ssd1306-128x64-i2c --into out"},
    {"bundle", ":", "bundle --card ssd1306-128x64-i2c --into out"},
};

static long run(const struct line *line, long at, int *status) {
    char text[600];
    snprintf(text, sizeof text, "rm -rf out out.png; SCARCE_TOLD=told SCARCE_AT=%ld " SCARCE " %s",
             at, line->run);
    *status = shell(text);
    FILE *file = fopen(shell_path("told"), "r");
    long calls = 0;
    EXPECT(file && fscanf(file, "%ld", &calls) == 1);
    if (file) {
        fclose(file);
    }
    return calls;
}

static void each_call_fails_once(void) {
    shell_begin();
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        int status;
        shell(lines[i].made_by);
        long calls = run(&lines[i], 0, &status);
        EXPECT(status == 0 || status == 1);
        /* All of the first ones, where most differ; then some of each stretch. */
        long most = test_cases(40) < 4 ? 4 : test_cases(40), step = 1 + calls / most;
        for (long at = 1; at <= calls; at += at < most / 4 ? 1 : step) {
            run(&lines[i], at, &status);
            test_row("%s, call %ld of %ld", lines[i].name, at, calls);
            if (!EXPECT(status >= 0 && status <= 2) || !EXPECT(status < 2 || output[0])) {
                printf("%s\n", output);
            }
            EXPECT_INT(shell("test -z \"$(find . -name '*.part*')\""), 0);
        }
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"each_call_fails_once", each_call_fails_once},
    {NULL, NULL},
};
