/* Panel cards: what is read, and what each mistake is answered with. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/host/card.h"
#include "jadelamp/host/demo.h"
#include "jadelamp/host/file.h"

static char card_path[64];
static struct jl_card card;
static struct jl_complaint complaint;

static bool read_bytes(const char *bytes, size_t count) {
    snprintf(card_path, sizeof card_path, "test-%ld.card", (long)getpid());
    EXPECT(jl_file_put(card_path, bytes, count, &complaint));
    bool good = jl_card_read(card_path, &card, &complaint);
    remove(card_path);
    return good;
}

static bool read_text(const char *text) {
    return read_bytes(text, strlen(text));
}

#define HEAD  "[panel]\ncontroller = ssd1306\n"
#define GLASS "[glass]\nsize = 128 x 64\n"
#define BUS   "[bus]\nkind = i2c\naddress = 0x3C\n"

static void a_full_card_is_read(void) {
    static const uint8_t steps[] = {2, 0xD5, 0x80, 0x80, 10,   0, 0x81,
                                    0, 0x90, 0x01, 0x82, 0x83, 1, 0xAF};
    EXPECT(read_text(
        "; comment\n[panel]\nname = north pier\ncontroller = ssd1306\norientation = half-turn\n"
        "contrast = 0x7F\ninverted = yes\n"
        "[glass]\nsize = 72x40 pixels\nfirst-column = 28 ; inline\nrows = alternate\n"
        "mounting = mirrored-x\nsupply = external\ncolor = blue\n"
        "[bus]\nkind = i2c\naddress = 61\nclock = 0.1 MHz\noverhead = 20 us\nmost-bytes = 31\n"
        "[pins]\nreset = wired\n"
        "[wake]\nstep = send D5 80\nstep = wait 10 ms\nstep = wait busy low 400 ms\n"
        "step = setup\nstep = clear\nstep = send AF\n"));
    EXPECT_TEXT(card.name, "north pier");
    EXPECT_TEXT(card.controller->name, "ssd1306");
    EXPECT_INT(card.flip, JL_FLIP_HALF_TURN);
    EXPECT_INT(card.contrast, 0x7F);
    EXPECT_INT(card.inverted, true);
    EXPECT_INT(card.width, 72);
    EXPECT_INT(card.height, 40);
    EXPECT_INT(card.column_offset, 28);
    EXPECT_INT(card.module, JL_MODULE_MIRROR_X | JL_MODULE_EXTERNAL_SUPPLY | JL_MODULE_RESET_WIRED);
    EXPECT_INT(card.glass_kind, JL_GLASS_BLUE);
    EXPECT_INT(card.bus, JL_BUS_I2C);
    EXPECT_INT(card.i2c_address, 0x3D);
    EXPECT_INT(card.clock_hz, 100000);
    EXPECT_INT(card.overhead_ns, 20000);
    EXPECT_INT(card.most_body_bytes, 31);
    EXPECT_INT(card.wake_bytes, sizeof steps);
    EXPECT_BYTES(card.wake_steps, steps, sizeof steps);
}

static void the_least_card_has_defaults(void) {
    EXPECT(read_text(HEAD GLASS BUS));
    EXPECT_INT(card.clock_hz, 400000);
    EXPECT_INT(card.has_wake, false);
    EXPECT_INT(card.module, 0);
    char name[64];
    snprintf(name, sizeof name, "test-%ld", (long)getpid());
    EXPECT_TEXT(card.name, name); /* the file's name */
    EXPECT(read_text("\xEF\xBB\xBF" HEAD GLASS
                     "[bus]\nkind = spi\nmode = 3\n")); /* with a byte order mark */
    EXPECT_INT(card.clock_hz, 8000000);
    EXPECT_INT(card.spi_mode, 3);
    EXPECT(read_text("[panel]\r\ncontroller = ssd1306\r\n[glass]\r\nsize = 128 x "
                     "64\r\n[bus]\r\nkind = spi\r\n"));
}

