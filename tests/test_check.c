/* The judge of wake-up sequences: silent on what works, and right about what does not. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "check_cases.h"
#include "shell.h"

/* A step of a card, of what stands between two bars. */
static int write_step(char *text, size_t room, const char *one) {
    if (*one == '~') {
        return snprintf(text, room, "step = wait %s ms\n", one + 1);
    }
    const char *kind = strcmp(one, "clear") == 0 || strncmp(one, "pulse", 5) == 0 ? ""
                       : strncmp(one, "busy", 4) == 0                             ? "wait "
                                                                                  : "send ";
    return snprintf(text, room, "step = %s%s%s\n", kind, one, *kind == 'w' ? " 400 ms" : "");
}

/* A card with a sequence, of which one step may be another one. */
static bool make_card(const struct check_base *base, const struct sabotage *sabotage,
                      struct jl_card *card) {
    static char text[6000];
    char steps[2000];
    struct jl_complaint complaint = {""};
    const struct jl_catalog_entry *part = jl_catalog_find(base->controller);
    bool cells = part && !part->driver;
    bool reset = !cells && strncmp(base->bus, "st7920", 6) != 0;
    int length = snprintf(text, sizeof text,
                          "[panel]\ncontroller = %s\n%s\n[glass]\nsize = %s %s\n%s\n[bus]\n"
                          "kind = %s\n%s\n%s[wake]\n",
                          base->controller, base->panel_lines, base->size,
                          cells ? "cells" : "pixels", base->glass_lines, base->bus, base->bus_lines,
                          reset ? "[pins]\nreset = wired\n" : "");
    bool done = false;
    snprintf(steps, sizeof steps, "%s", base->steps);
    for (char *step = steps, *next; step; step = next) {
        next = strchr(step, '|');
        if (next) {
            *next++ = '\0';
        }
        bool mine = sabotage && !done && strcmp(step, sabotage->was) == 0;
        done |= mine;
        char changed[2000];
        snprintf(changed, sizeof changed, "%s", mine ? sabotage->is : step);
        for (char *one = changed, *after; *one; one = after) {
            after = strchr(one, '|');
            after = after ? (*after = '\0', after + 1) : one + strlen(one);
            length += write_step(text + length, sizeof text - (size_t)length, one);
        }
    }
    EXPECT(!sabotage || done);
    return test_check(jl_card_read_text("case", text, (size_t)length, card, &complaint), __FILE__,
                      __LINE__, "%s\n%s", complaint.text, text);
}

static void print_findings(const struct jl_check_result *check) {
    for (size_t i = 0; i < check->count; i++) {
        const struct jl_check_finding *finding = &check->findings[i];
        printf("      %s, step %d %s: %s\n        -> %s\n", jl_check_grade_name(finding->grade),
               finding->step, finding->command, finding->reason, finding->remedy);
    }
}

static void silent_on_what_works(void) {
    static struct jl_card card;
    static struct jl_check_result check;
    struct jl_complaint complaint = {""};
    for (size_t i = 0; i < check_base_count; i++) {
        test_row("%s", check_bases[i].name);
        if (make_card(&check_bases[i], NULL, &card) &&
            EXPECT(jl_check_card(&card, &check, &complaint))) {
            EXPECT_INT((long long)check.found, 0);
            EXPECT(check.commands > 5);
            print_findings(&check);
        }
    }
}

