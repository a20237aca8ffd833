/*
 * jadelamp run FIRMWARE: firmware on simulated processors, of ours and of others, and what is on
 * the glass then. Pictures are told by a rule, or are those of our own board.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "json_at.h"
#include "shell.h"
#include "sluice_sign.h"

#define RUN JADELAMP " run " FIRMWARE

/* ---- cards: what hangs on which pins ---- */

#define TOUCH_CARD                                                                                 \
    "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"            \
    "clock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\ntouch_pen = PD7\n"

static const struct {
    const char *name, *text;
} cards[] = {
    {"lcd.card", "[panel]\ncontroller = pcd8544\n[glass]\nsize = 84 x 48 pixels\ncolor = lcd-grey\n"
                 "[bus]\nkind = spi\nclock = 4 MHz\n[pins]\ncs = PD3\ndc = PD4\nreset = PD5\n"},
    {"heart.card", "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\nrom = a02\n"
                   "color = lcd-green\n[bus]\nkind = parallel-4\n[pins]\nrs = PB0\ne = PB1\n"
                   "d4 = PD4\nd5 = PD5\nd6 = PD6\nd7 = PD7\n"},
    {"rw.card", "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\ncolor = lcd-green\n"
                "[bus]\nkind = parallel-4\n[pins]\nrs = PB0\ne = PB1\nrw = PB2\n"
                "d4 = PD4\nd5 = PD5\nd6 = PD6\nd7 = PD7\n"},
    {"busy.card",
     "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\nrom = a02\n"
     "color = lcd-green\n[bus]\nkind = parallel-4\n[pins]\nrs = PA0\nrw = PA1\ne = PA2\n"
     "d4 = PA4\nd5 = PA5\nd6 = PA6\nd7 = PA7\n"},
    {"memory.card", "[panel]\ncontroller = ls013b7dh03\n[glass]\nsize = 128 x 128 pixels\n[bus]\n"
                    "kind = memory-lcd\nclock = 1 MHz\n[pins]\ncs = PD4\n"},
    {"usi.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ncs = PB0\ndc = PB3\nreset = PB4\n"},
    {"tft.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
                 "clock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\n"},
    {"resistive.card", TOUCH_CARD "touch_cs = PD6\n[touch]\ncontroller = xpt2046\nclock = 1 MHz\n"},
    {"capacitive.card", TOUCH_CARD "[touch]\ncontroller = ft6x36\n"},
    {"knob.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\nknob_a = PC0\n"
     "knob_b = PC1\n"},
    {"dimmed.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\ncs = PB5\ndc = PB4\nreset = PB6\nlight = wired\n"},
    {"pages.card", "[panel]\ncontroller = st7565\n[glass]\nsize = 128 x 64 pixels\n[bus]\n"
                   "kind = 6800-8\ncycle = 400 ns\n[pins]\ncs = PC2\ndc = PC3\nreset = PC4\n"
                   "e = PC0\nrw = PC1\nd0 = PA0\nd1 = PA1\nd2 = PA2\nd3 = PA3\nd4 = PA4\n"
                   "d5 = PA5\nd6 = PA6\nd7 = PA7\n"},
    {"small.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\nclk = PB2\ndc = PB3\nlight = wired\n"},
    {"held.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\ndc = PB3\nreset = PB4\n"},
    {"mode3.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "mode = 3\nclock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\n"},
    {"lines.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\n"
                   "kind = 8080-8\ncycle = 500 ns\n[pins]\ncs = PC2\ndc = PC3\nreset = PC4\n"
                   "wr = PC0\nrd = PC1\nd0 = PA0\nd1 = PA1\nd2 = PA2\nd3 = PA3\nd4 = PA4\n"
                   "d5 = PA5\nd6 = PA6\nd7 = PA7\n"},
    {"three.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\n"
                   "kind = spi-3wire\nclock = 4 MHz\n[pins]\ncs = PB2\nreset = PB0\n"},
    {"wide.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\n"
                  "kind = 8080-16\ncycle = 500 ns\n[pins]\ncs = PC2\ndc = PC3\nreset = PC4\n"
                  "wr = PC0\nrd = PC1\nd0 = PA0\nd1 = PA1\nd2 = PA2\nd3 = PA3\nd4 = PA4\n"
                  "d5 = PA5\nd6 = PA6\nd7 = PA7\nd8 = PL0\nd9 = PL1\nd10 = PL2\nd11 = PL3\n"
                  "d12 = PL4\nd13 = PL5\nd14 = PL6\nd15 = PL7\n"},
    {"key.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\nkey_ok = PB3\n"},
    {"apart.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                   "[bus]\nkind = i2c\naddress = 0x3D\nclock = 400 kHz\n"},
    {"twice.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                   "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ncs = PB0\ndc = PB0\n"},
    {"same.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                  "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ncs = PB0\ndc = PB3\nreset = PB4\n"
                  "key_ok = PB3\n"},
    {"wrong.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\n[bus]\n"
                   "kind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\nkey_ok = PB7\n"},
    {"one.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\nkey_ok = PB3\n"
                 "key_back = PB3\n"},
    {"far.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ndc = GPIO25\n"},
};

static void begin(void) {
    shell_begin();
    for (size_t i = 0; i < sizeof cards / sizeof cards[0]; i++) {
        FILE *file = fopen(shell_path(cards[i].name), "w");
        EXPECT(file != NULL);
        fputs(cards[i].text, file);
        fclose(file);
    }
}

/* ---- pictures by rules ---- */

static bool squares(int x, int y) {
    return (x / 8 + y / 8) % 2;
}

static bool diagonals(int x, int y) {
    return x % 8 == y % 8;
}

static bool turned_over(int x, int y) {
    return !diagonals(x, y);
}

static bool checked(int x, int y) {
    return (x / 8 + y / 8) % 2 == 1;
}

static bool frame(int x, int y) {
    return x == 0 || x == 127 || y == 0 || y == 31;
}

/* Pixels of a glass that are not as the rule has them; -1: another size. */
static int wrong_pixels(const char *name, int width, int height, bool (*rule)(int x, int y)) {
    struct jl_picture glass = shell_picture(name);
    int wrong = glass.width == width && glass.height == height ? 0 : -1;
    for (int i = 0; wrong >= 0 && i < width * height; i++) {
        wrong += (glass.rgb[3 * i + 1] > 127) != rule(i % width, i / width);
    }
    jl_picture_free(&glass);
    return wrong;
}

/* Firmware written without our library: TWI by interrupts, pins as open drains, a USI. */
static void firmware_of_others(void) {
    static const struct {
        const char *line, *glass;
        int width, height;
        bool (*rule)(int x, int y);
    } rows[] = {
        {RUN "by_interrupts.elf -c ssd1306-128x64-i2c --seconds 1", "by_interrupts-glass.png", 128,
         64, squares},
        {RUN "open_drain.elf -c key.card --mhz 8 --seconds 1", "open_drain-glass.png", 128, 32,
         diagonals},
        {RUN "open_drain_slow.elf -c key.card --mhz 1 --seconds 1", "open_drain_slow-glass.png",
         128, 32, diagonals},
        {"printf '0.50 s key ok\\n' > short.hands; " RUN
         "open_drain.elf -c key.card --mhz 8 --seconds 1 --hands short.hands --at 550",
         "open_drain-at-550.000ms.png", 128, 32, turned_over},
        {RUN "by_usi.elf -c usi.card --mhz 8", "by_usi-glass.png", 128, 32, frame},
        {RUN "usi_two_wires.elf -c key.card --mhz 8 --seconds 1", "usi_two_wires-glass.png", 128,
         32, checked},
        /* records of where it starts, a segment of 0, and small letters */
        {"(printf ':0400000300000000F9\n:0400000500000000F7\n:020000020000FC\n\n'; cat " FIRMWARE
         "by_usi.hex) | tr A-F a-f >small.hex; " JADELAMP " run small.hex -p attiny85 -c usi.card "
         "--mhz 8",
         "small-glass.png", 128, 32, frame},
        {RUN "memory_lcd.elf -c memory.card", "memory_lcd-glass.png", 128, 128, diagonals},
        {RUN "by_interrupts.hex -p ATmega328 -c ssd1306-128x64-i2c --seconds 1",
         "by_interrupts-glass.png", 128, 64, squares},
    };
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), 0);
        EXPECT_INT(wrong_pixels(rows[i].glass, rows[i].width, rows[i].height, rows[i].rule), 0);
    }
    /* the key was let go again after 80 ms */
    EXPECT_INT(wrong_pixels("open_drain-glass.png", 128, 32, diagonals), 0);
    shell_end();
}

