/* What captures spend, counted by hand; what would cost less; and the wire as a picture. */
#include <cjson/cJSON.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/host/file.h"
#include "shell.h"

static void put(const char *name, const char *content) {
    struct jl_complaint complaint;
    EXPECT(jl_file_put(shell_path(name), content, strlen(content), &complaint));
}

/* Bytes on SPI at 1 us a bit, 2 us between them; "[" CS begins, "]" ends, "~" 5 ms of nothing. */
static void draw_spi(char *out, size_t size, const char *script) {
    size_t length = (size_t)snprintf(
        out, size,
        "$timescale 100 ns $end $var wire 1 c clk $end $var wire 1 m mosi $end $var wire 1 d dc "
        "$end $var wire 1 s cs $end $enddefinitions $end\n#0 0c 0m 0d 1s\n");
    unsigned long now = 100;
    for (const char *at = script; *at; at += strcspn(at, " "), at += *at == ' ') {
        unsigned byte = 0;
        if (*at == '[' || *at == ']') {
            length +=
                (size_t)snprintf(out + length, size - length, "#%lu %ds\n", now++, *at == ']');
        } else if (*at == '~') {
            now += 50000;
        } else if (sscanf(at + 1, "%2x", &byte) == 1) {
            length += (size_t)snprintf(out + length, size - length, "#%lu %dd\n", now, *at == 'D');
            for (int bit = 7; bit >= 0; bit--, now += 10) {
                length +=
                    (size_t)snprintf(out + length, size - length, "#%lu %dm #%lu 1c #%lu 0c\n", now,
                                     byte >> bit & 1, now + 5, now + 9);
            }
            now += 20;
        }
    }
    snprintf(out + length, size - length, "#%lu\n", now + 100);
}

