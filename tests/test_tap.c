/*
 * Taps: what a port copies of its traffic, and what the command shows of it: the glass of the panel
 * that the port drives. Also when bytes are lost on the way.
 */
#define _XOPEN_SOURCE   600 /* posix_openpt() */
#define _DEFAULT_SOURCE     /* cfmakeraw() */
#include "harness.h"

#include <fcntl.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <termios.h>
#include <unistd.h>

#include "jadelamp/direct.h"
#include "jadelamp/tap.h"
#include "shell.h"
#include "stage.h"

static uint8_t bytes[1u << 20];
static size_t count, awake; /* awake: of the wake-up */

static void keep(void *context, const uint8_t *some, size_t how_many) {
    EXPECT(context == &count);
    EXPECT(count + how_many <= sizeof bytes);
    memcpy(bytes + count, some, how_many);
    count += how_many;
}

static void save(const char *name, size_t from, size_t until) {
    FILE *file = fopen(shell_path(name), "wb");
    EXPECT(file && fwrite(bytes + from, 1, until - from, file) == until - from);
    fclose(file);
}

static const struct make oled = {.name = "ssd1306 128x64",
                                 .controller = &jl_ssd1306,
                                 .emulator = &jl_emulated_ssd1306,
                                 .width = 128,
                                 .height = 64,
                                 .bus = &jl_bus_i2c};

/* Wakes the panel of a stage through a tap and draws the test card, `times` times. */
static void draw(struct stage *stage, const struct make *make, struct jl_tap *tap,
                 struct jl_port *tapped, const char *title, int times) {
    count = 0;
    stage_open(stage, make,
               &(struct wish){.ops = &jl_sim_port_rich_ops, .clock_hz = make->bus ? 0 : 4000000});
    jl_tap_begin(tap, tapped, &stage->port, keep, &count);
    EXPECT_INT(jl_panel_open(&stage->panel, &stage->config, tapped), JL_OK);
    EXPECT_INT(jl_panel_wake(&stage->panel), JL_OK);
    awake = count;
    struct jl_frame frame = stage_frame(stage, 0);
    jl_draw_test_card(&frame.target, title);
    for (int i = 0; i < times; i++) {
        EXPECT_INT(jl_panel_present(&stage->panel, &frame), JL_OK);
    }
    if (times) {
        stage_expect_shown(stage, make, &frame);
        stage_expect_content(stage);
    }
}

static void expect_same_glass(struct stage *stage, const char *name) {
    struct jl_picture seen = shell_picture(name), real = stage_look(stage);
    EXPECT_PICTURE(&seen, &real, "tapped");
    jl_picture_free(&seen);
    jl_picture_free(&real);
}

static void the_glass_is_the_panels(void) {
    static const struct {
        const char *make, *card; /* NULL: the OLED on I2C */
    } rows[] = {{NULL, "ssd1306-128x64-i2c"}, {"st7789 240x240", "st7789-240x240-spi"}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct make *make = rows[i].make ? make_named(rows[i].make) : &oled;
        struct jl_tap tap;
        struct jl_port tapped;
        struct stage stage;
        char line[300];
        shell_begin();
        test_row("%s", rows[i].card);
        draw(&stage, make, &tap, &tapped, "tapped", 1);
        save("some.tap", 0, count);
        snprintf(line, sizeof line, JADELAMP " watch --from some.tap --card %s", rows[i].card);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "%s-glass.png", rows[i].card);
        expect_same_glass(&stage, line);
        /* what captures are good for, taps are, too */
        snprintf(line, sizeof line, JADELAMP " explain some.tap --card %s | head -40",
                 rows[i].card);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, i ? "exit_sleep_mode" : "multiplex");
        snprintf(line, sizeof line, JADELAMP " replay some.tap --card %s", rows[i].card);
        EXPECT_INT(shell(line), 0);
        expect_same_glass(&stage, "some.tap-glass.png");
        stage_close(&stage);
        shell_end();
    }
}

