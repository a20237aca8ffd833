/* The judge of wake-up sequences: silent on what works, and right about what does not. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/check.h"
#include "shell.h"

/*
 * Sequences as application notes have them: steps parted by "|", bytes in hexadecimal, ~N waits N
 * ms, "clear" for the pixels of a clearing.
 */
static const struct base {
    const char *name, *head, *steps;
} bases[] = {
    {"ssd1306", "ssd1306|128 x 64|i2c|address = 0x3C\nclock = 400 kHz",
     "AE|D5 80|A8 3F|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|DB 20|A4|A6|2E|21 00 7F|"
     "22 00 07|clear|AF|~100"},
    {"ssd1306-32", "ssd1306|128 x 32|i2c|address = 0x3C\nclock = 400 kHz",
     "AE|D5 80|A8 1F|D3 00|40|8D 14|20 00|A1|C8|DA 02|81 8F|D9 F1|DB 20|A4|A6|2E|21 00 7F|"
     "22 00 03|clear|AF"},
    {"ssd1309", "ssd1309|128 x 64|spi|clock = 10 MHz",
     "FD 12|AE|D5 A0|A8 3F|D3 00|40|20 00|A1|C8|DA 12|81 7F|D9 82|DB 34|A4|A6|21 00 7F|22 00 07|"
     "clear|AF|~100"},
    {"sh1106", "sh1106|128 x 64|i2c|address = 0x3C\nclock = 400 kHz",
     "AE|D5 80|A8 3F|D3 00|40|AD 8B|32|A1|C8|DA 12|81 80|D9 22|DB 35|A4|A6|clear|AF|~100"},
    {"ssd1327", "ssd1327|128 x 128|spi|clock = 10 MHz",
     "FD 12|AE|15 00 3F|75 00 7F|81 80|A0 51|A1 00|A2 00|A4|A8 7F|B1 F1|B3 00|AB 01|B6 0F|BE 0F|"
     "BC 08|D5 62|clear|AF|~200"},
    {"ssd1351", "ssd1351|128 x 128|spi|clock = 10 MHz",
     "FD 12|FD B1|AE|B3 F1|CA 7F|A0 74|15 00 7F|75 00 7F|A1 00|A2 00|B5 00|AB 01|B1 32|"
     "B4 A0 B5 55|BB 17|BE 05|C1 C8 80 C8|C7 0F|B6 01|A6|clear|AF|~200"},
    {"pcd8544", "pcd8544|84 x 48|spi|clock = 4 MHz", "21|C0|04|13|20|80|40|clear|0C"},
    {"st7565", "st7565|128 x 64|spi|clock = 10 MHz",
     "A2|A0|C8|40|25|81 20|2C|~50|2E|~50|2F|~10|A4|A6|clear|AF"},
    {"st7735", "st7735|128 x 160|spi|clock = 15 MHz",
     "01|~150|11|~120|B1 01 2C 2D|B2 01 2C 2D|B3 01 2C 2D 01 2C 2D|B4 07|C0 A2 02 84|C1 C5|"
     "C2 0A 00|C3 8A 2A|C4 8A EE|C5 0E|20|36 00|3A 05|13|clear|29|~100"},
    {"st7789", "st7789|240 x 240|spi|clock = 15 MHz\n[glass]\nips = yes",
     "01|~150|11|~120|3A 55|36 00|B2 0C 0C 00 33 33|B7 35|BB 19|C0 2C|C2 01|C3 12|C4 20|C6 0F|"
     "D0 A4 A1|21|13|clear|29"},
    {"ili9341",
     "ili9341|240 x 320|spi|clock = 10 MHz\n[glass]\nmounting = mirrored-x\norder = swapped",
     "01|~120|C0 23|C1 10|C5 3E 28|C7 86|36 48|3A 55|B1 00 18|B6 08 82 27|26 01|11|~120|clear|29"},
    {"ili9488",
     "ili9488|320 x 480|spi|clock = 15 MHz\n[glass]\nmounting = mirrored-x\norder = swapped",
     "~120|C0 17 15|C1 41|C5 00 12 80|36 48|3A 66|B0 80|B1 A0|B4 02|B6 02 02 3B|B7 "
     "C6|11|~120|clear|29|"
     "~25"},
};
enum { BASES = sizeof bases / sizeof bases[0] };