/* Rows 0 to 3: the identity, 00 93 41 (ili9341 datasheet 8.3.23); below: magenta in 6 bits each. */
static bool answers(int x, int y) {
    return (y < 4 ? 0x009341 : 0xFC00FC) >> (23 - x) & 1;
}

/* Rows 2 to 4 and 5 to 7: a pixel each, whose bytes came two in a word. */
static bool answers_wide(int x, int y) {
    return (y < 2 ? 0x009341 : y < 5 ? 0xFCA800 : 0xFC5400) >> (23 - x) & 1;
}

static bool ones(int x, int y) {
    (void)x, (void)y;
    return true;
}

/* What the panel answers is heard: on MISO by SPI and by bits, on the data wire of three, and on 8
 * or 16 lines. */
static void the_panel_is_read(void) {
    static const struct {
        const char *name, *options;
        bool (*rule)(int x, int y);
    } rows[] = {
        {"HARDWARE", "-c tft.card", answers},
        {"MODE3", "-c mode3.card", answers},
        {"BEHIND", "-c tft.card", answers},
        {"BEFORE", "-c tft.card --wire miso=PB4", answers},
        {"LINES", "-c lines.card", answers},
        {"THREE", "-c three.card", answers},
        {"USI_WIRES", "-c held.card --mhz 8", answers},
        /* the wire hangs on another pin: nobody drives this one, and it is read as high */
        {"HARDWARE", "-c tft.card --wire miso=PD7", ones},
    };
    char line[300], glass[60];
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "reads_back_%s.elf %s", rows[i].name, rows[i].options);
        snprintf(glass, sizeof glass, "reads_back_%s-glass.png", rows[i].name);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "lit");
        EXPECT_INT(wrong_pixels(glass, 24, 8, rows[i].rule), 0);
    }
    /* and it is in the capture */
    EXPECT_INT(shell(JADELAMP " explain reads_back_MODE3.vcd -c mode3.card"), 0);
    EXPECT_CONTAINS(output, "00 00 93 41");
    EXPECT_CONTAINS(output, "00 FC 00 FC");
    EXPECT_INT(shell(JADELAMP
                     " replay reads_back_LINES.vcd -c lines.card --into again && " JADELAMP
                     " compare reads_back_LINES-glass.png again/reads_back_LINES-glass.png"),
               0);
    EXPECT_INT(shell(RUN "reads_wide.elf -c wide.card"), 0);
    EXPECT_CONTAINS(output, "lit");
    EXPECT_INT(wrong_pixels("reads_wide-glass.png", 24, 8, answers_wide), 0);
    EXPECT_INT(shell(JADELAMP " explain reads_wide.vcd -c wide.card"), 0);
    EXPECT_CONTAINS(output, "00 00 93 41");
    EXPECT_CONTAINS(output, "00 FC A8 00 FC 54 00");
    EXPECT_INT(shell(JADELAMP " replay reads_wide.vcd -c wide.card --into again && " JADELAMP
                              " compare reads_wide-glass.png again/reads_wide-glass.png"),
               0);
    EXPECT_INT(shell(JADELAMP " explain reads_back_THREE.vcd -c three.card"), 0);
    EXPECT_CONTAINS(output, "00 00 93 41");
    EXPECT_CONTAINS(output, "00 FC 00 FC");
    EXPECT(!strstr(output, "lost") && !strstr(output, "mode?"));
    /* 16 commands with 33 arguments; two pixels, and two areas of 96; two answers of 4 */
    static const char *const bills[] = {"HARDWARE.vcd -c tft.card", "THREE.vcd -c three.card",
                                        "LINES.vcd -c lines.card"};
    for (size_t i = 0; i < sizeof bills / sizeof bills[0]; i++) {
        snprintf(line, sizeof line, JADELAMP " budget reads_back_%s", bills[i]);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "bytes on the bus                            443\n");
        EXPECT_CONTAINS(output, "  data                                      386 ");
        EXPECT_CONTAINS(output, "  their arguments                            33 ");
        EXPECT_CONTAINS(output, "  what was read                               8 ");
        EXPECT_CONTAINS(output, "  addresses, control and sync bytes           0 ");
    }
    /* a part that says nothing on SPI has no such wire */
    EXPECT_INT(shell(RUN "sluice.elf -c lcd.card --wire miso=PB4"), 2);
    EXPECT_CONTAINS(output, "this card's wires are cs, dc, clk, mosi, rst, light\n");
    shell_end();
}