/* A colour again and again is one short record, and the same on the glass. */
static void fills_pass(void) {
    static uint8_t memory[512];
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    struct jl_direct direct;
    shell_begin();
    draw(&stage, make_named("st7789 240x240"), &tap, &tapped, "", 0);
    EXPECT_INT(jl_direct_init(&direct, &stage.panel, memory, sizeof memory), JL_OK);
    size_t before = count;
    jl_fill_rect(&direct.target, (struct jl_rect){7, 11, 200, 150}, JL_RGB(16, 200, 96));
    EXPECT_INT(direct.status, JL_OK);
    EXPECT(count - before < 100);
    save("some.tap", 0, count);
    EXPECT_INT(shell(JADELAMP " watch --from some.tap --card st7789-240x240-spi"), 0);
    expect_same_glass(&stage, "st7789-240x240-spi-glass.png");
    stage_close(&stage);
    shell_end();
}

/* What a present costs: of 1024 bytes of pixels in records of 240, 11 bytes more a record. */
static void what_it_costs_on_the_wire(void) {
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    draw(&stage, &oled, &tap, &tapped, "cost", 1);
    size_t before = count, escaped = 0;
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    for (size_t i = before; i < count; i++) {
        escaped += bytes[i] == 0xDB;
    }
    /* the window: address, control byte and 6; the pixels: address, control byte and 1024 */
    size_t records = 1 + (1024 + 239) / 240, ends = 2 * records, heads = 8 * records;
    EXPECT_INT((long long)(count - before - escaped), (long long)(ends + heads + 8 + 1026));
    stage_close(&stage);
}

/* A byte that is lost, turned over or doubled: at most two records are gone, and that is told. */
static void lost_bytes_are_told(void) {
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    unsigned random = 7;
    draw(&stage, &oled, &tap, &tapped, "lost", 3);
    size_t whole = count;
    static uint8_t good[sizeof bytes];
    memcpy(good, bytes, whole);
    int told = 0;
    shell_begin();
    for (int i = 0; i < 24; i++) {
        /* within the wake-up and the first two pictures: the third mends the glass */
        random = random * 1103515245u + 12345u;
        size_t two = awake + (whole - awake) / 3 * 2;
        size_t at = (random >> 8) % (two - 60);
        memcpy(bytes, good, whole);
        count = whole;
        if (i % 3 == 0) {
            memmove(bytes + at, bytes + at + 1, whole - at - 1);
            count--;
        } else if (i % 3 == 1) {
            bytes[at] ^= (uint8_t)(1u << (random >> 4 & 7));
        } else {
            memmove(bytes + at, bytes + at + 40, whole - at - 40);
            count -= 40;
        }
        save("hurt.tap", 0, count);
        test_row("%s at %zu", i % 3 ? i % 3 == 1 ? "turned" : "cut" : "lost", at);
        int status = shell(JADELAMP " watch --from hurt.tap -c ssd1306-128x64-i2c");
        EXPECT(status == 0 || status == 1);
        bool said = strstr(output, "of the tap were lost or damaged") != NULL;
        told += said;
        if (!said || at > awake) {
            expect_same_glass(&stage, "ssd1306-128x64-i2c-glass.png");
        }
        if (said) {
            EXPECT_INT(status, 1);
        }
    }
    /* a byte between two frames is not missed, nor the first of all */
    EXPECT(told >= 22);
    stage_close(&stage);
    shell_end();
}