/* What was done to a sequence, and what must be said of it. */
static const struct sabotage {
    const char *base, *was, *is; /* `is` empty: the step is left out; "+X" behind it */
    enum jl_check_grade grade;
    const char *says;
} sabotages[] = {
    {"ssd1306", "8D 14", "", JL_CHECK_DARK, "charge pump"},
    {"ssd1306", "8D 14", "8D 10", JL_CHECK_DARK, "charge pump"},
    {"ssd1306", "AF", "", JL_CHECK_DARK, "AF"},
    {"ssd1306", "AF", "AE", JL_CHECK_DARK, "AF"},
    {"ssd1306", "A8 3F", "A8 1F", JL_CHECK_WRONG, "rows"},
    {"ssd1306", "DA 12", "DA 02", JL_CHECK_WRONG, "COM"},
    {"ssd1306", "D3 00", "D3 10", JL_CHECK_WRONG, ""},
    {"ssd1306", "40", "50", JL_CHECK_WRONG, ""},
    {"ssd1306", "A1", "A0", JL_CHECK_WRONG, "mirrored"},
    {"ssd1306", "C8", "C0", JL_CHECK_WRONG, ""},
    {"ssd1306", "A4", "A5", JL_CHECK_WRONG, "A4"},
    {"ssd1306", "A6", "A7", JL_CHECK_WRONG, "invert"},
    {"ssd1306", "clear", "", JL_CHECK_WRONG, "noise"},
    {"ssd1306", "D9 F1", "D9", JL_CHECK_WRONG, ""},
    {"ssd1306", "AE", "AE|AD 8B", JL_CHECK_WRONG, "sh1106"},
    {"ssd1306", "AE", "AE|AF", JL_CHECK_MARGINAL, "before"},
    {"ssd1306", "81 CF", "81 CF|81 10", JL_CHECK_WASTEFUL, "only the last one counts"},
    {"ssd1306", "81 CF", "81 CF|81 CF", JL_CHECK_WASTEFUL, "set the same already"},
    {"ssd1306", "A6", "A6|~500", JL_CHECK_WASTEFUL, "need none"},
    {"ssd1306-32", "DA 02", "DA 12", JL_CHECK_WRONG, "COM"},
    {"ssd1306-32", "A8 1F", "A8 3F", JL_CHECK_WRONG, ""},
    {"ssd1309", "FD 12", "FD 16", JL_CHECK_DARK, ""},
    {"ssd1309", "A1", "A0", JL_CHECK_WRONG, "mirrored"},
    {"ssd1309", "AF", "", JL_CHECK_DARK, "AF"},
    {"sh1106", "AD 8B", "AD 8A", JL_CHECK_DARK, ""},
    {"sh1106", "AD 8B", "8D 14", JL_CHECK_WRONG, "8D"},
    {"sh1106", "A8 3F", "20 00", JL_CHECK_WRONG, "20"},
    {"sh1106", "C8", "C0", JL_CHECK_WRONG, ""},
    {"ssd1327", "FD 12", "FD 16", JL_CHECK_DARK, "locked"},
    {"ssd1327", "A0 51", "A0 42", JL_CHECK_WRONG, ""},
    {"ssd1327", "A8 7F", "A8 3F", JL_CHECK_WRONG, ""},
    {"ssd1327", "A4", "A7", JL_CHECK_WRONG, "invert"},
    {"ssd1351", "FD B1", "", JL_CHECK_WRONG, "FD B1"},
    {"ssd1351", "A2 00", "", JL_CHECK_WRONG, ""},
    {"ssd1351", "A0 74", "A0 70", JL_CHECK_WRONG, ""},
    {"ssd1351", "CA 7F", "CA 5F", JL_CHECK_WRONG, ""},
    {"ssd1351", "A6", "A7", JL_CHECK_WRONG, "invert"},
    {"pcd8544", "0C", "0D", JL_CHECK_WRONG, "invert"},
    {"pcd8544", "0C", "08", JL_CHECK_DARK, ""},
    {"pcd8544", "C0", "90", JL_CHECK_DARK, ""},
    {"pcd8544", "C0", "FF", JL_CHECK_DARK, ""},
    {"pcd8544", "20", "24", JL_CHECK_DARK, ""},
    {"st7565", "2F", "", JL_CHECK_DARK, ""},
    {"st7565", "~50", "", JL_CHECK_MARGINAL, "waits up to 50 ms"},
    {"st7565", "C8", "C0", JL_CHECK_WRONG, ""},
    {"st7565", "81 20", "81 00", JL_CHECK_DARK, ""},
    {"st7565", "A4", "A5", JL_CHECK_WRONG, ""},
    {"st7735", "11", "", JL_CHECK_DARK, "sleep"},
    {"st7735", "~120", "~2", JL_CHECK_DARK, "118.00 ms too early"},
    {"st7735", "29", "", JL_CHECK_DARK, "29"},
    {"st7735", "36 00", "36 08", JL_CHECK_WRONG, "red and blue"},
    {"st7735", "36 00", "36 40", JL_CHECK_WRONG, "mirrored"},
    {"st7735", "3A 05", "3A 03", JL_CHECK_WRONG, ""},
    {"st7735", "20", "21", JL_CHECK_WRONG, "invert"},
    {"st7735", "13", "12", JL_CHECK_WRONG, ""},
    {"st7789", "21", "", JL_CHECK_WRONG, "invert"},
    {"st7789", "11", "", JL_CHECK_DARK, "sleep"},
    {"st7789", "~150", "~1", JL_CHECK_DARK, "4.00 ms too early"},
    {"st7789", "3A 55", "3A 66", JL_CHECK_WRONG, ""},
    {"st7789", "3A 55", "", JL_CHECK_WRONG, ""},
    {"st7789", "36 00", "36 60", JL_CHECK_WRONG, ""},
    {"st7789", "29", "28", JL_CHECK_DARK, ""},
    {"st7789", "B7 35", "B7 35|10", JL_CHECK_DARK, ""},
    {"st7789", "36 00", "36 00|36 08", JL_CHECK_WRONG, "red and blue"},
    {"st7789", "B7 35", "B7 35|39", JL_CHECK_WRONG, ""},
    {"ili9341", "36 48", "36 40", JL_CHECK_WRONG, "red and blue"},
    {"ili9341", "36 48", "36 08", JL_CHECK_WRONG, "mirrored"},
    {"ili9341", "3A 55", "", JL_CHECK_WRONG, ""},
    {"ili9341", "11", "", JL_CHECK_DARK, ""},
    {"ili9341", "26 01", "26 01|21", JL_CHECK_WRONG, "invert"},
    {"ili9488", "3A 66", "3A 55", JL_CHECK_WRONG, ""},
    {"ili9488", "36 48", "36 28", JL_CHECK_WRONG, ""},
    {"ili9488", "29", "", JL_CHECK_DARK, ""},
};

