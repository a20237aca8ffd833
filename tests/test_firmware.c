/*
 * jadelamp run FIRMWARE: firmware on simulated processors, of ours and of others: what is on the
 * glass then, and when. Pictures are told by a rule, or are those of our own board.
 */
#include "firmware_stage.h"
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "json_at.h"
#include "shell.h"
#include "sluice_sign.h"

/* ---- pictures by rules ---- */

static bool squares(int x, int y) {
    return (x / 8 + y / 8) % 2;
}

static bool checked(int x, int y) {
    return (x / 8 + y / 8) % 2 == 1;
}

static bool frame(int x, int y) {
    return x == 0 || x == 127 || y == 0 || y == 31;
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
         firmware_diagonals},
        {RUN "open_drain_slow.elf -c key.card --mhz 1 --seconds 1", "open_drain_slow-glass.png",
         128, 32, firmware_diagonals},
        {"printf '0.50 s key ok\\n' > short.hands; " RUN
         "open_drain.elf -c key.card --mhz 8 --seconds 1 --hands short.hands --at 550",
         "open_drain-at-550.000ms.png", 128, 32, firmware_turned_over},
        {RUN "by_usi.elf -c usi.card --mhz 8", "by_usi-glass.png", 128, 32, frame},
        {RUN "usi_two_wires.elf -c key.card --mhz 8 --seconds 1", "usi_two_wires-glass.png", 128,
         32, checked},
        /* records of where it starts, a segment of 0, and small letters */
        {"(printf ':0400000300000000F9\n:0400000500000000F7\n:020000020000FC\n\n'; cat " FIRMWARE
         "by_usi.hex) | tr A-F a-f >small.hex; " JADELAMP " run small.hex -p attiny85 -c usi.card "
         "--mhz 8",
         "small-glass.png", 128, 32, frame},
        {RUN "memory_lcd.elf -c memory.card", "memory_lcd-glass.png", 128, 128, firmware_diagonals},
        {RUN "by_interrupts.hex -p ATmega328 -c ssd1306-128x64-i2c --seconds 1",
         "by_interrupts-glass.png", 128, 64, squares},
    };
    firmware_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), 0);
        EXPECT_INT(
            firmware_wrong_pixels(rows[i].glass, rows[i].width, rows[i].height, rows[i].rule), 0);
    }
    /* the key was let go again after 80 ms */
    EXPECT_INT(firmware_wrong_pixels("open_drain-glass.png", 128, 32, firmware_diagonals), 0);
    shell_end();
}

/* ---- with our library: what the board shows ---- */

static void ours_are_as_on_the_board(void) {
    struct jl_picture glass;
    uint8_t pixels[JL_MONO_COLUMNS_BYTES(84, 48)];
    struct jl_frame frame_of_board;
    firmware_begin();
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
    firmware_begin();
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
    firmware_begin();
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
    firmware_begin();
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
    firmware_begin();
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

const struct test_group test_groups[] = {
    {"firmware_of_others", firmware_of_others},
    {"ours_are_as_on_the_board", ours_are_as_on_the_board},
    {"panels_alone", panels_alone},
    {"times_are_the_parts", times_are_the_parts},
    {"the_capture_is_whole", the_capture_is_whole},
    {"a_window_is_told", a_window_is_told},
    {NULL, NULL},
};