/* Column x of page 0 holds 37 x + 11, and of page 1 its complement. */
static bool turned_around(int x, int y) {
    bool bit = (37 * x + 11) >> (y & 7) & 1;
    return x < 24 && y < 16 && bit == (y < 8);
}

/* Also on lines with an enable. */
static void pages_are_read(void) {
    begin();
    EXPECT_INT(shell(RUN "reads_pages.elf -c pages.card"), 0);
    EXPECT_CONTAINS(output, "lit");
    EXPECT_INT(wrong_pixels("reads_pages-glass.png", 128, 64, turned_around), 0);
    EXPECT_INT(shell(JADELAMP " explain reads_pages.vcd -c pages.card"), 0);
    EXPECT_CONTAINS(output, "0B 30 55 7A");
    shell_end();
}

/* Resistive glass tells 200 at its upper edge and 3900 at the right one, of 24 columns. */
static bool resistive(int x, int y) {
    return y >= 4 || (3900 << 12 | 200) >> (23 - x) & 1;
}

static bool capacitive(int x, int y) {
    return y >= 4 || (23 << 12 | 0) >> (23 - x) & 1;
}

static bool nothing(int x, int y) {
    (void)x;
    /* not touched: all ones from y of resistive glass (4095), zeros from x */
    return y < 4 && x >= 12;
}

/* Fingers of a script reach the firmware: over SPI and over TWI, and by the pen line. */
static void fingers_are_felt(void) {
    static const struct {
        const char *name, *options;
        bool (*rule)(int x, int y);
    } rows[] = {
        {"RESISTIVE", "-c resistive.card --hands corner.hands", resistive},
        {"CAPACITIVE", "-c capacitive.card --hands corner.hands", capacitive},
        {"RESISTIVE", "-c resistive.card --hands late.hands", nothing},
        {"RESISTIVE", "-c resistive.card", nothing},
    };
    char line[300], glass[60];
    begin();
    EXPECT_INT(shell("printf '0.30 s press 23 0\n0.90 s lift\n' > corner.hands; "
                     "printf '0.60 s press 23 0\n0.90 s lift\n' > late.hands"),
               0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "touches_%s.elf %s", rows[i].name, rows[i].options);
        snprintf(glass, sizeof glass, "touches_%s-glass.png", rows[i].name);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "lit");
        EXPECT_INT(wrong_pixels(glass, 24, 8, rows[i].rule), 0);
    }
    /* The recording has the touch controller's wires beside the display's, and reads as before. */
    EXPECT_INT(shell(JADELAMP
                     " replay touches_RESISTIVE.vcd -c resistive.card --into again && " JADELAMP
                     " compare touches_RESISTIVE-glass.png again/touches_RESISTIVE-glass.png"),
               0);
    EXPECT_INT(
        shell("grep -q touch_cs touches_RESISTIVE.vcd && grep -q touch_sda touches_CAPACITIVE.vcd"),
        0);
    shell_end();
}

static bool where_it_was(int x, int y) {
    return y < 4 && resistive(x, y);
}

static bool eight(int x, int y) {
    return y < 4 && x == 23 - 3;
}

static bool minus_four(int x, int y) {
    return y < 4 && x < 22;
}

static bool kept(int x, int y) {
    return (y < 4 ? 0x123456 : 0xA55A0F) >> (23 - x) & 1;
}

/* What the file gives to the EEPROM is there, and what the program writes. */
static void the_eeprom_keeps(void) {
    begin();
    EXPECT_INT(shell(RUN "keeps.elf -c tft.card"), 0);
    EXPECT_INT(wrong_pixels("keeps-glass.png", 24, 8, kept), 0);
    /* 1006 bytes are more than that part has */
    EXPECT_INT(shell(RUN "keeps.elf -c key.card --processor attiny85"), 2);
    EXPECT_CONTAINS(output, "the firmware has 1006 bytes for the EEPROM, the attiny85 has 512");
    shell_end();
}

static void knobs_are_read(void) {
    begin();
    EXPECT_INT(shell("echo '0.90 s turn 2' > knob.hands; " RUN
                     "turns.elf -c knob.card --hands knob.hands"),
               0);
    EXPECT_INT(wrong_pixels("turns-glass.png", 24, 8, eight), 0);
    shell_end();
}

#define KEY "open_drain.elf -c key.card --mhz 8 --seconds "