/* A card with a sequence, of which one step may be another one. */
static bool make_card(const struct base *base, const struct sabotage *sabotage,
                      struct jl_card *card) {
    char text[4000], head[300];
    struct jl_complaint complaint = {""};
    snprintf(head, sizeof head, "%s", base->head);
    const char *controller = strtok(head, "|"), *size = strtok(NULL, "|"), *bus = strtok(NULL, "|"),
               *rest = strtok(NULL, "");
    const char *more = strstr(rest, "\n[glass]\n");
    int length = snprintf(text, sizeof text,
                          "[panel]\ncontroller = %s\n[glass]\nsize = %s pixels\n%s\n[bus]\nkind = "
                          "%s\n%.*s\n[pins]\nreset = wired\n[wake]\n",
                          controller, size, more ? more + 9 : "", bus,
                          (int)(more ? more - rest : (int)strlen(rest)), rest);
    bool done = false;
    char steps[900];
    snprintf(steps, sizeof steps, "%s", base->steps);
    for (char *step = steps, *next; step; step = next) {
        next = strchr(step, '|');
        if (next) {
            *next++ = '\0';
        }
        bool mine = sabotage && !done && strcmp(step, sabotage->was) == 0;
        done |= mine;
        char changed[900];
        snprintf(changed, sizeof changed, "%s", mine ? sabotage->is : step);
        for (char *one = changed, *after; *one; one = after) {
            after = strchr(one, '|');
            after = after ? (*after = '\0', after + 1) : one + strlen(one);
            const char *kind = *one == '~' ? "wait " : strcmp(one, "clear") == 0 ? "" : "send ";
            length += snprintf(text + length, sizeof text - (size_t)length, "step = %s%s%s\n", kind,
                               *one == '~' ? one + 1 : one, *one == '~' ? " ms" : "");
        }
    }
    EXPECT(!sabotage || done);
    bool good = jl_card_read_text("case", text, (size_t)length, card, &complaint);
    if (!EXPECT(good)) {
        printf("%s\n%s\n", complaint.text, text);
    }
    return good;
}