/* Each number of the bill, counted by hand. */
static void what_it_spends(void) {
    static char content[60000];
    static const struct {
        const char *name;
        double value;
    } numbers[] = {
        /* 11; 36 08; 3A 55; then two windows of 9 bytes, one of them twice, 2C, pixels */
        {"bytes", 1 + 2 + 2 + 5 + 5 + 1 + 2 + 5 + 1 + 4},
        {"opcode_bytes", 1 + 1 + 1 + 2 + 1 + 1 + 1},
        {"argument_bytes", 1 + 1 + 4 + 4 + 4},
        {"data_bytes", 2 + 4},
        {"framing_bytes", 0},
        {"transfers", 3},
        /* 36|08|3A|55|2A|args|2B|args|2C|px|2A|args|2C|px */
        {"dc_changes", 13},
        {"commands", 8},
        {"runs", 2},
        {"one_pixel_runs", 1},
        {"repeated_settings", 1},
        /* 28 bytes of 8 us */
        {"bits_microseconds", 28 * 8},
        {"picture_bytes", 240 * 320 * 2},
    };
    draw_spi(content, sizeof content,
             "[ C11 ] ~ [ C36 D08 C3A D55 C2A D00 D05 D00 D05 C2B D00 D01 D00 D02 C2C DF8 D00 C2A "
             "D00 D05 D00 D05 C2C D07 DE0 D00 D1F ] ~ [ ]");
    shell_begin();
    put("spi.vcd", content);
    EXPECT_INT(shell(JADELAMP " budget spi.vcd --card ili9341-240x320-spi --json"), 0);
    cJSON *json = cJSON_Parse(output);
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        const cJSON *number = cJSON_GetObjectItem(json, numbers[i].name);
        test_row("%s", numbers[i].name);
        EXPECT(number && number->valuedouble > numbers[i].value - 0.01 &&
               number->valuedouble < numbers[i].value + 0.01);
    }
    /* 26 gaps of 2 us; the wait of 5 ms, of which 2 us and two edges of CS go before */
    const cJSON *gaps = cJSON_GetObjectItem(json, "gaps_microseconds");
    const cJSON *waits = cJSON_GetObjectItem(json, "waits_microseconds");
    EXPECT(gaps && gaps->valuedouble > 26 * 1.9 && gaps->valuedouble < 26 * 2.1);
    EXPECT(waits && waits->valuedouble > 5001 && waits->valuedouble < 5003);
    cJSON_Delete(json);
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " budget spi.vcd -c ili9341-240x320-spi", 0,
         "runs of one pixel                           1"},
        {JADELAMP " budget spi.vcd -c ili9341-240x320-spi", 0,
         "data at the controller's limit           8.14"},
        {JADELAMP " budget spi.vcd", 2, "name the panel"},
        {JADELAMP " budget", 2, "name a capture"},
        {JADELAMP " budget spi.vcd spi.vcd -c ili9341-240x320-spi", 2, "one argument too many"},
        {"echo '#1 1c' >>spi.vcd; " JADELAMP " budget spi.vcd -c ili9341-240x320-spi", 2,
         "backwards"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

/* ---- what would cost less ---- */

/* A decoded file of an ssd1306 on SPI: bytes 2 us apart, of 1 us each at the card's 8 MHz. */
struct bytes_file {
    char *text;
    size_t length, size;
    double us;
};

static void add_byte(struct bytes_file *file, unsigned byte, bool data) {
    file->length += (size_t)snprintf(file->text + file->length, file->size - file->length,
                                     "%.1f,%02X,%d\n", file->us, byte, data);
    file->us += 2;
}

/* The whole window, and a picture of one byte all over, but for the last one. */
static void add_picture(struct bytes_file *file, unsigned byte, unsigned last) {
    static const uint8_t window[] = {0x21, 0, 127, 0x22, 0, 7};
    for (size_t i = 0; i < sizeof window; i++) {
        add_byte(file, window[i], false);
    }
    for (int i = 0; i < 1024; i++) {
        add_byte(file, i < 1023 ? byte : last, true);
    }
    file->us += 5000;
}

struct expected {
    const char *remedy;
    double bytes, microseconds;
};

static void expect_remedies(cJSON *json, const struct expected *expected, size_t count) {
    const cJSON *list = cJSON_GetObjectItem(json, "remedies");
    EXPECT_INT(cJSON_GetArraySize(list), (long long)count);
    for (size_t i = 0; i < count && list; i++) {
        const cJSON *one = cJSON_GetArrayItem(list, (int)i);
        test_row("remedy %d, %s", (int)i, expected[i].remedy);
        const cJSON *name = cJSON_GetObjectItem(one, "remedy");
        EXPECT_TEXT(name ? name->valuestring : "none", expected[i].remedy);
        const cJSON *bytes = cJSON_GetObjectItem(one, "bytes");
        EXPECT(bytes && bytes->valuedouble == expected[i].bytes);
        const cJSON *us = cJSON_GetObjectItem(one, "microseconds");
        EXPECT(us && us->valuedouble > expected[i].microseconds * 0.999 &&
               us->valuedouble < expected[i].microseconds * 1.001);
    }
}

static double number_of(const cJSON *json, const char *name) {
    const cJSON *item = cJSON_GetObjectItem(json, name);
    return item ? item->valuedouble : -1;
}

/*
 * Three pictures of 1030 bytes: all lit; all but one column of eight; the same once more. Between
 * bytes pass 1 us, but not before the first one of a picture.
 */
static void the_same_pictures_for_less(void) {
    static char text[100000];
    struct bytes_file file = {text, 0, sizeof text, 1000};
    file.length = (size_t)snprintf(text, sizeof text, "time [us],byte,dc\n");
    add_picture(&file, 0xFF, 0xFF);
    add_picture(&file, 0xFF, 0x00);
    add_picture(&file, 0xFF, 0x00);
    shell_begin();
    put("three.csv", text);
    EXPECT_INT(shell(JADELAMP " budget three.csv -c ssd1306-128x64-spi --awake --json"), 0);
    cJSON *json = cJSON_Parse(output);
    const double bits = 1, wire = 3 * 1029 * 2.0;
    const struct expected expected[] = {
        {"changes", 1030 + 7, (1030 + 7) * wire / 3090},
        {"gaps", 3090, 3090 * bits},
        {"one-window", 2 * 1030, 2 * 1030 * wire / 3090},
        {"clock", 3090, wire - 3090 * 0.2},
        {"all", 1030 + 7, (1030 + 7) * 0.8},
    };
    EXPECT(number_of(json, "bytes") == 3090 && number_of(json, "pictures") == 2);
    EXPECT(number_of(json, "places") == 3072 && number_of(json, "places_changed") == 1025);
    EXPECT(number_of(json, "repeated_settings") == 4);
    EXPECT(number_of(json, "wire_microseconds") > wire * 0.999 &&
           number_of(json, "wire_microseconds") < wire * 1.001);
    expect_remedies(json, expected, sizeof expected / sizeof expected[0]);
    cJSON_Delete(json);
    /* Pictures are told apart by pauses, and only on glass that is lit. */
    EXPECT_INT(shell(JADELAMP " budget three.csv -c ssd1306-128x64-spi --awake --pause 6 --json"),
               0);
    json = cJSON_Parse(output);
    EXPECT(number_of(json, "pictures") == 1);
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " budget three.csv -c ssd1306-128x64-spi"), 0);
    EXPECT_CONTAINS(output, "none were told apart (--pause, --awake)");
    EXPECT_CONTAINS(output, "this file has no times of bits");
    /* With a wake-up of its own, noise is the first picture; what is sent again is none. */
    static const uint8_t wake[] = {0x8D, 0x14, 0x20, 0x00, 0xA1, 0xC8, 0xAF};
    file.length = (size_t)snprintf(text, sizeof text, "time [us],byte,dc\n");
    for (size_t i = 0; i < sizeof wake; i++) {
        add_byte(&file, wake[i], false);
    }
    file.us += 200000;
    for (int i = 0; i < 3; i++) {
        add_picture(&file, 0xFF, i ? 0 : 0xFF);
    }
    put("woken.csv", text);
    EXPECT_INT(shell(JADELAMP " budget woken.csv -c ssd1306-128x64-spi"), 0);
    EXPECT_CONTAINS(output, "pictures that differ: 3\n");
    EXPECT_CONTAINS(output, "data that the memory had already");
    shell_end();
}