/* What hands do in a window reaches the firmware: here a script plays the window. */
static void hands_in_a_window_are_felt(void) {
    static const struct {
        const char *pause, *says, *run, *glass;
        int width, height;
        bool (*rule)(int x, int y);
    } rows[] = {
        {"0", "hands 1 0 -1 -1 -1 -1\\n", KEY "1", "open_drain-glass.png", 128, 32, turned_over},
        {"0", "hands 1 0 -1 -1 -1 -1\\nhands 0 0 -1 -1 -1 -1\\n", KEY "1", "open_drain-glass.png",
         128, 32, diagonals},
        /* what is no line of hands, too long, or cut off, is passed over */
        {"0", "hands\\nhands 1 0 -1 -1 -1\\n%%0200d\\nhands 1 0 -1", KEY "1",
         "open_drain-glass.png", 128, 32, diagonals},
        {"0", "%%0200d\\nhands 1 0 -1 -1 -1 -1\\n", KEY "1", "open_drain-glass.png", 128, 32,
         turned_over},
        /* a script of hands is the only one */
        {"0", "hands 1 0 -1 -1 -1 -1\\n", KEY "1 --hands none.hands", "open_drain-glass.png", 128,
         32, diagonals},
        {"0", "hands 0 0 23 0 -1 -1\\n", "touches_RESISTIVE.elf -c resistive.card",
         "touches_RESISTIVE-glass.png", 24, 8, where_it_was},
        /* all steps at once: each of them is seen. The firmware counts from 0.25 to 1.2 s */
        {"0.5", "hands 0 8 -1 -1 -1 -1\\n", "turns.elf -c knob.card", "turns-glass.png", 24, 8,
         eight},
        {"0.5", "hands 0 6 -1 -1 -1 -1\\nhands 0 -4 -1 -1 -1 -1\\n", "turns.elf -c knob.card",
         "turns-glass.png", 24, 8, minus_four},
    };
    begin();
    EXPECT_INT(shell("cp " JADELAMP "-firmware . && echo '900 s key ok' > none.hands"), 0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[500];
        snprintf(line, sizeof line,
                 "printf '#!/bin/sh\nsleep %s\nprintf \"%s\" >&0\necho \"$*\" >asked\ncat "
                 ">told.tap\n' > "
                 "jadelamp-window && chmod +x jadelamp-window && ./jadelamp-firmware " FIRMWARE
                 "%s --window",
                 rows[i].pause, rows[i].says, rows[i].run);
        EXPECT_INT(shell(line), 0);
        EXPECT_INT(wrong_pixels(rows[i].glass, rows[i].width, rows[i].height, rows[i].rule), 0);
        EXPECT_INT(shell("grep -q -e --tell-hands asked"), strstr(line, "--hands") != NULL);
    }
    shell_end();
}

/* Shares of the time in which the pin is high, by the datasheet's formulas, of 255. */
static void a_timer_dims_the_light(void) {
    static const struct {
        const char *timer, *pin;
        int status;
        const char *says;
    } rows[] = {
        {"0", "PG5", 0, "lit, brightness 63 of 255"}, /* 64 of 256 */
        {"2", "PH6", 0, "lit, brightness 51 of 255"},
        {"3", "PE3", 0, "lit, brightness 127 of 255"},
        {"9", "PH6", 1, "dark: "},
        /* 199 of the top, or 200 of one more where it counts up only; of 255, rounded down */
        {"101", "PE4", 0, "lit, brightness 199 of 255"},
        {"102", "PE4", 0, "lit, brightness 99 of 255"},
        {"104", "PE4", 1, "dark: "}, /* cleared at the match, and never set */
        {"105", "PE4", 0, "lit, brightness 199 of 255"},
        {"106", "PE4", 0, "lit, brightness 99 of 255"},
        {"107", "PE4", 0, "lit, brightness 49 of 255"},
        {"108", "PE4", 0, "lit, brightness 63 of 255"},
        {"109", "PE4", 0, "lit, brightness 63 of 255"},
        {"110", "PE4", 0, "lit, brightness 63 of 255"},
        {"111", "PE4", 0, "lit, brightness 63 of 255"},
        {"114", "PE4", 0, "lit, brightness 63 of 255"},
        {"115", "PE4", 0, "lit, brightness 63 of 255"},
        {"204", "PH6", 1, "dark: "},
        {"205", "PH6", 0, "lit, brightness 61 of 255"}, /* 24 of 99 */
        {"207", "PH6", 0, "lit, brightness 63 of 255"}, /* 25 of 100 */
    };
    char line[300];
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "dims_%s.elf -c dimmed.card --wire light=%s", rows[i].timer,
                 rows[i].pin);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

/* The ATtiny85's timer 1: 50 of 200, its opposite, and what stands at its top. */
static void its_timer_1_dims_the_light(void) {
    static const struct {
        const char *options;
        int status;
        const char *says;
    } rows[] = {
        {"dims_tiny_A.elf -c small.card --wire mosi=PB0 --wire light=PB1", 0,
         "lit, brightness 63 of 255"},
        {"dims_tiny_B.elf -c small.card --wire mosi=PB0 --wire light=PB4", 0,
         "lit, brightness 191 of 255"},
        {"dims_tiny_C.elf -c small.card --wire mosi=PB1 --wire light=PB0", 0,
         "lit, brightness 191 of 255"},
        {"dims_tiny_D.elf -c small.card --wire mosi=PB0 --wire light=PB1", 0,
         "lit, brightness 255 of 255"},
        {"dims_tiny_E.elf -c small.card --wire mosi=PB0 --wire light=PB1", 1, "dark: "},
    };
    char line[300];
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "%s --mhz 8 --wire miso=PB5", rows[i].options);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

/* A module whose busy flag is read, on a part of 20 MHz. */
static void the_busy_flag_is_read(void) {
    begin();
    EXPECT_INT(shell(RUN "busy_lcd.elf -c busy.card --mhz 20"), 0);
    EXPECT_CONTAINS(output, "|Sluice closed   |");
    EXPECT_CONTAINS(output, "|it was busy     |");
    shell_end();
}

/* ---- with our library: what the board shows ---- */