/* It starts in the middle, and noise is before it: the next picture is right. */
static void it_begins_in_the_middle(void) {
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    draw(&stage, &oled, &tap, &tapped, "middle", 1);
    shell_begin();
    size_t end = 0;
    while (bytes[end] != 0xC0 || end < 30) {
        end++;
    }
    memmove(bytes + 3, bytes, count);
    memcpy(bytes, "\xC0\x55\x99", 3);
    count += 3;
    /* once more without its first bytes: who begins to listen hears the middle of a record */
    save("middle.tap", 5, count);
    EXPECT_INT(shell("cat middle.tap | " JADELAMP " watch --from - -c ssd1306-128x64-i2c"), 1);
    EXPECT_CONTAINS(output, "records of the tap were lost or damaged");
    expect_same_glass(&stage, "ssd1306-128x64-i2c-glass.png");
    save("noise.tap", 0, count);
    EXPECT_INT(shell(JADELAMP " watch --from noise.tap -c ssd1306-128x64-i2c"), 1);
    EXPECT_CONTAINS(output, "1 records of the tap were lost or damaged");
    expect_same_glass(&stage, "ssd1306-128x64-i2c-glass.png");
    stage_close(&stage);
    shell_end();
}

/* As it comes: from a pipe that stays open, which the glass does not wait for. */
static void as_it_comes(void) {
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    draw(&stage, &oled, &tap, &tapped, "live", 1);
    shell_begin();
    save("some.tap", 0, count);
    EXPECT_INT(shell("mkfifo line; (cat some.tap; sleep 3) > line & " JADELAMP
                     " watch --from line -c ssd1306-128x64-i2c --patience 0.5 --json; wait"),
               0);
    EXPECT_CONTAINS(output, "\"lit\":\ttrue");
    expect_same_glass(&stage, "ssd1306-128x64-i2c-glass.png");
    EXPECT_INT(shell("cat some.tap | " JADELAMP
                     " watch --from - -c ssd1306-128x64-i2c --explain --terminal blocks"),
               0);
    EXPECT_CONTAINS(output, "display on");
    EXPECT_CONTAINS(output, "\u2588");
    stage_close(&stage);
    shell_end();
}

/* From a serial line, whose other end is ours. */
static void on_a_serial_line(void) {
    static const struct {
        int baud, status;
        const char *says;
    } rows[] = {{115200, 0, "that differ; lit"},
                {921600, 0, "that differ; lit"},
                {9600, 0, "that differ; lit"},
                {12345, 2, "--baud 12345: expected 9600, 19200"}};
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    draw(&stage, &oled, &tap, &tapped, "line", 1);
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        struct termios how;
        int far = posix_openpt(O_RDWR | O_NOCTTY);
        EXPECT(far >= 0 && grantpt(far) == 0 && unlockpt(far) == 0);
        int near = open(ptsname(far), O_RDWR | O_NOCTTY);
        EXPECT(near >= 0 && tcgetattr(near, &how) == 0);
        cfmakeraw(&how); /* what waits there is not to be changed */
        cfsetospeed(&how, B50);
        EXPECT(tcsetattr(near, TCSANOW, &how) == 0 && count < 4096 &&
               write(far, bytes, count) == (ssize_t)count);
        snprintf(line, sizeof line,
                 JADELAMP " watch --from %s -c ssd1306-128x64-i2c --patience 0.5 --baud %d",
                 ptsname(far), rows[i].baud);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
        static const speed_t speeds[] = {B115200, B921600, B9600, B50};
        EXPECT(tcgetattr(near, &how) == 0 && cfgetospeed(&how) == speeds[i]);
        close(near);
        close(far);
    }
    expect_same_glass(&stage, "ssd1306-128x64-i2c-glass.png");
    stage_close(&stage);
    shell_end();
}

/* ---- without the library: docs/tap.md ---- */

void tap(uint8_t kind, const uint8_t *some, size_t how_many);
void uart_put(uint8_t byte);
uint32_t microseconds(void);

void uart_put(uint8_t byte) {
    keep(&count, &byte, 1);
}

uint32_t microseconds(void) {
    static uint32_t now;
    return now += 100;
}

