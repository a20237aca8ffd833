/*
 * A slip of the pen, anywhere in a text that a developer writes: each word of it is left out, or is
 * another one, or its line stands there twice. It is read, or refused with a sentence that names
 * the file and a line of it; never a crash, never a refusal without a word.
 */
#include "harness.h"

#include <ctype.h>
#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/card.h"
#include "jadelamp/host/catalog.h"
#include "jadelamp/host/hand_script.h"
#include "jadelamp/host/reading.h"
#include "jadelamp/host/screen_sheet.h"
#include "jadelamp/host/wake_import.h"
#include "shell.h"

enum { MOST_TEXT = 16384 };

/* Whether the text is taken; else the complaint says why not. */
typedef bool (*reader)(const char *name, const char *text, struct jl_complaint *complaint);

static const void *object; /* what was read, where it can be compared; else NULL */
static size_t object_bytes;

static bool read_card(const char *name, const char *text, struct jl_complaint *complaint) {
    static struct jl_card card;
    object = &card;
    object_bytes = sizeof card;
    return jl_card_read_text(name, text, strlen(text), &card, complaint);
}

static bool read_hands(const char *name, const char *text, struct jl_complaint *complaint) {
    static struct jl_hand_script script;
    object = &script;
    object_bytes = sizeof script;
    return jl_hand_script_read_text(name, text, &script, complaint);
}

static bool read_screen(const char *name, const char *text, struct jl_complaint *complaint) {
    const struct jl_screen_glass glass = {.width = 0};
    struct jl_screen *screen = jl_screen_read_text(name, text, strlen(text), &glass, complaint);
    object = NULL;
    jl_screen_free(screen);
    return screen != NULL;
}

static bool read_steps(const char *name, const char *text, struct jl_complaint *complaint) {
    static struct jl_wake_import import;
    object = &import;
    object_bytes = sizeof import;
    return jl_wake_import_text(name, text, strlen(text), JL_WAKE_ANY, jl_catalog_find("st7789"),
                               &import, complaint);
}

static void see_line(void *context, const struct jl_reading_line *line) {
    *(int *)context += line->kind == JL_LINE_COMMAND;
}

static int commands; /* of the last capture that was read */

static bool read_capture(const char *name, const char *text, struct jl_complaint *complaint) {
    static struct jl_card card;
    FILE *file = fopen(name, "w");
    commands = 0;
    object = NULL;
    if (!EXPECT(file != NULL && jl_card_find("ssd1306-72x40-i2c", &card, complaint))) {
        return false;
    }
    fputs(text, file);
    fclose(file);
    struct jl_traffic *traffic = jl_traffic_open(name, &card, NULL, complaint);
    bool good = traffic && jl_reading_run(traffic, see_line, &commands, complaint);
    jl_traffic_close(traffic);
    return good;
}

static int refused, taken;

/* A refusal names the file, and where in it, if it says where. */
static void expect_sentence(const char *name, const char *text,
                            const struct jl_complaint *complaint) {
    int lines = 1, line = 0;
    for (const char *at = text; *at; at++) {
        lines += *at == '\n';
    }
    if (strstr(complaint->text, "tide.csv:")) {
        return; /* the sheet's numbers and those of its data do not go together: either may be it */
    }
    EXPECT_CONTAINS(complaint->text, name);
    const char *behind = strstr(complaint->text, name);
    if (behind && sscanf(behind + strlen(name), ":%d:", &line) == 1) {
        EXPECT(line >= 1 && line <= lines + 1); /* or what is missing behind the last one */
    }
    EXPECT(strlen(complaint->text) > strlen(name) + 10);
}

static void try(reader read, const char *name, const char *text) {
    struct jl_complaint complaint = {""};
    bool good = read(name, text, &complaint);
    taken += good;
    refused += !good;
    if (!good) {
        expect_sentence(name, text, &complaint);
    }
}

static uint8_t as_written[sizeof(struct jl_card) + sizeof(struct jl_hand_script) +
                          sizeof(struct jl_wake_import)];