static void ours_are_as_on_the_board(void) {
    struct jl_picture glass;
    uint8_t pixels[JL_MONO_COLUMNS_BYTES(84, 48)];
    struct jl_frame frame_of_board;
    begin();
    EXPECT_INT(shell(RUN "hello.elf -c ssd1306-128x64-i2c"), 0);
    glass = shell_picture("hello-glass.png");
    EXPECT_STORED_PICTURE(&glass, "hello");
    jl_picture_free(&glass);

    EXPECT_INT(shell(RUN "sluice.elf -c lcd.card"), 0);
    EXPECT_INT(jl_frame_init(&frame_of_board, &jl_mono_columns, 84, 48, pixels, sizeof pixels),
               JL_OK);
    sluice_sign_draw(&frame_of_board.target, &(struct sluice_reading){9 * 60 + 30, 411, 187});
    glass = shell_picture("sluice-glass.png");
    int wrong = 0;
    for (int i = 0; i < 84 * 48; i++) {
        int x = i % 84, y = i / 84;
        bool lit = pixels[y / 8 * 84 + x] >> y % 8 & 1; /* a byte is eight rows of a column */
        wrong += lit != (glass.rgb[3 * i + 1] > 127);
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&glass);

    /* 1234 and eleven more; the text has moved on by eleven of its characters */
    EXPECT_INT(shell(RUN "heart.elf -c heart.card --mhz 8"), 0);
    EXPECT_CONTAINS(output, "|Supply  12.45 V");
    EXPECT_CONTAINS(output, "| upper gate open|");
    shell_end();
}

/* Bundles for one panel alone: what they promise of flash is held, too. */
static void panels_alone(void) {
    static const struct {
        const char *name, *line;
        int most_flash, most_data;
        const char *shows;
    } rows[] = {
        {"alone_oled", "alone_oled.elf -c ssd1306-128x64-i2c", 6144, 230, "lit"},
        {"alone_module", "alone_module.elf -c heart.card --mhz 8", 2560, 80,
         "|Hello,          |\n  |Heron Quay!     |"},
        {"alone_busy", "alone_busy.elf -c rw.card --mhz 8", 3072, 90,
         "|Hello,          |\n  |Heron Quay!     |"},
    };
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        int flash = 0, data = 0;
        test_row("%s", rows[i].name);
        snprintf(line, sizeof line, RUN "%s", rows[i].line);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, rows[i].shows);
        const char *told = strstr(output, " of 32768 bytes of flash; of 2048 of RAM, ");
        if (EXPECT(told != NULL)) {
            const char *start = told;
            while (start > output && start[-1] >= '0' && start[-1] <= '9') {
                start--;
            }
            EXPECT_INT(
                sscanf(start, "%d of 32768 bytes of flash; of 2048 of RAM, %d", &flash, &data), 2);
        }
        EXPECT(flash > 1000 && flash <= rows[i].most_flash);
        EXPECT(data > 50 && data <= rows[i].most_data);
    }
    struct jl_picture glass = shell_picture("alone_oled-glass.png");
    EXPECT_STORED_PICTURE(&glass, "hello");
    jl_picture_free(&glass);
    shell_end();
}

/* ---- times ---- */

static cJSON *told(const char *line, int status) {
    EXPECT_INT(shell(line), status);
    cJSON *json = cJSON_Parse(output);
    EXPECT(json != NULL);
    return json;
}

static double burst_of(const cJSON *json, int which, const char *key) {
    return at(cJSON_GetArrayItem(at(json, "bursts"), which), key)->valuedouble;
}

static bool near(double seen, double expected, double by) {
    return seen > expected - by && seen < expected + by;
}

/*
 * What the datasheets say: a byte on SPI at F_CPU / 4 lasts 32 cycles; on TWI 9 bits of 16 + 2 TWBR
 * cycles, which by_interrupts.c sets to 400 kHz.
 */
static void times_are_the_parts(void) {
    begin();
    cJSON *json = told(RUN "sluice.elf -c lcd.card --json", 0);
    EXPECT_INT(at(json, "hz")->valueint, 16000000);
    EXPECT_CONTAINS(at(json, "end")->valuestring, "sleeps");
    int last = cJSON_GetArraySize(at(json, "bursts")) - 1;
    double bytes = burst_of(json, last, "bytes");
    EXPECT(bytes >= 504);
    EXPECT(near(burst_of(json, last, "busy_us") / bytes, 2.0, 0.01)); /* 8 bits at 4 MHz */
    EXPECT(burst_of(json, last, "us") > burst_of(json, last, "busy_us"));
    cJSON_Delete(json);
    json = told(RUN "by_interrupts.elf -c ssd1306-128x64-i2c --seconds 1 --json", 0);
    EXPECT_INT(cJSON_GetArraySize(at(json, "bursts")), 1);
    EXPECT_INT((int)burst_of(json, 0, "bytes"), 1 + 24 + 1 + 1025);
    EXPECT(near(burst_of(json, 0, "busy_us") / burst_of(json, 0, "bytes"), 22.5, 0.2));
    EXPECT_INT((int)(at(json, "cycles")->valuedouble), 16000000);
    cJSON_Delete(json);
    /* the same cycles at half the clock take twice the time */
    cJSON *fast = told(RUN "by_usi.elf -c usi.card --mhz 16 --json", 0);
    cJSON *slow = told(RUN "by_usi.elf -c usi.card --mhz 8 --json", 0);
    EXPECT(at(fast, "cycles")->valuedouble == at(slow, "cycles")->valuedouble);
    EXPECT(near(burst_of(slow, 0, "us") / burst_of(fast, 0, "us"), 2.0, 0.001));
    cJSON_Delete(fast);
    cJSON_Delete(slow);
    shell_end();
}