static void expect_silence(void *context, const char *name, const char *path) {
    static struct jl_card card;
    static struct jl_check_result check;
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

/* Whether it is the one that the sabotage was for: its command, if it has one, and its reason. */
static bool is_meant(const struct jl_check_finding *finding, const struct sabotage *one) {
    return finding->grade == one->grade && strstr(finding->reason, one->says) &&
           strncmp(finding->command, one->step, strlen(one->step)) == 0;
}

/* The worst finding has the grade, and one of them blames the right command for the right reason.
 */
static void sabotages_are_noticed(void) {
    static struct jl_card card;
    static struct jl_check_result check;
    struct jl_complaint complaint = {""};
    for (size_t i = 0; i < sabotage_count; i++) {
        const struct sabotage *one = &sabotages[i];
        if (!test_turn((long)i)) {
            continue;
        }
        const struct check_base *base = check_bases;
        while (strcmp(base->name, one->base) != 0) {
            base++;
        }
        test_row("%s: %s -> %s", one->base, one->was, one->is);
        if (!make_card(base, one, &card) || !EXPECT(jl_check_card(&card, &check, &complaint))) {
            continue;
        }
        bool meant = false;
        for (size_t k = 0; k < check.count; k++) {
            meant |= is_meant(&check.findings[k], one);
            EXPECT(*check.findings[k].remedy);
        }
        bool good = EXPECT(check.count > 0) && EXPECT_INT(check.findings[0].grade, one->grade) &&
                    EXPECT(meant);
        if (!good) {
            print_findings(&check);
        }
    }
}

/* ---- changes by chance ---- */

/* Leaves a step out, or turns one bit of it around; not a wait, and not a clearing. */
static bool change_step(struct test_random *random, const char *step, char *changed, size_t size) {
    unsigned bytes[80];
    int count = 0, at = 0, length;
    while (count < 80 && sscanf(step + at, "%2x%n", &bytes[count], &length) == 1) {
        at += length;
        at += step[at] == ' ';
        count++;
    }
    if (!count || step[at]) {
        return false;
    }
    changed[0] = '\0';
    if (test_random_between(random, 0, 3) == 0) {
        return true;
    }
    int which = count > 1 ? test_random_between(random, 1, count - 1) : 0;
    bytes[which] ^= 1u << test_random_between(random, 0, 7);
    for (int i = 0, out = 0; i < count; i++) {
        out += snprintf(changed + out, size - (size_t)out, "%s%02X", i ? " " : "", bytes[i]);
    }
    return true;
}

/* What the glass shows wrong, or not at all. */
static bool is_seen(const struct jl_check_result *check) {
    for (size_t i = 0; i < check->count; i++) {
        const char *code = check->findings[i].code;
        if (strcmp(code, "dark") == 0 || strcmp(code, "picture") == 0) {
            return true;
        }
    }
    return false;
}

/* Whether the step is blamed by its number's command; one that is left out, by what to send. Of
 * opcodes of two bytes commands are named by the second one. */
static bool is_blamed(const struct jl_check_result *check, const char *was, const char *is) {
    for (size_t i = 0; i < check->count; i++) {
        const struct jl_check_finding *finding = &check->findings[i];
        const char *blamed = *is ? finding->command : strstr(finding->remedy, "send ");
        const char *opcode = *is ? is : was;
        blamed = blamed && !*is ? blamed + 5 : blamed;
        bool two = *is && strlen(is) > 4 && strncmp(is, "00 ", 3) == 0;
        opcode += two ? 3 : 0;
        if (finding->grade <= JL_CHECK_WRONG && blamed && strncmp(blamed, opcode, 2) == 0) {
            return true;
        }
    }
    return false;
}

/*
 * Steps that are changed by chance: where that makes another picture, or none, the step must be
 * blamed. What was changed is known here; whether it can be seen is what the emulated part shows.
 */
static void the_changed_step_is_blamed(void) {
    static struct jl_card card;
    static struct jl_check_result check;
    struct jl_complaint complaint = {""};
    struct test_random random = {20261128};
    int seen = 0, blamed = 0, cases = test_cases(1200);
    for (int i = 0; i < cases; i++) {
        const struct check_base *base =
            &check_bases[test_random_between(&random, 0, (int)check_base_count - 1)];
        char steps[2000], changed[300], *which = steps;
        snprintf(steps, sizeof steps, "%s", base->steps);
        for (int skip = test_random_between(&random, 0, 30); skip && strchr(which, '|'); skip--) {
            which = strchr(which, '|') + 1;
        }
        which[strcspn(which, "|")] = '\0';
        if (!change_step(&random, which, changed, sizeof changed)) {
            continue;
        }
        const struct sabotage one = {.base = base->name, .was = which, .is = changed};
        test_row("%s: %s -> %s", one.base, one.was, one.is);
        if (make_card(base, &one, &card) && EXPECT(jl_check_card(&card, &check, &complaint)) &&
            is_seen(&check)) {
            seen++;
            if (is_blamed(&check, which, changed)) {
                blamed++;
            } else {
                printf("  not blamed: %s: %s -> %s\n", one.base, one.was, one.is);
                print_findings(&check);
            }
        }
    }
    test_row("all");
    printf("  %d changes, %d of which can be seen; the step is blamed for %d, %.1f %%\n", cases,
           seen, blamed, 100.0 * blamed / seen);
    EXPECT(seen > cases / 8);
    EXPECT(100 * blamed >= 98 * seen);
}

/* Each sequence is understood best by the part it is for, or by one that has all of it, too. */
static void sequences_name_their_part(void) {
    static struct jl_card card;
    static struct jl_rank ranks[JL_RANKS];
    struct jl_complaint complaint = {""};
    for (size_t i = 0; i < check_base_count; i++) {
        const char *name = check_bases[i].controller;
        test_row("%s", check_bases[i].name);
        if (!make_card(&check_bases[i], NULL, &card) || card.cells.bus) {
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

/* Cards without a controller. */
#define UNNAMED(size, bus, rest)                                                                   \
    "printf '[glass]\\nsize = " size " pixels\\n[bus]\\nkind = " bus "\\n" rest                    \
    "' >unnamed.card; " JADELAMP " check unnamed.card "

static void the_command_judges(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {UNNAMED("240 x 240", "spi",
                 "[wake]\\nstep = send 11\\nstep = wait 120 ms\\nstep = send B2 0C 0C 00 33 33\\n"
                 "step = send BB 19\\nstep = send D0 A4 A1\\nstep = send 29\\n") "--rank",
         0, "what is sent\n  st7789       5 of    5 commands\n"},
        {UNNAMED("128 x 64", "i2c",
                 "address = 0x3C\\n[wake]\\nstep = send AE\\nstep = send AD 8B\\nstep = send 33\\n"
                 "step = send AF\\n") "--rank",
         0, "what is sent\n  sh1106       4 of    4 commands\n"},
        {" light sh1106-128x64-i2c >/dev/null; " UNNAMED(
             "128 x 64", "i2c", "address = 0x3C\\n") "--rank --capture sh1106-128x64-i2c.vcd",
         0, "what is sent\n  sh1106 "},
        {UNNAMED("128 x 64", "i2c", "address = 0x3C\\n") "--rank", 2, "nothing to rank by"},
        {UNNAMED("128 x 64", "i2c", "address = 0x3C\\n") "2>&1", 2,
         "the card ends without controller in [panel], such as controller = ssd1306; jadelamp "
         "check --rank"},
        {UNNAMED("1280 x 640", "i2c", "address = 0x3C\\n") "--rank", 2, "1280 x 640 pixels"},
        {UNNAMED("128 x 64", "i2c",
                 "address = 0x3C\\n[wake]\\nstep = send display off\\n") "--rank",
         2, "needs the controller"},
        {" check st7789-240x240-spi", 0, "nothing to object to"},
        {" light ili9341-240x320-spi >/dev/null; sed 's/clock = 10 MHz/clock = 40 MHz/' " CARDS
         "/ili9341-240x320-spi.card >fast.card; " JADELAMP " check fast.card",
         1, "SPI clock 40.00 MHz, the datasheet allows 10.00 MHz"},
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
        bool whole = rows[i].line[0] != ' ';
        snprintf(line, sizeof line, "%s%s", whole ? "" : JADELAMP, rows[i].line);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"silent_on_what_works", silent_on_what_works},
    {"silent_on_every_card", silent_on_every_card},
    {"sabotages_are_noticed", sabotages_are_noticed},
    {"the_changed_step_is_blamed", the_changed_step_is_blamed},
    {"sequences_name_their_part", sequences_name_their_part},
    {"the_command_judges", the_command_judges},
    {NULL, NULL},
};