/* Numbers that are 2^32 or 2^64 too large: refused, or something else than the right ones. */
static void wrap_numbers(reader read, const char *name, const char *text, size_t at,
                         size_t length) {
    static char changed[2 * MOST_TEXT];
    struct jl_complaint nonsense = {""};
    snprintf(changed, sizeof changed, "%.*szzz%s", (int)at, text, text + at + length);
    if (!object && read(name, changed, &nonsense)) {
        return; /* a line of another variant */
    }
    for (size_t i = at, digits; i < at + length; i += digits ? digits : 1) {
        digits = strspn(text + i, "0123456789");
        bool in_name = i > at && text[i - 1] != 'x' && isalpha((unsigned char)text[i - 1]);
        if (!digits || digits > 6 || in_name) {
            continue;
        }
        unsigned long long number = strtoull(text + i, NULL, 10);
        for (int bits = 32; bits <= 64; bits += 32) {
            struct jl_complaint complaint = {""};
            char large[40];
            snprintf(large, sizeof large, bits == 32 ? "%llu" : "1844674407%010llu",
                     number + (bits == 32 ? 4294967296 : 3709551616));
            snprintf(changed, sizeof changed, "%.*s%s%s", (int)i, text, large, text + i + digits);
            test_row("%s, byte %zu, %s", name, i, large);
            /* What a sheet has read cannot be compared: there no such number is right. */
            if (read(name, changed, &complaint)) {
                EXPECT(object && memcmp(object, as_written, object_bytes) != 0);
            }
        }
    }
}

/* All changes of a word from `at` on that has so many bytes, of a line from `line` on. */
static void change_word(reader read, const char *name, const char *text, size_t at, size_t length,
                        size_t line, size_t line_length) {
    static const char *const others[] = {"",   "zzz", "-1", "99999999999", "0",
                                         "\"", "\\",  "=",  "\x01"};
    static char changed[2 * MOST_TEXT];
    for (size_t i = 0; i < sizeof others / sizeof others[0]; i++) {
        snprintf(changed, sizeof changed, "%.*s%s%s", (int)at, text, others[i], text + at + length);
        test_row("%s, byte %zu, \"%s\"", name, at, others[i]);
        try(read, name, changed);
    }
    bool quoted = memchr(text + line, '"', at + length - line) != NULL;
    if (object || (read == read_screen && !quoted)) {
        wrap_numbers(read, name, text, at, length);
    }
    if (at == line) {
        snprintf(changed, sizeof changed, "%.*s%.*s\n%s", (int)line, text, (int)line_length,
                 text + line, text + line);
        test_row("%s, byte %zu, the line twice", name, at);
        try(read, name, changed);
        snprintf(changed, sizeof changed, "%.*s%s", (int)line, text, text + line + line_length);
        test_row("%s, byte %zu, the line left out", name, at);
        try(read, name, changed);
        snprintf(changed, sizeof changed, "%.*s", (int)(line + line_length / 2), text);
        test_row("%s, cut off in the line at byte %zu", name, at);
        try(read, name, changed);
    }
}

/* One word of so many, or of four times as many; all at night. */
static void slip(reader read, const char *name, const char *text, int one_of) {
    struct jl_complaint complaint = {""};
    int word = 0;
    int skip = one_of > 1 && test_cases(100) < 100 ? one_of * (test_turn(1) ? 1 : 4) : 1;
    test_row("%s", name);
    if (!EXPECT(read(name, text, &complaint))) {
        printf("    %s\n", complaint.text);
        return;
    }
    if (object && EXPECT(object_bytes <= sizeof as_written)) {
        memcpy(as_written, object, object_bytes);
    }
    for (size_t line = 0; text[line];) {
        size_t line_length = strcspn(text + line, "\n");
        for (size_t at = line; at < line + line_length;) {
            size_t length = strcspn(text + at, " \n");
            const char *comment = memchr(text + line, ';', at - line);
            if (length && !comment && word++ % skip == 0) {
                change_word(read, name, text, at, length, line, line_length);
            }
            at += length + 1;
        }
        line += line_length + (text[line + line_length] == '\n');
    }
}

static bool read_file(const char *path, char *text) {
    FILE *file = fopen(path, "r");
    size_t count = file ? fread(text, 1, MOST_TEXT - 1, file) : 0;
    text[count] = '\0';
    if (file) {
        fclose(file);
    }
    return EXPECT(count > 0 && count < MOST_TEXT - 1);
}

static void begin(void) {
    refused = taken = 0;
}

static void slips_in_cards(void) {
    static char text[MOST_TEXT];
    DIR *folder = opendir(CARDS);
    int files = 0;
    begin();
    for (const struct dirent *entry; EXPECT(folder != NULL) && (entry = readdir(folder)) != NULL;) {
        char path[1000];
        snprintf(path, sizeof path, CARDS "/%s", entry->d_name);
        if (strstr(entry->d_name, ".card") && read_file(path, text)) {
            slip(read_card, path, text, 7);
            files++;
        }
    }
    if (folder) {
        closedir(folder);
    }
    EXPECT(files > 80);
    printf("    %d refused, %d taken\n", refused, taken);
    EXPECT(refused > 1000 && taken > 200); /* names may be others, and lines may be left out */
}