/* What was recorded reads as any capture does. */
static void the_capture_is_whole(void) {
    static const struct {
        const char *line, *says;
    } rows[] = {
        {JADELAMP " explain sluice.vcd -c lcd.card", "function set"},
        {JADELAMP " replay sluice.vcd -c lcd.card --into again", "lit"},
        {JADELAMP " budget sluice.vcd -c lcd.card", "bytes on the bus"},
        {JADELAMP " compare sluice-glass.png again/sluice-glass.png", "the same"},
        {JADELAMP " replay by_interrupts.vcd -c ssd1306-128x64-i2c --into again", "lit"},
        {JADELAMP " compare by_interrupts-glass.png again/by_interrupts-glass.png", "the same"},
        {JADELAMP " replay busy_lcd.vcd -c busy.card --into again", "lit"},
        {JADELAMP " compare busy_lcd-glass.png again/busy_lcd-glass.png", "the same"},
        {RUN "by_usi.elf -c usi.card --mhz 8 --film --into film", "film/by_usi-film.png"},
        {RUN "by_usi.elf -c usi.card --mhz 8 --no-wires --into bare && ls bare && ! ls bare/*.vcd",
         "by_usi-glass.png"},
    };
    begin();
    EXPECT_INT(shell(RUN "sluice.elf -c lcd.card"), 0);
    EXPECT_INT(shell(RUN "by_interrupts.elf -c ssd1306-128x64-i2c --seconds 1"), 0);
    EXPECT_INT(shell(RUN "busy_lcd.elf -c busy.card --mhz 20"), 0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), 0);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

/* What a window beside it is told shows the same glass: here a script listens in its place. */
static void a_window_is_told(void) {
    static const struct {
        const char *run, *card, *glass;
    } rows[] = {
        {"open_drain.elf -c key.card --mhz 8", "key.card", "open_drain-glass.png key-glass.png"},
        {"by_usi.elf -c usi.card --mhz 8", "usi.card", "by_usi-glass.png usi-glass.png"},
        {"sluice.elf -c lcd.card", "lcd.card", "sluice-glass.png lcd-glass.png"},
    };
    begin();
    EXPECT_INT(shell("cp " JADELAMP "-firmware . && printf '#!/bin/sh\\ncat > told.tap\\n' > "
                     "jadelamp-window && chmod +x jadelamp-window"),
               0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        snprintf(line, sizeof line, "./jadelamp-firmware " FIRMWARE "%s --seconds 1 --window",
                 rows[i].run);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, JADELAMP " watch --from told.tap -c %s", rows[i].card);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "lit");
        snprintf(line, sizeof line, JADELAMP " compare %s", rows[i].glass);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "the same");
    }
    /* One that is closed at once ends the run. */
    EXPECT_INT(shell("printf '#!/bin/sh\\nexit 0\\n' > jadelamp-window; time -p "
                     "./jadelamp-firmware " FIRMWARE
                     "open_drain.elf -c key.card --mhz 8 --seconds 900 --window"),
               1);
    EXPECT_CONTAINS(output, "still running after 0.0");
    shell_end();
}

/* ---- what goes wrong ---- */

/* The same as JSON, and in a terminal; of a file without names there is no function to tell. */
static void findings_as_json(void) {
    begin();
    EXPECT_INT(shell("avr-objcopy --strip-all " FIRMWARE
                     "trouble_TOO_FAST.elf bare.elf && " JADELAMP
                     " run bare.elf -p atmega328p -c lcd.card --json"),
               1);
    cJSON *json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_TEXT(at(json, "function")->valuestring, "");
        EXPECT_TEXT(at(json, "deepest_in")->valuestring, "");
        const cJSON *said = at(json, "processor_findings");
        EXPECT(cJSON_GetArraySize(said) >= 1);
        EXPECT_INT(at(cJSON_GetArrayItem(said, 0), "count")->valueint, 17);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(RUN "by_usi.elf -c usi.card --mhz 8 --terminal braille"), 0);
    EXPECT_CONTAINS(output, "\xE2\xA1\x8F"); /* the left upper corner of a frame */
    EXPECT_INT(
        shell(RUN "by_usi.elf -c usi.card --mhz 8 --terminal blocks --json | grep -c '\xE2'"), 1);
    shell_end();
}

static void mistakes_are_told(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {RUN "trouble_DEEP.elf -c lcd.card", 1, "the stack grew into the data"},
        {RUN "trouble_DEEP.elf -c lcd.card", 1, "crashed after"},
        {RUN "trouble_WILD.elf -c lcd.card", 1, "crashed after"},
        {RUN "trouble_SLAVE.elf -c lcd.card", 1, "the SS pin is an input"},
        {RUN "trouble_WAITS.elf -c lcd.card --seconds 1", 1, "in wait_for_a_bus_that_is_off"},
        {RUN "trouble_WAITS.elf -c lcd.card --seconds 1", 1, "nothing came on the bus"},
        {RUN "trouble_TOO_FAST.elf -c lcd.card", 1, "(WCOL): it is lost (17 times)"},
        {RUN "trouble_TOO_FAST.elf -c lcd.card", 1, "bytes arrive while the reset pin is low"},
        {RUN "open_drain.elf -c apart.card --mhz 8 --seconds 1", 1, "dark"},
        {RUN "by_usi.elf -c usi.card --mhz 8 -w dc=PB5", 1, "never driven: dc (PB5)"},
        {RUN "sluice.elf -c lcd.card --mhz 20", 1, "SPI clock 5.00 MHz"},
    };
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