/* Every mistake: the line it is on and what would be right. */
static void mistakes_are_explained(void) {
    static const struct {
        const char *text;
        int line;
        const char *says;
    } rows[] = {
        {"[panel]\ncontroller = ssd1307\n", 2, "unknown controller; known are: ssd1306"},
        {"[panel]\ncolour = 3\n", 2, "unknown key colour in [panel]; known are: name, controller"},
        {"[pannel]\nname = x\n", 2,
         "unknown section [pannel]; known are: panel, glass, bus, pins, wake"},
        {"name = x\n", 1, "expected a line [panel]"},
        {"[panel]\nnonsense\n", 2, "expected [section] or key = value"},
        {"[panel\nname = x\n", 1, "expected [section] or key = value"},
        {"[panel]\nname =\n", 2, "expected 1 to 31 characters"},
        {"[panel]\nname = a name that is longer than fits in\n", 2, "expected 1 to 31 characters"},
        {"[panel]\nname = a\nname = b\n", 3, "name stands twice"},
        {"[panel]\ncontrast = 256\n", 2, "from 1 to 255"},
        {"[panel]\ncontrast = 0\n", 2, "from 1 to 255"},
        {"[panel]\ncontrast = 12x\n", 2, "from 1 to 255"},
        {"[panel]\norientation = left\n", 2, "upright, half-turn, mirrored-x or mirrored-y"},
        {"[panel]\ninverted = maybe\n", 2, "no or yes"},
        {"[glass]\nsize = 128\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 128 x 64 mm\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 0 x 64\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 99999999999 x 64\n", 2, "such as 128 x 64"},
        {"[glass]\nfirst-column = -1\n", 2, "a RAM column"},
        {"[glass]\nrows = interlaced\n", 2, "alternate or sequential"},
        {"[glass]\nmounting = odd\n", 2, "usual, half-turn"},
        {"[glass]\nsupply = solar\n", 2, "pump or external"},
        {"[glass]\ncolor = pink\n", 2, "white, blue or yellow-blue"},
        {"[bus]\nkind = can\n", 2, "i2c or spi"},
        {"[bus]\naddress = 0x78\n", 2, "write the 7-bit address: address = 0x3C"},
        {"[bus]\naddress = 0x7B\n", 2, "address = 0x3D"},
        {"[bus]\naddress = 0x02\n", 2, "reserved"},
        {"[bus]\naddress = 3C\n", 2, "such as 0x3C"},
        {"[bus]\naddress = 300\n", 2, "such as 0x3C"},
        {"[bus]\nclock = 400\n", 2, "with its unit (Hz, kHz or MHz)"},
        {"[bus]\nclock = 400 khz\n", 2, "with its unit (Hz, kHz or MHz)"},
        {"[bus]\nclock = 400 ms\n", 2, "with its unit (Hz, kHz or MHz)"},
        {"[bus]\nclock = 999 GHz\n", 2, "with its unit (Hz, kHz or MHz)"},
        {"[bus]\nclock = nan kHz\n", 2, "with its unit (Hz, kHz or MHz)"},
        {"[bus]\nclock = 1e99 MHz\n", 2, "with its unit (Hz, kHz or MHz)"},
        {"[bus]\noverhead = 3 kHz\n", 2, "(ns, us, ms or s)"},
        {"[bus]\nmode = 1\n", 2, "0 or 3"},
        {"[bus]\nmost-bytes = 0\n", 2, "1 to 65535"},
        {"[pins]\nreset = yes\n", 2, "none or wired"},
        {"[wake]\nstep = transmit AE\n", 2, "send BYTES, wait TIME"},
        {"[wake]\nstep = send\n", 2, "send BYTES"},
        {"[wake]\nstep = send AEF\n", 2, "two hex digits"},
        {"[wake]\nstep = send AE 4\n", 2, "two hex digits"},
        {"[wake]\nstep = send 0xAE\n", 2, "two hex digits"},
        {"[wake]\nstep = wait 10\n", 2, "such as 100 ms"},
        {"[wake]\nstep = wait 70 s\n", 2, "such as 100 ms"},
        {"[wake]\nstep = wait busy 10 ms\n", 2, "wait busy low 400 ms"},
        {GLASS BUS, 5, "without controller in [panel], such as controller = ssd1306"},
        {HEAD BUS, 5, "without size in [glass]"},
        {HEAD GLASS, 4, "without kind in [bus]"},
        {HEAD GLASS "[bus]\nkind = i2c\n", 6, "without address in [bus]"},
        {HEAD GLASS "[bus]\nkind = i2c\naddress = 0x27\n", 7, "answers at 0x3C or 0x3D"},
        {HEAD "[glass]\nsize = 129 x 64\n" BUS, 7, "the ssd1306 has 128 x 64"},
        {HEAD "[glass]\nsize = 72 x 40\nfirst-column = 57\n" BUS, 8, "the ssd1306 has 128 x 64"},
        {HEAD GLASS BUS "clock = 8 MHz\n", 8, "I2C ends at 5 MHz"},
        {"", 0, "without controller"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char where[80];
        test_row("%s", rows[i].text);
        EXPECT(!read_text(rows[i].text));
        snprintf(where, sizeof where, "%s:%d: ", card_path, rows[i].line);
        EXPECT_CONTAINS(complaint.text, where);
        EXPECT_CONTAINS(complaint.text, rows[i].says);
    }
}

static void strange_files(void) {
    EXPECT(!jl_card_read("no/such.card", &card, &complaint));
    EXPECT_CONTAINS(complaint.text, "no/such.card");
    EXPECT(!jl_card_read("/", &card, &complaint));
    EXPECT_CONTAINS(complaint.text, "directory");
    EXPECT(!jl_card_find("no-such-card", &card, &complaint));
    EXPECT_CONTAINS(complaint.text, "catalog");
    EXPECT(jl_card_find("ssd1306-128x32-i2c", &card, &complaint));

    static char big[70000];
    memset(big, 'x', sizeof big);
    EXPECT(!read_bytes(big, sizeof big));
    EXPECT_CONTAINS(complaint.text, ":1: the line is longer than");
    memset(big, '\n', sizeof big);
    EXPECT(!read_bytes(big, sizeof big));
    EXPECT_CONTAINS(complaint.text, "longer than 65536 bytes");

    /* Steps without end. */
    size_t at = (size_t)snprintf(big, sizeof big, HEAD GLASS BUS "[wake]\n");
    while (at + 200 < 60000) {
        at += (size_t)snprintf(big + at, sizeof big - at, "step = send AE 00 AE 00 AE 00 AE 00\n");
    }
    EXPECT(!read_bytes(big, at));
    EXPECT_CONTAINS(complaint.text, "wake-up sequence is longer than 4096 bytes");
}

/* A good card with bytes changed at random: read or refused, never worse. */
static void damaged_cards_do_no_harm(void) {
    static const char good[] =
        HEAD GLASS BUS "clock = 400 kHz\n[wake]\nstep = send AE\nstep = wait 10 ms\n";
    int refused = 0;
    for (uint32_t seed = 1; seed <= 3000; seed++) {
        struct test_random random = {seed};
        char text[sizeof good];
        memcpy(text, good, sizeof good);
        for (int i = test_random_between(&random, 1, 8); i > 0; i--) {
            text[test_random_between(&random, 0, (int)sizeof good - 2)] =
                (char)test_random_next(&random);
        }
        complaint.text[0] = '\0';
        bool read = read_bytes(text, sizeof good - 1);
        refused += !read;
        test_row("seed %u", (unsigned)seed);
        EXPECT(read || strlen(complaint.text) > 10);
        EXPECT(!read || (card.width <= 128 && card.height <= 64 && card.controller));
    }
    EXPECT(refused > 1500);
}

static void tide_tables(void) {
    static const struct {
        const char *text;
        const char *says; /* NULL: good */
    } rows[] = {
        {"time,height_cm\n00:00,120\n23:59,-99\n", NULL},
        {"time,height_cm\r\n00:00,120\r\n", NULL},
        {"hour;cm\n", ":1: read \"hour;cm\""},
        {"time,height_cm\n", "no rows"},
        {"", "no rows"},
        {"time,height_cm\n24:00,1\n", ":2: read \"24:00,1\""},
        {"time,height_cm\n12:60,1\n", ":2:"},
        {"time,height_cm\n12:00,1000\n", ":2:"},
        {"time,height_cm\n12:00,1m\n", ":2:"},
        {"time,height_cm\n12:00,1\n12:00,2\n", ":3: 12:00,2 is not later"},
    };
    static struct jl_tide_table table;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].text);
        EXPECT(jl_file_put("tide-test.csv", rows[i].text, strlen(rows[i].text), &complaint));
        EXPECT_INT(jl_tide_read("tide-test.csv", &table, &complaint), rows[i].says == NULL);
        if (rows[i].says) {
            EXPECT_CONTAINS(complaint.text, rows[i].says);
        }
        remove("tide-test.csv");
    }
    table = (struct jl_tide_table){{{0, 5}, {1, 9}, {2, 9}, {3, 4}, {4, 6}, {5, 2}, {6, 8}}, 7};
    EXPECT_INT(jl_tide_next_high(&table, 0), 1);
    EXPECT_INT(jl_tide_next_high(&table, 2), 4);
    EXPECT_INT(jl_tide_next_high(&table, 5), -1); /* still rising at the end */
}

const struct test_group test_groups[] = {
    {"a_full_card", a_full_card_is_read},
    {"the_least_card", the_least_card_has_defaults},
    {"mistakes_are_explained", mistakes_are_explained},
    {"strange_files", strange_files},
    {"damaged_cards", damaged_cards_do_no_harm},
    {"tide_tables", tide_tables},
    {NULL, NULL},
};
