/* Cards as C, and sequences as people have them as steps of a card. */
#include "harness.h"

#include <dlfcn.h>
#include <stdio.h>
#include <string.h>

#include "jadelamp/host/bake_card.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/host/wake_import.h"
#include "jadelamp/sim/explain.h"
#include "shell.h"

/* Each layout of the same short sequence, and what is wrong with others. */
static void layouts(void) {
    static const struct {
        const char *text;
        enum jl_wake_layout layout, as; /* asked for, and how it is read */
        const char *controller;
        const char *steps; /* parted by "|"; ~N waits */
    } rows[] = {
        {"11\ndelay 120\n3A 55 ; colours\n36 00\n29\n", JL_WAKE_ANY, JL_WAKE_LINES, NULL,
         "11|~120|3A 55|36 00|29"},
        {"# hex\n2A 00 00 00 EF\nwait 5\n", JL_WAKE_ANY, JL_WAKE_LINES, NULL, "2A 00 00 00 EF|~5"},
        {"static const uint8_t init[] = {\n  0x11, 0x80, 120, // sleep out\n  0x3A, 1, 0x55,\n"
         "  0x36, 1, 0x00, 0x29, 0x80, 255, };\n",
         JL_WAKE_ANY, JL_WAKE_COUNTED, NULL, "11|~120|3A 55|36 00|29|~500"},
        {"{ 3, 0x01, 0x80, 150, 0x3A, 0x81, 0x05, 10, 0x29, 0 }", JL_WAKE_ANY, JL_WAKE_COUNTED,
         NULL, "01|~150|3A 05|~10|29"},
        {"{0x36, 1, 0x48, 0x29, 0, 0}", JL_WAKE_ANY, JL_WAKE_COUNTED, NULL, "36 48|29"},
        {"static const cmd_t t[] = {\n {0x11, {0}, 0x80},\n {0x3A, {0x55}, 1},\n"
         " {0x2A, {0x00,0x00,0x00,0xEF}, 4},\n {0, {0}, 0xFF},\n};\n",
         JL_WAKE_ANY, JL_WAKE_ROWS, NULL, "11|~100|3A 55|2A 00 00 00 EF"},
        {"{{0x11, {0}, 0},\n {0x00, {0}, 0},\n {0x29, {0}, 0},\n {0xFFFF, {0}, 0}}", JL_WAKE_ROWS,
         JL_WAKE_ROWS, NULL, "11|00|29"},
        {"t x[] = { {0xC0, 2, {0x17, 0x15}}, {0x29, 0, {0x00}} };", JL_WAKE_ANY, JL_WAKE_ROWS, NULL,
         "C0 17 15|29"},
        {"  write_command(0x11);\n  delay(120); /* 29 */\n  writeCommand(0x3A);\n  "
         "writeData(0x55);\n"
         "  lcd_wr_reg(0x36); lcd_wr_data(0x48); delay_us(1500); send_cmd(0x29);\n",
         JL_WAKE_ANY, JL_WAKE_CALLS, NULL, "11|~120|3A 55|36 48|~2|29"},
        {"{0xAE, 0xD5, 0x80, 0xA8, 0x3F, 0x20, 0x00, 0xAF}", JL_WAKE_ANY, JL_WAKE_FLAT, "ssd1306",
         "AE|D5 80|A8 3F|20 00|AF"},
        {"{0x11, 0x3A, 0x55, 0x36, 0x00, 0x29}", JL_WAKE_FLAT, JL_WAKE_FLAT, "st7789",
         "11|3A 55|36 00|29"},
        {"AE\nD5 80\n", JL_WAKE_LINES, JL_WAKE_LINES, "ssd1306", "AE|D5 80"},
        {"{0x11u, 0x80UL, 120l, 0x29U, 0L}", JL_WAKE_ANY, JL_WAKE_COUNTED, NULL, "11|~120|29"},
        {"{0x36, 1, 0b01001000, 0x29, 0B0}", JL_WAKE_ANY, JL_WAKE_COUNTED, NULL, "36 48|29"},
        {"0b 3A\n29\n", JL_WAKE_ANY, JL_WAKE_LINES, NULL, "0B 3A|29"},
        {"write_command(0x11); say(\"10ms, \\\"2\\\" 0x29\"); write_command(0x29); say(\"3",
         JL_WAKE_ANY, JL_WAKE_CALLS, NULL, "11|29"},
        {"11\nwait 70000\n29\n", JL_WAKE_ANY, JL_WAKE_LINES, NULL, "11|~65535|29"},
        {"cmd(0x11); delay_ms(5); cmd(0x3A, 0x55); sleep_micro(900);", JL_WAKE_ANY, JL_WAKE_CALLS,
         NULL, "11|~5|3A 55|~1"},
        {"write_data(0x00); write_data(0x10); write_command(0x42); delay(5); write_command(0x98);",
         JL_WAKE_ANY, JL_WAKE_CALLS, "t6963c", "42 00 10|~5|98"},
        {"dat(1); paint(3); cmd(0x42, 7);", JL_WAKE_ANY, JL_WAKE_CALLS, "t6963c", "42 01 07"},
        {"{{0x11, {0}, 0x80},\n {-1, {0}, 0}}", JL_WAKE_ANY, JL_WAKE_ROWS, NULL, "11|~100"},
        {"36-48\nwait 5\n", JL_WAKE_ANY, JL_WAKE_LINES, NULL, "36 48|~5"},
        {"0x11\npaint(0x12);\ndelay(5);\n", JL_WAKE_LINES, JL_WAKE_LINES, NULL, "11|12|~5"},
        {"cmd(0x11); delay(-5); say(\"\\", JL_WAKE_ANY, JL_WAKE_CALLS, NULL, "11|~0"},
    };
    static struct jl_wake_import import;
    struct jl_complaint complaint;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char seen[400] = "";
        size_t length = 0;
        const struct jl_catalog_entry *part =
            rows[i].controller ? jl_catalog_find(rows[i].controller) : NULL;
        complaint.text[0] = '\0';
        bool good = jl_wake_import_text("x", rows[i].text, strlen(rows[i].text), rows[i].layout,
                                        part, &import, &complaint);
        test_row("%s", rows[i].text);
        if (!EXPECT(good)) {
            printf("    %s\n", complaint.text);
            continue;
        }
        for (int k = 0; k < import.count; k++) {
            const struct jl_wake_step *step = &import.steps[k];
            length += (size_t)snprintf(seen + length, sizeof seen - length, "%s", k ? "|" : "");
            if (!step->count) {
                length += (size_t)snprintf(seen + length, sizeof seen - length, "~%u",
                                           (unsigned)step->wait_ms);
            }
            for (int b = 0; b < step->count; b++) {
                length += (size_t)snprintf(seen + length, sizeof seen - length, "%s%02X",
                                           b ? " " : "", step->bytes[b]);
            }
        }
        EXPECT_TEXT(seen, rows[i].steps);
        EXPECT_INT(import.layout, rows[i].as);
    }
}