static void bad_input_is_refused(void) {
    static const struct {
        const char *line, *says;
    } rows[] = {
        {RUN "by_usi.elf", "name the panel, with --card CARD"},
        {RUN "by_usi.elf -c nobody", "no card nobody"},
        {RUN "by_usi.elf -c usi.card -p z80", "no processor z80 is known here: atmega328p, "},
        {RUN "by_usi.hex -c usi.card", "does not say for which processor it is: say --processor"},
        {RUN "hello.elf -c ssd1306-128x64-i2c -p attiny85", "of flash"},
        {RUN "by_usi.elf -c ssd1306-128x32-spi", "does not say which pin dc is: add \"dc = PB1\""},
        {RUN "by_usi.elf -c far.card", "dc = GPIO25: the attiny85 has no such pin; expected one of "
                                       "PB0 to PB5"},
        {RUN "by_usi.elf -c twice.card", "PB0 is both cs and dc"},
        {RUN "by_usi.elf -c usi.card -w dc", "--wire dc: expected WIRE=PIN, such as cs=PB2"},
        {RUN "by_usi.elf -c usi.card -w =PB1", "--wire =PB1: expected WIRE=PIN"},
        {RUN "by_usi.elf -c usi.card -w scl=PB1", "--wire scl=PB1: expected WIRE=PIN"},
        {RUN "by_usi.elf -c usi.card -w dc=PB9", "dc = PB9: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=PA1", "dc = PA1: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=B1", "dc = B1: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=PB11", "dc = PB11: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=P", "dc = P: the attiny85 has no such pin"},
        {RUN "open_drain.elf -c wrong.card", "key_ok = PB7: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card extra", "\"extra\" is one argument too many"},
        {RUN "by_usi.elf -c usi.card --terminal x", "--terminal x: expected blocks or braille"},
        {RUN "by_usi.elf -c usi.card --mhz 0.01", "--mhz 0.01: expected 0.03 to 40"},
        {RUN "by_usi.elf -c usi.card --mhz 41", "--mhz 41: expected 0.03 to 40"},
        {RUN "by_usi.elf -c usi.card --seconds -1", "--seconds -1: expected 1 to"},
        {RUN "by_usi.elf -c usi.card --seconds 100000", "--seconds 100000: expected 1 to"},
        {RUN "by_usi.elf -c usi.card --scale 1", "--scale 1: expected 2 to 32"},
        {RUN "by_usi.elf -c usi.card --scale 33", "--scale 33: expected 2 to 32"},
        {RUN "by_usi.elf -c usi.card --no-wires --at 5", "--film and --at need the capture"},
        {RUN "by_usi.elf -c usi.card --no-wires --film", "--film and --at need the capture"},
        {RUN "heart.elf -c heart.card --mhz 8 --window",
         "modules on plain pins are not shown in one"},
        {RUN "by_usi.elf -c same.card", "PB3 is both dc and key_ok: a pin has one wire"},
        {RUN "open_drain.elf -c one.card", "PB3 is both key_ok and key_back: a pin has one wire"},
        {RUN "by_usi.elf -c usi.card -w te=PB1", "expected WIRE=PIN, such as cs=PB2; this card's "
                                                 "wires are cs, dc, clk, mosi"},
        {RUN "by_usi.elf -c usi.card -w dc=PB9", "dc = PB9: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card --mhz 400", "--mhz 400: expected 0.03 to 40"},
        {RUN "by_usi.elf -c usi.card --seconds -1", "--seconds -1: expected 1 to 3600"},
        {RUN "by_usi.elf -c usi.card --scale 99", "--scale 99: expected 2 to 32"},
        {RUN "by_usi.elf -c usi.card --at soon", "--at soon: expected milliseconds"},
        {RUN "by_usi.elf -c usi.card --no-wires --film", "need the capture"},
        {RUN "by_usi.elf -c usi.card --hands none.hands", "cannot read the script none.hands"},
        {"echo '1 s key ok' > k.hands; " RUN "by_usi.elf -c usi.card --hands k.hands",
         "no key_ok or knob_a in [pins], for the hands"},
        {RUN "busy_lcd.elf -c busy.card --window", "modules on plain pins are not shown"},
        {RUN "by_usi.elf -c usi.card more", "one argument too many"},
        {RUN "by_usi.elf -c rgb-480x272", "glass that is scanned out"},
        {JADELAMP " run none.elf -c usi.card", "none.elf: No such file"},
        {"head -c 300 " FIRMWARE "by_usi.elf > cut.elf; " JADELAMP " run cut.elf -c usi.card",
         "cut.elf: "},
        {"echo ':00000002FE' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: the file ends without its last record"},
        {"echo ':0100000000FE' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: the check sum is FE, expected FF"},
        {"echo ':0g0000001FF' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":0g0000001FF\": expected a record of Intel HEX"},
        {"echo ':00:00001FF' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":00:00001FF\": expected a record of Intel HEX"},
        {"echo ':01000009' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":01000009\": expected a record of Intel HEX"},
        {"printf ':00000001FF00\\n' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":00000001FF00\": expected a record of Intel HEX"},
        {"printf ':0G\\n' > odd.hex; " JADELAMP " run odd.hex -c usi.card", "expected a record"},
        {"printf ':%0580d\\n' 0 > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "expected a record of Intel HEX"},
        {"printf ':00\\nabc\\n' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":00\": expected a record"},
        {"printf ':0100000000FF\\n\\nabc\\n' > odd.hex; " JADELAMP "-firmware odd.hex -c usi.card",
         "odd.hex:3: \"abc\": expected a record"},
        {JADELAMP "-firmware none.hex -c usi.card", "none.hex: No such file"},
        {JADELAMP "-firmware", "name a firmware file; see jadelamp run --help"},
        {"echo ':00000009F7' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: a record of type 09"},
        {"printf ':020000040100F9\\n:0100000000FF\\n' > odd.hex; " JADELAMP
         " run odd.hex -c usi.card",
         "odd.hex:2: 1 bytes at 1000000: expected addresses below 40000"},
        {"echo ':00000001FF' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex: holds no byte of a program"},
        {"echo rjmp > odd.elf; " JADELAMP " run odd.elf -c usi.card", "odd.elf: is no firmware"},
        {"cp " JADELAMP " odd.elf; " JADELAMP "-firmware odd.elf -c usi.card",
         "odd.elf: is for machine 62 of ELF's list; expected AVR, 83"},
    };
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT(!shell_has("by_usi-glass.png"));
    }
    shell_end();
}