static void slips_in_scripts_of_hands(void) {
    begin();
    slip(read_hands, "all.hands",
         "0.50 s tap 120 200\n1.00 s press 40 200\n1.60 s slide 200 200\n1.70 s lift\n"
         "2.00 s press 60 60 finger 1\n2.5 s lift finger 1\n3.00 s key ok\n3.50 s turn -2\n"
         "4000 ms look the gate opens\n5 s key 4\n",
         1);
    EXPECT(refused > 150 && taken > 50);
}

static void slips_in_screen_sheets(void) {
    static char text[MOST_TEXT];
    begin();
    if (read_file(SCREENS "/everything.screen", text)) {
        slip(read_screen, SCREENS "/everything.screen", text, 9);
    }
    if (read_file(DEMO "/screens/quay-gauge.screen", text)) {
        slip(read_screen, DEMO "/screens/quay-gauge.screen", text, 3);
    }
    EXPECT(refused > 100 && taken > 8);
}

static void slips_in_wake_up_sequences(void) {
    static const char *const texts[] = {
        "C 11\nwait 120\nC 3A 55\nC 36 00\nC 29\n",
        ("static const uint8_t init[] = {\n  0x11, 0x80, 120,\n  0x3A, 1, 0x55,\n  0x36, 1, 0x00,\n"
         "  0x29, 0,\n  0x00 };\n"),
        "{0x3A, {0x55}, 1, 0},\n{0x36, {0x00}, 1, 0},\n{0x11, {0}, 0, 120},\n",
        "write_command(0x11);\ndelay(120);\nwrite_command(0x3A);\nwrite_data(0x55);\n",
    };
    begin();
    for (size_t i = 0; i < sizeof texts / sizeof texts[0]; i++) {
        struct jl_complaint complaint = {""};
        if (read_steps("init.txt", texts[i], &complaint)) {
            slip(read_steps, "init.txt", texts[i], 1);
        }
    }
    EXPECT(refused > 20 && taken > 20);
}

/* A start, 78 00 AF with their acknowledgements, a stop: bit by bit. */
static void write_transfer(char *text, const char *low, const char *high, bool csv) {
    static const uint8_t bytes[] = {0x78, 0x00, 0xAF};
    int at = 10;
#define EDGE(scl, sda)                                                                             \
    (csv ? sprintf(text + strlen(text), "%d,%d,%d\n", at += 10, scl, sda)                          \
         : sprintf(text + strlen(text), "#%d\n%c%s\n%c%s\n", at += 10, (scl) + '0', low,           \
                   (sda) + '0', high))
    EDGE(1, 1);
    EDGE(1, 0);
    for (size_t i = 0; i < sizeof bytes; i++) {
        for (int bit = 8; bit >= 0; bit--) {
            int sda = bit ? bytes[i] >> (bit - 1) & 1 : 0;
            EDGE(0, sda);
            EDGE(1, sda);
        }
    }
    EDGE(0, 0);
    EDGE(1, 0);
    EDGE(1, 1);
}

static void slips_in_captures(void) {
    static char vcd[MOST_TEXT], csv[MOST_TEXT];
    char path[500];
    begin();
    shell_begin();
    strcpy(vcd, "$date today $end\n$comment an OLED $end\n$timescale 1 us $end\n"
                "$scope module board $end\n$var wire 1 ! scl $end\n$var wire 1 \" sda $end\n"
                "$var reg 8 % bus [7:0] $end\n$var real 64 & volts $end\n$upscope $end\n"
                "$enddefinitions $end\n#0\n$dumpvars\n1!\n1\"\nb00000000 %\nr3.3 &\n$end\n");
    write_transfer(vcd, "!", "\"", false);
    snprintf(path, sizeof path, "%s", shell_path("slip.vcd"));
    slip(read_capture, path, vcd, 2);
    struct jl_complaint complaint = {""};
    EXPECT(read_capture(path, vcd, &complaint));
    EXPECT_INT(commands, 1);
    strcpy(csv, "time_us,scl,sda\n");
    write_transfer(csv, "", "", true);
    snprintf(path, sizeof path, "%s", shell_path("slip.csv"));
    slip(read_capture, path, csv, 1);
    EXPECT(read_capture(path, csv, &complaint));
    EXPECT_INT(commands, 1);
    EXPECT(refused > 100 && taken > 300);
    shell_end();
}

const struct test_group test_groups[] = {
    {"slips_in_cards", slips_in_cards},
    {"slips_in_scripts_of_hands", slips_in_scripts_of_hands},
    {"slips_in_screen_sheets", slips_in_screen_sheets},
    {"slips_in_wake_up_sequences", slips_in_wake_up_sequences},
    {"slips_in_captures", slips_in_captures},
    {NULL, NULL},
};