static void print_findings(const struct jl_check *check) {
    for (size_t i = 0; i < check->count; i++) {
        const struct jl_check_finding *finding = &check->findings[i];
        printf("      %s, step %d %s: %s\n", jl_check_grade_name(finding->grade), finding->step,
               finding->command, finding->reason);
    }
}

static void silent_on_what_works(void) {
    static struct jl_card card;
    static struct jl_check check;
    struct jl_complaint complaint = {""};
    for (int i = 0; i < BASES; i++) {
        test_row("%s", bases[i].name);
        if (make_card(&bases[i], NULL, &card) && EXPECT(jl_check_card(&card, &check, &complaint))) {
            EXPECT_INT((long long)check.found, 0);
            EXPECT(check.commands > 5);
            print_findings(&check);
        }
    }
}

static void expect_silence(void *context, const char *name, const char *path) {
    static struct jl_card card;
    static struct jl_check check;
    struct jl_complaint complaint = {""};
    ++*(int *)context;
    test_row("%s", name);
    EXPECT(jl_card_read(path, &card, &complaint) && jl_check_card(&card, &check, &complaint));
    EXPECT_INT((long long)check.found, 0);
    print_findings(&check);
}

static void silent_on_every_card(void) {
    int cards = 0;
    EXPECT(jl_share_cards("cards", expect_silence, &cards));
    EXPECT(cards > 40);
    EXPECT(jl_share_cards("demo/cards", expect_silence, &cards));
}

/* The worst finding has the grade, and one says what it is. */
static void sabotages_are_noticed(void) {
    static struct jl_card card;
    static struct jl_check check;
    struct jl_complaint complaint = {""};
    for (size_t i = 0; i < sizeof sabotages / sizeof sabotages[0]; i++) {
        const struct sabotage *one = &sabotages[i];
        const struct base *base = bases;
        while (strcmp(base->name, one->base) != 0) {
            base++;
        }
        test_row("%s: %s -> %s", one->base, one->was, one->is);
        if (!make_card(base, one, &card) || !EXPECT(jl_check_card(&card, &check, &complaint))) {
            continue;
        }
        bool said = false, good = check.count > 0;
        for (size_t k = 0; k < check.count; k++) {
            said |= strstr(check.findings[k].reason, one->says) != NULL;
            EXPECT(check.findings[k].remedy && *check.findings[k].remedy);
        }
        good = EXPECT(good) && EXPECT_INT(check.findings[0].grade, one->grade) && EXPECT(said);
        if (!good) {
            print_findings(&check);
        }
    }
}