/* 18 bits at a tenth of the clock: four pixels of three bytes, and the same window twice. */
static void a_faster_clock_and_fewer_bits(void) {
    static char content[60000];
    shell_begin();
    draw_spi(content, sizeof content,
             "[ C3A D66 C2A D00 D00 D00 D03 C2B D00 D00 D00 D00 C2C DFC D00 D00 DFC D00 D00 DFC "
             "D00 D00 DFC D00 D00 C2A D00 D00 D00 D03 C2B D00 D00 D00 D00 ] ~ [ ]");
    put("deep.vcd", content);
    EXPECT_INT(shell(JADELAMP " budget deep.vcd -c ili9341-240x320-spi --awake --json"), 0);
    cJSON *json = cJSON_Parse(output);
    /* 35 bytes of 8 us, the last ten for nothing; 34 gaps of 2 us */
    const double wire = 35 * 8 + 34 * 2 + 0.0, gap = 34 * 2 / 35.0;
    const cJSON *list = cJSON_GetObjectItem(json, "remedies");
    struct expected some[] = {{"clock", 35, 35 * (0.8 + gap)},
                              {"settings", 25, 25 * wire / 35},
                              {"gaps", 35, 35 * 8},
                              {"depth", 31, 31 * wire / 35}};
    for (int i = 0; i < cJSON_GetArraySize(list); i++) {
        const cJSON *one = cJSON_GetArrayItem(list, i);
        const char *name = cJSON_GetObjectItem(one, "remedy")->valuestring;
        for (size_t k = 0; k < sizeof some / sizeof some[0]; k++) {
            if (some[k].remedy && strcmp(some[k].remedy, name) == 0) {
                test_row("%s", name);
                EXPECT(number_of(one, "bytes") == some[k].bytes);
                EXPECT(number_of(one, "microseconds") > some[k].microseconds * 0.99 &&
                       number_of(one, "microseconds") < some[k].microseconds * 1.01);
                some[k].remedy = NULL;
            }
        }
    }
    for (size_t k = 0; k < sizeof some / sizeof some[0]; k++) {
        EXPECT_TEXT(some[k].remedy ? some[k].remedy : "seen", "seen");
    }
    cJSON_Delete(json);
    shell_end();
}