/* A damaged file is refused, or runs to an end: nothing else. */
static unsigned char bytes[65536]; /* of an ELF file */
static size_t read_elf(void) {
    FILE *in = fopen(FIRMWARE "by_usi.elf", "rb");
    size_t count = in ? fread(bytes, 1, sizeof bytes, in) : 0;
    EXPECT(in != NULL && count > 1000);
    if (in) {
        fclose(in);
    }
    return count;
}

static void write_elf(size_t count) {
    FILE *out = fopen(shell_path("damaged.elf"), "wb");
    EXPECT(out && fwrite(bytes, 1, count, out) == count);
    fclose(out);
}

/* Fields of an ELF file (its specification, figures 1-3, 1-8 and 2-1), one at a time. */
static void elf_files_that_are_wrong(void) {
    enum { MACHINE = 18, SECTIONS = 32, SEGMENTS = 44, FLASH = 52, DATA = FLASH + 32 };
    enum { TYPE = 0, OFFSET = 4, ADDRESS = 8, LOADED = 12, IN_FILE = 16, IN_MEMORY = 20 };
    static const struct {
        int at, size;
        unsigned long value;
        int status;
        const char *says;
    } rows[] = {
        {MACHINE, 2, 62, 2, "is for machine 62 of ELF's list; expected AVR, 83"},
        {SEGMENTS, 2, 0, 2, "holds no program: an object that was not linked?"},
        {FLASH + TYPE, 4, 0, 0, NULL}, /* then what .data begins with is all there is */
        {FLASH + OFFSET, 4, 0xFFFFFFF0, 2, "is cut off: segment 0 ends behind the file"},
        {FLASH + IN_FILE, 4, 0x7FFFFFFF, 2, "is cut off: segment 0 ends behind the file"},
        {FLASH + LOADED, 4, 0x50000, 2, "a segment of 234 bytes at 50000: no AVR has flash there"},
        {FLASH + LOADED, 4, 0x3FFFF, 2, "no AVR has flash there"},
        {FLASH + LOADED, 4, 0x812000, 2, "no AVR has flash there"},
        {FLASH + LOADED, 4, 0x820000, 0, NULL}, /* fuses */
        {FLASH + LOADED, 4, 0x8000, 2, "the firmware has 33002 bytes, the attiny85 8192 of flash"},
        {DATA + LOADED, 4, 0x810000, 0, NULL}, /* the EEPROM */
        {DATA + LOADED, 4, 0x810FFF, 2, "no AVR has flash there"},
        {DATA + IN_MEMORY, 4, 0x900000, 0, NULL}, /* more than there can be */
        {DATA + ADDRESS, 4, 0x100, 0, NULL},
        {SECTIONS, 4, 0xFFFFFF00, 0, NULL}, /* no names: it runs as well */
    };
    static const size_t lengths[] = {5, 20, 51, 52, 60, 115};
    char line[300];
    begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        size_t count = read_elf();
        for (int k = 0; k < rows[i].size; k++) {
            bytes[rows[i].at + k] = (unsigned char)(rows[i].value >> 8 * k);
        }
        write_elf(count);
        snprintf(line, sizeof line,
                 JADELAMP "-firmware damaged.elf -p attiny85 --mhz 8 --seconds 1 "
                          "--no-wires -c usi.card");
        int status = shell(line);
        test_row("field %d = %lX", rows[i].at, rows[i].value);
        EXPECT(rows[i].status == 2 ? status == 2 : status <= 1); /* what runs may be anything */
        if (rows[i].status == 2) {
            EXPECT_CONTAINS(output, rows[i].says);
        }
    }
    for (size_t i = 0; i < sizeof lengths / sizeof lengths[0]; i++) {
        read_elf();
        write_elf(lengths[i]);
        EXPECT_INT(shell(JADELAMP "-firmware damaged.elf -p attiny85 -c usi.card"), 2);
        test_row("%zu bytes", lengths[i]);
        EXPECT_CONTAINS(output, "damaged.elf: ");
    }
    shell_end();
}

static void damaged_files_end(void) {
    unsigned random = 20261128;
    begin();
    size_t count = read_elf();
    for (int i = 0; i < 40; i++) {
        unsigned char kept[4];
        size_t places[4];
        for (int k = 0; k < 4; k++) {
            random = random * 1103515245u + 12345u;
            /* headers and tables as often as code */
            places[k] = (random >> 8) % (k < 2 ? 300 : count);
            kept[k] = bytes[places[k]];
            bytes[places[k]] ^= (unsigned char)(1u << (random >> 4 & 7));
        }
        write_elf(count);
        int status = shell(JADELAMP "-firmware damaged.elf -p attiny85 --mhz 1 --seconds 1 "
                                    "--no-wires -c usi.card");
        test_row("damage %d", i);
        EXPECT(status >= 0 && status <= 2);
        for (int k = 3; k >= 0; k--) {
            bytes[places[k]] = kept[k];
        }
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"firmware_of_others", firmware_of_others},
    {"the_panel_is_read", the_panel_is_read},
    {"fingers_are_felt", fingers_are_felt},
    {"the_eeprom_keeps", the_eeprom_keeps},
    {"knobs_are_read", knobs_are_read},
    {"hands_in_a_window_are_felt", hands_in_a_window_are_felt},
    {"a_timer_dims_the_light", a_timer_dims_the_light},
    {"the_busy_flag_is_read", the_busy_flag_is_read},
    {"ours_are_as_on_the_board", ours_are_as_on_the_board},
    {"panels_alone", panels_alone},
    {"pages_are_read", pages_are_read},
    {"its_timer_1_dims_the_light", its_timer_1_dims_the_light},
    {"times_are_the_parts", times_are_the_parts},
    {"the_capture_is_whole", the_capture_is_whole},
    {"a_window_is_told", a_window_is_told},
    {"findings_as_json", findings_as_json},
    {"mistakes_are_told", mistakes_are_told},
    {"bad_input_is_refused", bad_input_is_refused},
    {"elf_files_that_are_wrong", elf_files_that_are_wrong},
    {"damaged_files_end", damaged_files_end},
    {NULL, NULL},
};