/* Each sequence is understood best by the part it is for, or by one that has all of it, too. */
static void sequences_name_their_part(void) {
    static struct jl_card card;
    static struct jl_rank ranks[JL_RANKS];
    struct jl_complaint complaint = {""};
    for (int i = 0; i < BASES; i++) {
        char name[20];
        snprintf(name, sizeof name, "%.*s", (int)strcspn(bases[i].head, "|"), bases[i].head);
        test_row("%s", bases[i].name);
        if (!make_card(&bases[i], NULL, &card)) {
            continue;
        }
        int count = jl_rank_controllers(&card, NULL, ranks, &complaint);
        EXPECT(count > 3);
        EXPECT_TEXT(ranks[0].controller->name, name);
        EXPECT_INT(ranks[0].understood, ranks[0].commands);
        EXPECT(ranks[count - 1].understood < ranks[count - 1].commands);
        EXPECT(ranks[count - 1].strange_count > 0);
    }
    /* What is taken for another part: its own is named, and what speaks against the other. */
    EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
    int all = jl_rank_controllers(&card, NULL, ranks, &complaint);
    bool other = false;
    for (int i = 0; i < all; i++) {
        if (strcmp(ranks[i].controller->name, "sh1106") == 0) {
            other = true;
            EXPECT(memchr(ranks[i].strange, 0x8D, (size_t)ranks[i].strange_count) != NULL);
            EXPECT(memchr(ranks[i].strange, 0x20, (size_t)ranks[i].strange_count) != NULL);
        }
    }
    EXPECT(other);
}

static void the_command_judges(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {" check st7789-240x240-spi", 0, "nothing to object to"},
        {" check ssd1306-128x64-i2c --json", 0, "\"found\":\t0"},
        {" check hd44780-16x2-4bit", 0, "nothing to object to"},
        {" check ssd1306-128x64-i2c --rank", 0, "sh1106"},
        {" check ssd1306-128x64-i2c --rank --json", 0, "\"understood\""},
        {" check hd44780-16x2-4bit --rank", 2, "no commands that tell controllers apart"},
        {" light sh1106-128x64-i2c >/dev/null; sed 's/sh1106/ssd1306/; /^first-column/d' " CARDS
         "/sh1106-128x64-i2c.card >other.card; " JADELAMP
         " check other.card --rank --capture sh1106-128x64-i2c.vcd",
         1, "which controllers understand"},
        {" check no-such", 2, "no-such"},
        {" check", 2, "name a card"},
        {" check a b", 2, "one argument too many"},
        {" check ssd1306-128x64-i2c --capture /no/such.vcd", 2, "/no/such.vcd"},
        {" light ssd1306-128x64-i2c >/dev/null && " JADELAMP
         " check ssd1306-128x64-i2c --capture ssd1306-128x64-i2c.vcd",
         0, "nothing to object to"},
        {" light ssd1306-128x64-i2c --glass sh1106-128x64-i2c >/dev/null; " JADELAMP
         " check sh1106-128x64-i2c --capture ssd1306-128x64-i2c.vcd",
         1, "-> use that part's driver or card"},
        {" light ssd1306-128x64-i2c --glass sh1106-128x64-i2c >/dev/null; " JADELAMP
         " check sh1106-128x64-i2c --capture ssd1306-128x64-i2c.vcd --json",
         1, "\"code\":\t\"relative\""},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[800];
        snprintf(line, sizeof line, "%s%s", JADELAMP, rows[i].line);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"silent_on_what_works", silent_on_what_works},
    {"silent_on_every_card", silent_on_every_card},
    {"sabotages_are_noticed", sabotages_are_noticed},
    {"sequences_name_their_part", sequences_name_their_part},
    {"the_command_judges", the_command_judges},
    {NULL, NULL},
};