static void workloads_of_the_library(void) {
    static const struct {
        const char *arguments;
        int status;
        const char *says;
    } rows[] = {
        {"-c ili9341-240x320-spi --work first-light", 0, "pictures that differ: 1"},
        {"-c st7735-128x160-spi --work pictures", 0, "pictures that differ: 10"},
        {"-c ssd1306-128x64-i2c --work number", 0, "pictures that differ: 20"},
        {"-c ssd1322-256x64-spi --work needle", 0, "pictures that differ: 20"},
        {"-c ili9341-240x320-8080 --work pixels", 0,
         "runs of one pixel                         500"},
        {"-c hd44780-16x2-expander --work number", 0, "commands"},
        {"-c hd44780-16x2-4bit --work first-light", 0, "nothing that would save"},
        {"-c hd44780-16x2-4bit --work pixels", 2, "it has cells, and no pixels"},
        {"-c ssd1680-128x296-spi --work number", 2, "e-paper changes by updates"},
        {"-c rgb-800x480 --work number", 2, ""},
        {"-c ili9341-240x320-spi --work dashboard", 2, "expected first-light"},
        {"--work number", 2, "name the panel"},
        {"three.csv -c ili9341-240x320-spi --work number", 2, "or --work NAME"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        test_row("%s", rows[i].arguments);
        snprintf(line, sizeof line, "TMPDIR=. " JADELAMP " budget %s", rows[i].arguments);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT_INT(shell_files(), 0); /* its recording is gone */
    }
    EXPECT_INT(shell("TMPDIR=nowhere " JADELAMP " budget -c ssd1306-128x64-i2c --work number"), 2);
    EXPECT_CONTAINS(output, "cannot make a folder in nowhere");
    shell_end();
}

/* ---- the wire over time ---- */

/* What a lane has in its middle at a share of the time: paper, or a colour of its own. */
static bool is_marked(const struct jl_picture *picture, int lane, double share) {
    const uint8_t *rgb = jl_picture_at(picture, 104 + (int)(share * 1080), 60 + lane * 46 + 34);
    return abs(rgb[0] - rgb[2]) > 20 || rgb[0] < 180;
}

/* A command, a wait, then six bytes of data and an unknown command, at 1 us a bit. */
static void the_wire_over_time(void) {
    static char content[60000];
    shell_begin();
    draw_spi(content, sizeof content, "[ C29 ] ~ [ D00 D00 D00 D00 D00 D00 CFE ] ~ [ ]");
    put("line.vcd", content);
    EXPECT_INT(shell(JADELAMP " budget line.vcd -c ili9341-240x320-spi --timeline whole.png"), 0);
    EXPECT_CONTAINS(output, "wrote whole.png");
    /* The command's 8 us and six bytes of data within 60 us, each seen at its own zoom. */
    EXPECT_INT(shell(JADELAMP " budget line.vcd -c ili9341-240x320-spi --timeline part.png "
                              "--from 5.0 --to 5.1"),
               0);
    struct jl_picture whole = shell_picture("whole.png"), part = shell_picture("part.png");
    EXPECT_INT(whole.width, 1280);
    EXPECT(is_marked(&whole, 4, 0.5) && !is_marked(&whole, 2, 0.5) && !is_marked(&whole, 0, 0.5));
    EXPECT(!is_marked(&whole, 3, 0.5));
    EXPECT(is_marked(&whole, 1, 0.0005) && is_marked(&whole, 5, 0.998));
    EXPECT(is_marked(&part, 2, 0.4) && is_marked(&part, 0, 0.4) && !is_marked(&part, 4, 0.4));
    EXPECT(is_marked(&part, 1, 0.84) && is_marked(&part, 5, 0.808) && !is_marked(&part, 0, 0.95));
    jl_picture_free(&whole);
    jl_picture_free(&part);
    static const struct {
        const char *arguments;
        int status;
        const char *says;
    } rows[] = {
        {"--timeline a.svg", 0, "wrote a.svg"},
        {"--timeline a.jpg", 2, "a .png or .svg file"},
        {"--timeline a.png --from 7 --to 6", 2,
         "--to 6: expected milliseconds of the capture, 7 or"},
        {"--timeline a.png --from 99", 2, "no time from 99.000"},
        {"--timeline nowhere/a.png", 2, "nowhere/a.png"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        test_row("%s", rows[i].arguments);
        snprintf(line, sizeof line, JADELAMP " budget line.vcd -c ili9341-240x320-spi %s",
                 rows[i].arguments);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell("grep -q '</svg>' a.svg"), 0);
    EXPECT(!shell_has("a.png") && !shell_has("a.jpg"));
    shell_end();
}

const struct test_group test_groups[] = {
    {"what_it_spends", what_it_spends},
    {"the_same_pictures_for_less", the_same_pictures_for_less},
    {"a_faster_clock_and_fewer_bits", a_faster_clock_and_fewer_bits},
    {"workloads_of_the_library", workloads_of_the_library},
    {"the_wire_over_time", the_wire_over_time},
    {NULL, NULL},
};
