/*
 * What reaches firmware on a simulated processor: the panel's answers, fingers, keys and knobs, the
 * EEPROM, and what its timers do with a light.
 */
#include "firmware_stage.h"
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "json_at.h"
#include "shell.h"

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
    firmware_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "reads_back_%s.elf %s", rows[i].name, rows[i].options);
        snprintf(glass, sizeof glass, "reads_back_%s-glass.png", rows[i].name);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "lit");
        EXPECT_INT(firmware_wrong_pixels(glass, 24, 8, rows[i].rule), 0);
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
    EXPECT_INT(firmware_wrong_pixels("reads_wide-glass.png", 24, 8, answers_wide), 0);
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
    firmware_begin();
    EXPECT_INT(shell(RUN "reads_pages.elf -c pages.card"), 0);
    EXPECT_CONTAINS(output, "lit");
    EXPECT_INT(firmware_wrong_pixels("reads_pages-glass.png", 128, 64, turned_around), 0);
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
    firmware_begin();
    EXPECT_INT(shell("printf '0.30 s press 23 0\n0.90 s lift\n' > corner.hands; "
                     "printf '0.60 s press 23 0\n0.90 s lift\n' > late.hands"),
               0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "touches_%s.elf %s", rows[i].name, rows[i].options);
        snprintf(glass, sizeof glass, "touches_%s-glass.png", rows[i].name);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "lit");
        EXPECT_INT(firmware_wrong_pixels(glass, 24, 8, rows[i].rule), 0);
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
    firmware_begin();
    EXPECT_INT(shell(RUN "keeps.elf -c tft.card"), 0);
    EXPECT_INT(firmware_wrong_pixels("keeps-glass.png", 24, 8, kept), 0);
    /* 1006 bytes are more than that part has */
    EXPECT_INT(shell(RUN "keeps.elf -c key.card --processor attiny85"), 2);
    EXPECT_CONTAINS(output, "the firmware has 1006 bytes for the EEPROM, the attiny85 has 512");
    shell_end();
}

static void knobs_are_read(void) {
    firmware_begin();
    EXPECT_INT(shell("echo '0.90 s turn 2' > knob.hands; " RUN
                     "turns.elf -c knob.card --hands knob.hands"),
               0);
    EXPECT_INT(firmware_wrong_pixels("turns-glass.png", 24, 8, eight), 0);
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
        {"0", "hands 1 0 -1 -1 -1 -1\\n", KEY "1", "open_drain-glass.png", 128, 32,
         firmware_turned_over},
        {"0", "hands 1 0 -1 -1 -1 -1\\nhands 0 0 -1 -1 -1 -1\\n", KEY "1", "open_drain-glass.png",
         128, 32, firmware_diagonals},
        /* what is no line of hands, too long, or cut off, is passed over */
        {"0", "hands\\nhands 1 0 -1 -1 -1\\n%%0200d\\nhands 1 0 -1", KEY "1",
         "open_drain-glass.png", 128, 32, firmware_diagonals},
        {"0", "%%0200d\\nhands 1 0 -1 -1 -1 -1\\n", KEY "1", "open_drain-glass.png", 128, 32,
         firmware_turned_over},
        /* a script of hands is the only one */
        {"0", "hands 1 0 -1 -1 -1 -1\\n", KEY "1 --hands none.hands", "open_drain-glass.png", 128,
         32, firmware_diagonals},
        {"0", "hands 0 0 23 0 -1 -1\\n", "touches_RESISTIVE.elf -c resistive.card",
         "touches_RESISTIVE-glass.png", 24, 8, where_it_was},
        /* all steps at once: each of them is seen. The firmware counts from 0.25 to 1.2 s */
        {"0.5", "hands 0 8 -1 -1 -1 -1\\n", "turns.elf -c knob.card", "turns-glass.png", 24, 8,
         eight},
        {"0.5", "hands 0 6 -1 -1 -1 -1\\nhands 0 -4 -1 -1 -1 -1\\n", "turns.elf -c knob.card",
         "turns-glass.png", 24, 8, minus_four},
    };
    firmware_begin();
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
        EXPECT_INT(
            firmware_wrong_pixels(rows[i].glass, rows[i].width, rows[i].height, rows[i].rule), 0);
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
    firmware_begin();
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
    firmware_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        snprintf(line, sizeof line, RUN "%s --mhz 8 --wire miso=PB5", rows[i].options);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

/* A module whose busy flag is read, on a part of 20 MHz. */
static void the_busy_flag_is_read(void) {
    firmware_begin();
    EXPECT_INT(shell(RUN "busy_lcd.elf -c busy.card --mhz 20"), 0);
    EXPECT_CONTAINS(output, "|Sluice closed   |");
    EXPECT_CONTAINS(output, "|it was busy     |");
    shell_end();
}

const struct test_group test_groups[] = {
    {"the_panel_is_read", the_panel_is_read},
    {"pages_are_read", pages_are_read},
    {"fingers_are_felt", fingers_are_felt},
    {"the_eeprom_keeps", the_eeprom_keeps},
    {"knobs_are_read", knobs_are_read},
    {"hands_in_a_window_are_felt", hands_in_a_window_are_felt},
    {"a_timer_dims_the_light", a_timer_dims_the_light},
    {"its_timer_1_dims_the_light", its_timer_1_dims_the_light},
    {"the_busy_flag_is_read", the_busy_flag_is_read},
    {NULL, NULL},
};