/* Squares of C0h and DBh, whose bytes need escapes, on an OLED that another firmware woke. */
static void by_hand(void) {
    static const uint8_t wake[] = {0x3C, 0x00, 0xAE, 0xA8, 0x3F, 0xDA, 0x12,
                                   0xA1, 0xC8, 0x20, 0x00, 0x8D, 0x14, 0xAF};
    static uint8_t picture[2 + 1024] = {0x3C, 0x40};
    count = 0;
    for (int i = 0; i < 1024; i++) {
        picture[2 + i] = i % 2 ? 0xC0 : 0xDB;
    }
    tap('I', wake, sizeof wake);
    tap('I', picture, 2 + 200);
    for (int at = 202; at < 1026; at += 206) {
        tap('i', picture + at, 206);
    }
    shell_begin();
    save("hand.tap", 0, count);
    EXPECT_INT(shell(JADELAMP " watch --from hand.tap -c ssd1306-128x64-i2c"), 0);
    struct jl_picture glass = shell_picture("ssd1306-128x64-i2c-glass.png");
    int wrong = 0;
    for (int i = 0; i < 128 * 64; i++) {
        int x = i % 128, y = i / 128;
        bool lit = (x % 2 ? 0xC0 : 0xDB) >> y % 8 & 1;
        wrong += (glass.rgb[3 * i] > 127) != lit;
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&glass);
    /* and the page shows just this program */
    EXPECT_INT(shell("sed -n '/^```c$/,/^```$/p' " SOURCE "/docs/tap.md | grep -v '```' | "
                     "diff - " SOURCE "/tests/tap_by_hand.c"),
               0);
    shell_end();
}

static void bad_sources_are_refused(void) {
    static const struct {
        const char *line, *says;
    } rows[] = {
        {"watch", "name a source and a panel"},
        {"watch --from none.tap -c ssd1306-128x64-i2c", "--from none.tap: No such file"},
        {"watch --from unix:none -c ssd1306-128x64-i2c", "--from unix:none: No such file"},
        {"watch --from tcp:4444 -c ssd1306-128x64-i2c", "expected tcp:HOST:PORT"},
        {"watch --from tcp:localhost: -c ssd1306-128x64-i2c", "expected tcp:HOST:PORT"},
        {"watch --from tcp:localhost:many -c ssd1306-128x64-i2c", "--from tcp:localhost:many: "},
        {"watch --from unix:$(printf %0120d 0) -c ssd1306-128x64-i2c", "too long for a socket"},
        {"watch --from tcp:localhost:1 -c ssd1306-128x64-i2c", "Connection refused"},
        {"watch --from /dev/null -c ssd1306-128x64-i2c", "the file is empty"},
        {"watch --from /dev/null -c nobody", "no card nobody"},
        {"watch --from /dev/null -c rgb-480x272", "scanned out"},
        {"watch --from /dev/null -c ssd1306-128x64-i2c --patience 0", "--patience 0: expected"},
        {"watch --from /dev/null -c ssd1306-128x64-i2c -t art", "blocks or braille"},
        {"watch --from /dev/null more -c ssd1306-128x64-i2c", "one argument too many"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " %s", rows[i].line);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell_files(), 0);
    shell_end();
}

/* An error of the port is the port's, and is told. */
static void errors_pass(void) {
    struct jl_tap tap;
    struct jl_port tapped;
    struct stage stage;
    draw(&stage, &oled, &tap, &tapped, "errors", 1);
    size_t before = count;
    jl_i2c_fail_at(stage.sim.i2c, 5, false);
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_NO_ANSWER);
    bool told = false;
    for (size_t i = before; i + 1 < count; i++) {
        told |= bytes[i] == 0xC0 && bytes[i + 1] == 'E';
    }
    EXPECT(told);
    stage_close(&stage);
}

const struct test_group test_groups[] = {
    {"the_glass_is_the_panels", the_glass_is_the_panels},
    {"fills_pass", fills_pass},
    {"what_it_costs_on_the_wire", what_it_costs_on_the_wire},
    {"lost_bytes_are_told", lost_bytes_are_told},
    {"it_begins_in_the_middle", it_begins_in_the_middle},
    {"as_it_comes", as_it_comes},
    {"on_a_serial_line", on_a_serial_line},
    {"by_hand", by_hand},
    {"bad_sources_are_refused", bad_sources_are_refused},
    {"errors_pass", errors_pass},
    {NULL, NULL},
};