static void refuse(const char *text, enum jl_wake_layout layout,
                   const struct jl_catalog_entry *part, const char *says) {
    static struct jl_wake_import import;
    struct jl_complaint complaint = {""};
    test_row("%s", text);
    EXPECT(!jl_wake_import_text("x", text, strlen(text), layout, part, &import, &complaint));
    EXPECT_CONTAINS(complaint.text, says);
}

static void refused_sequences(void) {
    static const struct {
        const char *text;
        enum jl_wake_layout layout;
        const char *says;
    } rows[] = {
        {"", JL_WAKE_ANY, "there are no bytes"},
        {"{0x36, 1, -5, 0x29, 0}", JL_WAKE_COUNTED, "x:1: -5: expected a byte"},
        {"{0x36, -1, 5, 0x29, 0}", JL_WAKE_COUNTED, "the counts do not add up"},
        {"11\ndelay\n29\n", JL_WAKE_LINES, "x:2: delay: expected milliseconds"},
        {"{0x36, 9, 0x48}", JL_WAKE_COUNTED, "the counts do not add up"},
        {"{0xAE, 0xD5}", JL_WAKE_ANY, "say --controller"},
        {"write_data(0x36);", JL_WAKE_ANY, "x:1: write_data(): data before any command"},
        {"paint(0x36);", JL_WAKE_ANY, "write_command(0x36)"},
        {"{\n {0x136, {0}, 0},\n}", JL_WAKE_CALLS, "write_command(0x36)"},
        {"{0x36, 1, 12x00}", JL_WAKE_ANY, "x:1: 12x00: expected a whole number, such as 0x3A, 58"},
        {"{0x36, 1, 0b012}", JL_WAKE_ANY, "x:1: 0b012: expected a whole number"},
        {"write_command(0x11);\ndelay(120ms);", JL_WAKE_ANY, "x:2: 120ms: expected a whole number"},
        {"write_command(0x11);\ndelay(0.5);", JL_WAKE_ANY, "x:2: 0.: expected a whole number"},
        {"11\n0x13A\n", JL_WAKE_LINES, "x:2: 314: expected a byte"},
        {"{{0x11, 0, {0}},\n{0x13A, 1, {0x55}}, {0x29, 0, {0}}}", JL_WAKE_ROWS,
         "x:2: 314: expected a byte"},
        {"{{0x11, 0, {0}},\n{0x3A, 1, {0x155}}}", JL_WAKE_ROWS, "x:2: 341: expected a byte"},
        {"cmd(0x11); cmd(0x13A);", JL_WAKE_CALLS, "x:1: 314: expected a byte"},
        {"cmd(0x11); data(0x155);", JL_WAKE_CALLS, "x:1: 341: expected a byte"},
        {"{0x11, 0, 0x3A, 1, 0x155, 0x29, 0}", JL_WAKE_COUNTED, "x:1: 341: expected a byte"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        refuse(rows[i].text, rows[i].layout, NULL, rows[i].says);
    }
}

/* Of parts whose commands come behind their data. */
static void refused_data_in_front(void) {
    static const struct {
        const char *text;
        enum jl_wake_layout layout;
        const char *says;
    } rows[] = {
        {"dat(1);\npaint(3);", JL_WAKE_CALLS, "x:1: data that no command follows: the t6963c"},
        {"cmd(2);\ndat(1, 2, 3, 4, 5, 6, 7, 8, 9); cmd(1);", JL_WAKE_CALLS,
         "x:2: more than 8 bytes of data"},
        {"dat(300); cmd(2);", JL_WAKE_CALLS, "x:1: 300: expected a byte"},
        {"{0x36, 1, 0x48}", JL_WAKE_FLAT, "cannot be parted for the t6963c"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        refuse(rows[i].text, rows[i].layout, jl_catalog_find("t6963c"), rows[i].says);
    }
}

/* What is longer than any sequence: a line again and again. */
static void endless_sequences(void) {
    static const struct {
        const char *begin, *line;
        int times;
        enum jl_wake_layout layout;
        const char *says;
    } rows[] = {
        {"", "11\n", 8001, JL_WAKE_LINES, "more than"},
        {"", "11\n", 700, JL_WAKE_LINES, "x:401: more than 400 steps"},
        {"", "wait 5\n", 700, JL_WAKE_LINES, "more than 400 steps"},
        {"{", "0x11, 0,\n", 700, JL_WAKE_COUNTED, "more than 400 steps"},
        {"{", "{0x11, 0x80, {0}},\n", 700, JL_WAKE_ROWS, "more than 400 steps"},
        {"", "cmd(0x11);\n", 700, JL_WAKE_CALLS, "more than 400 steps"},
        {"cmd(0x11);", "delay(5);\n", 700, JL_WAKE_CALLS, "more than 400 steps"},
        {"11", " 55", 300, JL_WAKE_LINES, "more than 126 arguments"},
        {"cmd(0x11);", "data(0x55);\n", 300, JL_WAKE_CALLS, "more than 126 arguments"},
        {"{{0x11, 2, {", "0x55,", 300, JL_WAKE_ROWS, "more than 126 arguments"},
        {"", "a_word_that_is_rather_long_for_a_name_of_a_function_of_anybody_at_all(0x11);\n", 700,
         JL_WAKE_CALLS, "write_command(0x36)"},
    };
    static char text[100000];
    static struct jl_wake_import import;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_complaint complaint = {""};
        size_t length = (size_t)snprintf(text, sizeof text, "%s", rows[i].begin);
        for (int line = 0; line < rows[i].times; line++) {
            length += (size_t)snprintf(text + length, sizeof text - length, "%s", rows[i].line);
        }
        test_row("%s%s and so on", rows[i].begin, rows[i].line);
        EXPECT(length < sizeof text - 1);
        EXPECT(!jl_wake_import_text("x", text, length, rows[i].layout, NULL, &import, &complaint));
        EXPECT_CONTAINS(complaint.text, rows[i].says);
    }
    shell_begin();
    EXPECT_INT(
        shell("head -c 200001 /dev/zero | tr '\\0' ' ' >long && " JADELAMP " bake steps long"), 2);
    EXPECT_CONTAINS(output, "at most 200000 bytes");
    EXPECT_INT(shell(JADELAMP " bake steps ."), 2);
    EXPECT_CONTAINS(output, "cannot read .");
    shell_end();
}

/* Any bytes: refused or read. */
static void any_text(void) {
    static const char letters[] = "0123456789abcdefx{},;()/*\n \"delaycmddata#_. , , , , , , \n\n-";
    static const char *const parts[] = {"ssd1306", "t6963c", "hd44780", "st7789"};
    static struct jl_wake_import import;
    struct test_random random = {4711};
    int good = 0;
    for (int i = 0; i < test_cases(4000); i++) {
        char text[120];
        struct jl_complaint complaint = {""};
        int length = test_random_between(&random, 0, 119);
        for (int k = 0; k < length; k++) {
            text[k] = letters[test_random_between(&random, 0, (int)sizeof letters - 2)];
        }
        bool read = jl_wake_import_text(
            "x", text, (size_t)length, (enum jl_wake_layout)test_random_between(&random, 0, 5),
            i & 1 ? jl_catalog_find(parts[i >> 1 & 3]) : NULL, &import, &complaint);
        EXPECT(read == !*complaint.text);
        good += read;
    }
    EXPECT(good * 12 > test_cases(4000)); /* some are sequences by chance */
}

/* What is read can stand in a card, and the card's C has it. */
static void from_c_to_a_card_and_back(void) {
    shell_begin();
    EXPECT_INT(shell("printf 'const uint8_t init[] = {0x01, 0x80, 150, 0x11, 0x80, 120, 0x3A, 1, "
                     "0x55, 0x36, 1, 0x00, 0x21, 0, 0x29, 0};' >init.c && " JADELAMP
                     " bake steps init.c --controller st7789 >steps && cat steps"),
               0);
    EXPECT_CONTAINS(output, "; 8 steps, read as counted\n[wake]\nstep = send 01  ; soft_reset\n"
                            "step = wait 150 ms\nstep = send 11  ; exit_sleep_mode\n");
    EXPECT_INT(shell("printf '[panel]\\ncontroller = st7789\\n[glass]\\nsize = 240 x 240 pixels\\n"
                     "ips = yes\\n[bus]\\nkind = spi\\nclock = 15 MHz\\n[pins]\\nreset = PA4\\n"
                     "dc = 9\\ncs = GPIO-3\\n' >mine.card && cat steps >>mine.card && " JADELAMP
                     " bake card mine.card --name mine && cat mine.c mine.h"),
               0);
    EXPECT_CONTAINS(output, "    JL_STEP_SEND(0x01),\n    JL_STEP_WAIT_MS(150),\n"
                            "    JL_STEP_SEND(0x11),\n");
    EXPECT_CONTAINS(output, "#define MINE_PIN_RESET PA4\n#define MINE_PIN_DC 9\n"
                            "/* MINE_PIN_CS is GPIO-3 */\n");
    EXPECT_CONTAINS(output, "#define MINE_CLOCK_HZ 15000000u\n");
    EXPECT_INT(shell(JADELAMP " bake card rgb-480x272"), 2);
    EXPECT_CONTAINS(output, "is scanned out");
    EXPECT_INT(shell(JADELAMP " bake card st7789-240x240-spi --name 3d"), 2);
    EXPECT_CONTAINS(output, "no name for C");
    EXPECT_INT(shell(JADELAMP " bake card nowhere"), 2);
    EXPECT_INT(shell(JADELAMP " bake steps nowhere.c"), 2);
    EXPECT_CONTAINS(output, "cannot read nowhere.c");
    EXPECT_INT(shell(JADELAMP " bake steps init.c --layout odd"), 2);
    EXPECT_INT(shell(JADELAMP " bake steps init.c --controller odd"), 2);
    EXPECT_CONTAINS(output, "jadelamp catalog lists them");
    shell_end();
}

/* What a card says beside its sequence, and sequences with every kind of step. */
static void cards_as_c(void) {
    static const struct {
        const char *name, *card;
        const char *has[4];
        const char *lacks;
    } rows[] = {
        {"turned",
         "[panel]\ncontroller = st7789\norientation = mirrored-quarter-turn\ninverted = yes\n"
         "contrast = 90\n[glass]\nsize = 240 x 240 pixels\n[bus]\nkind = 8080-16\n",
         {"    .turn = JL_TURN_90 | JL_TURN_MIRROR,\n", "    .inverted = true,\n",
          "    .contrast = 90,\n", "    .bus = &jl_bus_8080_16,\n"},
         "steps"},
        {"upright",
         "[panel]\ncontroller = ssd1306\n[glass]\nsize = 72 x 40 pixels\nfirst-column = 28\n[bus]\n"
         "kind = i2c\naddress = 0x3D\n",
         {"    .column_offset = 28,\n", "    .i2c_address = 0x3D,\n", "    .width = 72,\n",
          "    .bus = &jl_bus_i2c,\n"},
         ".turn"},
        {"strapped",
         "[panel]\ncontroller = st7735\n[glass]\nmemory = 128 x 160\nsize = 128 x 160 pixels\n"
         "[bus]\nkind = spi-3wire\n",
         {"    .controller = &jl_st7735_128x160,\n", "    .bus = &jl_bus_spi_3wire,\n"},
         ".inverted"},
        {"paper",
         "[panel]\ncontroller = ssd1680\norientation = quarter-turn\n[glass]\nsize = 128 x 296 "
         "pixels\n"
         "[bus]\nkind = spi\n[pins]\nreset = wired\nbusy = PA0\n[wake]\nstep = wait busy low 400 "
         "ms\n"
         "step = send 12\nstep = wait 300 ms\nstep = setup\nstep = clear\n",
         {"    JL_STEP_WAIT_BUSY(0, 400),\n    JL_STEP_SEND(0x12),\n    JL_STEP_WAIT_MS(300),\n"
          "    JL_STEP_SETUP,\n    JL_STEP_CLEAR,\n",
          "    .wake_steps = steps,\n", "PIN_BUSY PA0\n"},
         ".turn"},
        {"a row of halves",
         "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 1 cells\nhalves = yes\nrom = "
         "a02\n[bus]\n"
         "kind = expander\naddress = 0x27\nclock = 400 kHz\nworks-up-to = 400 kHz\n"
         "outputs = d4 d5 d6 d7 light-low e rw rs\n",
         {"    .flags = JL_CHAR_HALVES | JL_CHAR_FAST_EXPANDER,\n", "    .light_low = true,\n",
          "    .data = {0x01, 0x02, 0x04, 0x08},\n", "    .rom = &jl_char_rom_a02,\n"},
         "steps"},
        {"a fast expander",
         "[panel]\ncontroller = hd44780\n[glass]\nsize = 20 x 4 cells\n[bus]\nkind = expander\n"
         "address = 0x3F\nclock = 400 kHz\nworks-up-to = 400 kHz\n",
         {"    .flags = JL_CHAR_FAST_EXPANDER,\n", "    .light_low = false,\n",
          "    .rs = 0x01,\n    .rw = 0x02,\n    .e = 0x04,\n    .light = 0x08,\n",
          "    .i2c_address = 0x3F,\n"},
         "HALVES"},
        {"a sequence of a module",
         "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\nrom = ascii\n[bus]\n"
         "kind = parallel-4\nbusy = yes\n[wake]\nstep = wait 50 ms\nstep = pulse 3\n"
         "step = wait 5 ms\nstep = pulse 2\nstep = send 28 0C 06\nstep = clear\n",
         {"    JL_CHAR_STEP_PULSE(0x3),\n    JL_STEP_WAIT_MS(5),\n    JL_CHAR_STEP_PULSE(0x2),\n"
          "    JL_STEP_SEND(0x28, 0x0C, 0x06),\n    JL_STEP_CLEAR,\n",
          "    .wire = &jl_char_wire_4_busy,\n", "_steps[]"},
         ".rom"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        FILE *file = fopen(shell_path("an-odd one.card"), "w");
        EXPECT(file && fputs(rows[i].card, file) >= 0 && fclose(file) == 0);
        EXPECT_INT(shell(JADELAMP " bake card 'an-odd one.card' && cat an_odd_one.c an_odd_one.h"),
                   0);
        for (int k = 0; k < 4 && rows[i].has[k]; k++) {
            EXPECT_CONTAINS(output, rows[i].has[k]);
        }
        EXPECT(strstr(output, rows[i].lacks) == NULL);
        EXPECT_INT(shell("cc -std=c11 -Wall -Wextra -Werror -I" INCLUDE_DIR " -c an_odd_one.c"), 0);
        EXPECT_TEXT(output, "");
    }
    shell_end();
}

struct baking {
    int cards, skipped;
    long seen;
    FILE *main;
};

static void bake_one(void *context, const char *name, const char *path) {
    static struct jl_card card;
    struct baking *baking = context;
    struct jl_complaint complaint = {""};
    char c_name[64];
    test_row("%s", name);
    EXPECT(jl_card_read(path, &card, &complaint));
    if (card.controller->scanned) {
        baking->skipped++;
        return;
    }
    if (!test_turn(baking->seen++)) {
        return;
    }
    snprintf(c_name, sizeof c_name, "panel_%d", baking->cards);
    EXPECT(jl_card_bake(&card, shell_path("all"), c_name, "a test", &complaint));
    fprintf(baking->main,
            "#include \"%s.h\"\nconst void *get_%d(void);\n"
            "const void *get_%d(void) { return &%s; }\n",
            c_name, baking->cards, baking->cards, c_name);
    baking->cards++;
}

struct comparing {
    int card;
    long seen;
    void *object;
};

static void compare_cells(const struct jl_char_config *c, const struct jl_char_config *e) {
    const struct jl_char_expander *x = c->expander, *y = e->expander;
    EXPECT_INT(c->wire->eight_bits * 2 + c->wire->reads_busy,
               e->wire->eight_bits * 2 + e->wire->reads_busy);
    EXPECT_INT(c->rom->range_count, e->rom->range_count);
    const long seen[] = {c->columns, c->rows, c->flags, c->i2c_address};
    const long wanted[] = {e->columns, e->rows, e->flags, e->i2c_address};
    EXPECT_BYTES(seen, wanted, sizeof seen);
    if (e->wire == &jl_char_wire_expander && EXPECT(x != NULL)) {
        const long out[] = {x->rs,      x->rw,      x->e,       x->e2,      x->light,
                            x->data[0], x->data[1], x->data[2], x->data[3], x->light_low};
        const long right[] = {y->rs,      y->rw,      y->e,       y->e2,      y->light,
                              y->data[0], y->data[1], y->data[2], y->data[3], y->light_low};
        EXPECT_BYTES(out, right, sizeof out);
    }
}

/* The description in C is the one that the card's rig has. */
static void compare_one(void *context, const char *name, const char *path) {
    static struct jl_card card;
    static struct jl_rig rig; /* large */
    struct comparing *comparing = context;
    struct jl_complaint complaint = {""};
    const void *(*get)(void);
    char symbol[32];
    EXPECT(jl_card_read(path, &card, &complaint));
    test_row("%s", name);
    if (card.controller->scanned || !test_turn(comparing->seen++)) {
        return;
    }
    snprintf(symbol, sizeof symbol, "get_%d", comparing->card++);
    void *found = dlsym(comparing->object, symbol);
    if (!EXPECT(found != NULL) || !EXPECT(jl_rig_open(&rig, &card, &complaint))) {
        return;
    }
    memcpy(&get, &found, sizeof get);
    if (card.cells.bus) {
        compare_cells(get(), &rig.cells_config);
        jl_rig_close(&rig);
        return;
    }
    const struct jl_panel_config *c = get(), *e = &rig.config;
    EXPECT_TEXT(c->controller->name, e->controller->name);
    EXPECT_INT(c->controller->ram_width, e->controller->ram_width);
    EXPECT_INT(c->controller->ram_height, e->controller->ram_height);
    EXPECT_INT(c->bus->kind, e->bus->kind);
    EXPECT_INT(c->format->layout, e->format->layout);
    EXPECT_INT(c->format->bits_per_pixel, e->format->bits_per_pixel);
    const long seen[] = {c->width,       c->height,          c->column_offset, c->row_offset,
                         c->i2c_address, c->module,          c->turn,          c->contrast,
                         c->inverted,    c->wake_steps_bytes};
    const long wanted[] = {e->width,       e->height,          e->column_offset, e->row_offset,
                           e->i2c_address, e->module,          e->turn,          e->contrast,
                           e->inverted,    e->wake_steps_bytes};
    EXPECT_BYTES(seen, wanted, sizeof seen);
    jl_rig_close(&rig);
}

static void every_card_as_c(void) {
    char line[1500];
    struct baking baking = {0};
    shell_begin();
    EXPECT_INT(shell("mkdir all"), 0);
    baking.main = fopen(shell_path("all/main.c"), "w");
    if (!EXPECT(baking.main != NULL)) {
        return;
    }
    EXPECT(jl_share_cards("cards", bake_one, &baking));
    fclose(baking.main);
    EXPECT(baking.seen > 50 && baking.cards > 12 && baking.skipped > 3);
    snprintf(line, sizeof line,
             "cd all && " CC
             " -std=c11 -fPIC -Wall -Wextra -Wpedantic -Wconversion -Werror %s -I%s "
             "-shared *.c %s -o all.so",
             SANITIZER_FLAGS, INCLUDE_DIR, LIBRARY);
    if (EXPECT_INT(shell(line), 0)) {
        char path[300];
        snprintf(path, sizeof path, "./%s", shell_path("all/all.so"));
        struct comparing comparing = {0, 0, dlopen(path, RTLD_NOW | RTLD_LOCAL)};
        if (EXPECT(comparing.object != NULL)) {
            EXPECT(jl_share_cards("cards", compare_one, &comparing));
            EXPECT_INT(comparing.card, baking.cards);
            dlclose(comparing.object);
        }
    } else {
        printf("%s\n", output);
    }
    shell_end();
}

/* Commands by their names, as `explain` gives them; what is none is told with what is near. */
static void commands_by_name(void) {
    static const struct {
        const char *controller, *step;
        uint8_t bytes[8]; /* NULL complaint: as the card has them, with the count first */
        const char *says;
    } rows[] = {
        {"ssd1306", "send charge pump on", {2, 0x8D, 0x14}, NULL}, /* 04 is none of its values */
        {"ssd1306", "send COM pins sequential, left and right as they are", {2, 0xDA, 0x02}, NULL},
        {"ssd1306", "send Memory Addressing Mode: vertical", {2, 0x20, 0x01}, NULL},
        {"ssd1306", "send start line row 12 of the RAM on top", {1, 0x4C}, NULL},
        {"ssd1306", "send segment remap column 0 at the last segment", {1, 0xA1}, NULL},
        {"st7789", "send set_column_address columns 10 to 239", {5, 0x2A, 0, 10, 0, 239}, NULL},
        {"st7789", "send set_pixel_format 16 bits a pixel", {2, 0x3A, 0x05}, NULL},
        {"ssd1306", "send contrast 256 of 255", {0}, "no command of that name"},
        {"ssd1306", "send multiplex ratio 64 columns", {0}, "no command of that name"},
        {"st7789", "send exit_sleep_mode", {1, 0x11}, NULL},
        {"st7789", "send Set Pixel Format 55", {2, 0x3A, 0x55}, NULL},
        {"st7789", "send set_column_address 00 00 00 EF", {5, 0x2A, 0, 0, 0, 0xEF}, NULL},
        {"ssd1306", "send charge pump 14", {2, 0x8D, 0x14}, NULL},
        {"ssd1306", "send 8D 14", {2, 0x8D, 0x14}, NULL},
        {"st7789",
         "send exit_sleep_mod",
         {0},
         "expected bytes of two hex digits, or such as exit_sleep_mode"},
        {"st7789", "send set_pixel_format", {0}, "takes 1 argument, and there are 0"},
        {"st7789", "send exit_sleep_mode 01", {0}, "takes 0 arguments, and there is 1"},
        {"ssd1306", "send display off or on", {0}, "no command of that name, or several"},
        {"ssd1306", "send ", {0}, "expected"},
        {"ili9225", "send power control 1 08 00", {4, 0x00, 0x10, 0x08, 0x00}, NULL},
        {"ili9225", "send display control 10 17", {4, 0x00, 0x07, 0x10, 0x17}, NULL},
    };
    static struct jl_card card;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char text[500];
        struct jl_complaint complaint = {""};
        const char *size = strcmp(rows[i].controller, "ssd1306") == 0   ? "128 x 64"
                           : strcmp(rows[i].controller, "ili9225") == 0 ? "176 x 220"
                                                                        : "240 x 240";
        int length = snprintf(text, sizeof text,
                              "[panel]\ncontroller = %s\n[glass]\nsize = %s pixels\n[bus]\nkind = "
                              "spi\nclock = 5 MHz\n[wake]\nstep = %s\n",
                              rows[i].controller, size, rows[i].step);
        bool good = jl_card_read_text("a", text, (size_t)length, &card, &complaint);
        test_row("%s", rows[i].step);
        if (rows[i].says) {
            EXPECT(!good);
            EXPECT_CONTAINS(complaint.text, rows[i].says);
        } else if (EXPECT(good)) {
            EXPECT_INT(card.wake_bytes, rows[i].bytes[0] + 1);
            EXPECT_BYTES(card.wake_steps, rows[i].bytes, (size_t)rows[i].bytes[0] + 1);
        } else {
            printf("    %s\n", complaint.text);
        }
    }
}

static struct jl_explained first;
static bool has_first;

static void keep_first(void *context, const struct jl_explained *explained) {
    (void)context;
    first = has_first ? first : *explained;
    has_first = true;
}

/* What a part's command reads as, by its bytes. */
static const char *read_out(const struct jl_emulated_part *part, const uint8_t *bytes, size_t count,
                            char *text, size_t size) {
    struct jl_explainer explainer;
    char words[200];
    bool as_data = jl_explain_opcode_bytes(part) != 0;
    has_first = false;
    jl_explain_begin(&explainer, part, keep_first, NULL);
    if (jl_explain_opcode_bytes(part) == 2) {
        jl_explain_byte(&explainer, 0, 0, 0, false);
    }
    for (size_t i = 0; i < count; i++) {
        jl_explain_byte(&explainer, 0, 0, bytes[i], as_data && i);
    }
    jl_explain_end(&explainer);
    snprintf(text, size, "%s %s", first.name ? first.name : "",
             jl_explain_words(&first, words, sizeof words));
    return text;
}

/* Whatever a command reads as, it is read back: as itself, where its words say all of it. */
static void words_are_read_back(void) {
    struct test_random random = {28};
    size_t parts;
    const struct jl_catalog_entry *entries = jl_catalog(&parts);
    int tried = 0, read = 0;
    for (int i = 0; i < test_cases(40000); i++) {
        const struct jl_emulated_part *part =
            entries[test_random_between(&random, 0, (int)parts - 1)].emulator;
        uint8_t bytes[9];
        char text[300], again[300];
        struct jl_worded_command worded;
        for (size_t k = 0; k < sizeof bytes; k++) {
            bytes[k] = (uint8_t)test_random_next(&random);
        }
        read_out(part, bytes, sizeof bytes, text, sizeof text);
        bool has_words = first.name && first.reading && !first.missing && first.count <= 8;
        bool told = has_words && !strchr(text, '?') && !strstr(text, "reserved");
        if (!told) {
            continue;
        }
        tried++;
        if (jl_explain_read(part, text, &worded)) {
            read++;
            test_row("%s", text);
            for (size_t k = 1; k < worded.count; k++) {
                EXPECT_INT(worded.bytes[k], bytes[k] & ~worded.unsaid[k]);
            }
            EXPECT_TEXT(read_out(part, worded.bytes, worded.count, again, sizeof again), text);
        }
    }
    test_row("all");
    EXPECT(tried > 500);
    if (!EXPECT(read * 100 >= tried * 90)) {
        printf("  %d of %d\n", read, tried);
    }
}

const struct test_group test_groups[] = {
    {"layouts", layouts},
    {"refused_sequences", refused_sequences},
    {"refused_data_in_front", refused_data_in_front},
    {"endless_sequences", endless_sequences},
    {"any_text", any_text},
    {"commands_by_name", commands_by_name},
    {"words_are_read_back", words_are_read_back},
    {"from_c_to_a_card_and_back", from_c_to_a_card_and_back},
    {"cards_as_c", cards_as_c},
    {"every_card_as_c", every_card_as_c},
    {NULL, NULL},
};
