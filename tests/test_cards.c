/* Panel cards: what is read, and what each mistake is answered with. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/host/card.h"
#include "jadelamp/demo/harbour.h"
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
                                    0, 0x90, 0x01, 0x83, 0x84, 1, 0xAF};
    EXPECT(read_text(
        "; comment\n[panel]\nname = north pier\ncontroller = ssd1306\norientation = half-turn\n"
        "contrast = 0x7F\ninverted = yes\n"
        "[glass]\nsize = 72x40 pixels\nfirst-column = 28 ; inline\nrows = alternate\n"
        "mounting = mirrored-x\nsupply = external\ncolor = blue\n"
        "[bus]\nkind = i2c\naddress = 61\nclock = 0.1 MHz\noverhead = 20 us\nmost-bytes = 31\n"
        "[pins]\nreset = GPIO27\ncs = PB2\n"
        "[wake]\nstep = send D5 80\nstep = wait 10 ms\nstep = wait busy low 400 ms\n"
        "step = setup\nstep = clear\nstep = send AF\n"));
    EXPECT_TEXT(card.name, "north pier");
    EXPECT_TEXT(card.controller->name, "ssd1306");
    EXPECT_INT(card.turn, JL_TURN_180);
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
    EXPECT_TEXT(jl_card_pin(&card, "reset"), "GPIO27");
    EXPECT_TEXT(jl_card_pin(&card, "cs"), "PB2");
    EXPECT(!jl_card_pin(&card, "dc"));
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
struct mistake {
    const char *text;
    int line;
    const char *says;
};

/* Each card is refused, with the place and a text that helps. */
static void expect_mistakes(const struct mistake *rows, size_t count) {
    for (size_t i = 0; i < count; i++) {
        char place[96];
        test_row("%s", rows[i].text);
        EXPECT(!read_text(rows[i].text));
        snprintf(place, sizeof place, "%s:%d: ", card_path, rows[i].line);
        EXPECT_CONTAINS(complaint.text, place);
        EXPECT_CONTAINS(complaint.text, rows[i].says);
    }
}

static void mistakes_are_explained(void) {
    static const struct mistake rows[] = {
        {"[panel]\ncontroller = ssd1307\n", 2, "unknown controller; known are: ssd1306"},
        {"[panel]\ncolour = 3\n", 2, "unknown key colour in [panel]; known are: name, controller"},
        {"[pannel]\nname = x\n", 2,
         "unknown section [pannel]; known are: panel, glass, bus, pins, scan, memory, touch, wake"},
        {"name = x\n", 1, "expected a line [panel]"},
        {"[panel]\nnonsense\n", 2, "expected [section] or key = value"},
        {"[panel\nname = x\n", 1, "expected [section] or key = value"},
        {"[panel]\nname =\n", 2, "expected 1 to 31 characters"},
        {"[panel]\nname = a name that is longer than fits in\n", 2, "expected 1 to 31 characters"},
        {"[panel]\nname = a\nname = b\n", 3, "name stands twice in [panel], first in line 2"},
        {"[panel]\ncontrast = 256\n", 2, "from 1 to 255"},
        {"[panel]\ncontrast = 0\n", 2, "from 1 to 255"},
        {"[panel]\ncontrast = 12x\n", 2, "from 1 to 255"},
        {"[panel]\norientation = left\n", 2, "upright, quarter-turn, half-turn"},
        {"[panel]\ninverted = maybe\n", 2, "no or yes"},
        {"[glass]\nsize = 128\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 128 x 64 mm\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 0 x 64\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 99999999999 x 64\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 4294967424 x 64\n", 2, "such as 128 x 64"}, /* 128, with 2^32 */
        {"[glass]\nsize = 128 x 4294967360\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 128 x 4097\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 4097 x 64\n", 2, "such as 128 x 64"},
        {"[glass]\nsize = 128 x 0\n", 2, "such as 128 x 64"},
        {"[glass]\nfirst-column = -1\n", 2, "a RAM column"},
        {"[glass]\nrows = interlaced\n", 2, "alternate or sequential"},
        {"[glass]\nmounting = odd\n", 2, "usual, half-turn"},
        {"[glass]\nsupply = solar\n", 2, "pump or external"},
        {"[glass]\ncolor = pink\n", 2,
         "tft, lcd-green, lcd-grey, lcd-blue, silver, paper or paper-red"},
        {"[pins]\ncs = PB 2\n", 2, "expected the name of a pin, such as PB2 or GPIO27"},
        {"[pins]\nreset = \n", 2, "expected the name of a pin"},
        {"[pins]\ndc = a-name-that-is-far-too-long\n", 2, "up to 23 letters"},
        {"[pins]\nd16 = PA1\n", 2, "unknown key d16 in [pins]"},
        {"[pins]\ncs = PA1\ncs = PA2\n", 3, "cs stands twice"},
        {"[bus]\nkind = can\n", 2, "i2c, spi, spi-3wire"},
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
        {"[pins]\nlight = yes\n", 2, "none or wired"},
        {HEAD GLASS BUS "[pins]\nlight = wired\n", 9, "shine by themselves"},
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
        {HEAD "[glass]\nsize = 129 x 64\n" BUS, 4, "the ssd1306 has 128 x 64"},
        {HEAD "[glass]\nsize = 72 x 40\nfirst-column = 57\n" BUS, 5, "the ssd1306 has 128 x 64"},
        {HEAD GLASS BUS "clock = 8 MHz\n", 8, "I2C ends at 5 MHz"},
        {"", 0, "without controller"},
    };
    expect_mistakes(rows, sizeof rows / sizeof rows[0]);
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

    static const char with_zero[] = HEAD GLASS "[bus]\nkind = i2c\0c\n";
    EXPECT(!read_bytes(with_zero, sizeof with_zero - 1));
    EXPECT_CONTAINS(complaint.text, ":6: there is a zero byte in this line");

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

#define TFT "[panel]\ncontroller = st7735\n"

static void a_color_card_is_read(void) {
    EXPECT(read_text("[panel]\ncontroller = st7735\norientation = mirrored-three-quarter-turn\n"
                     "format = 6-6-6\n[glass]\nsize = 128 x 128\nmemory = 132 x 132\n"
                     "first-column = 2\nfirst-row = 1\nmounting = half-turn\norder = swapped\n"
                     "ips = yes\n[bus]\nkind = spi-3wire\nclock = 12 MHz\nworks-up-to = 30 MHz\n"));
    EXPECT_INT(card.turn, JL_TURN_270 | JL_TURN_MIRROR);
    EXPECT(card.format == &jl_rgb666);
    EXPECT_INT(card.ram_width, 132);
    EXPECT_INT(card.ram_height, 132);
    EXPECT_INT(card.column_offset, 2);
    EXPECT_INT(card.row_offset, 1);
    EXPECT_INT(card.module,
               JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y | JL_MODULE_BGR | JL_MODULE_IPS);
    EXPECT_INT(card.bus, JL_BUS_SPI_3WIRE);
    EXPECT_INT(card.works_up_to, 30000000);
    EXPECT_INT(card.glass_kind, JL_GLASS_TFT);
    /* What a card leaves out follows from controller and bus. */
    static const struct {
        const char *text;
        const struct jl_format *format;
        uint32_t clock_hz, cycle_ns;
        enum jl_glass_kind kind;
    } rows[] = {
        {"[panel]\ncontroller = ili9341\n[glass]\nsize = 240 x 320\n[bus]\nkind = 8080-16\n",
         &jl_rgb565_cpu, 0, 66, JL_GLASS_TFT},
        {"[panel]\ncontroller = ili9488\n[glass]\nsize = 320 x 480\n[bus]\nkind = spi\n",
         &jl_rgb666, 8000000, 0, JL_GLASS_TFT},
        {"[panel]\ncontroller = ssd1331\nformat = 3-3-2\n[glass]\nsize = 96 x 64\n[bus]\n"
         "kind = spi\n",
         &jl_rgb332, 6666666, 0, JL_GLASS_COLOR_OLED},
        {"[panel]\ncontroller = ssd1351\nformat = 6-6-6\n[glass]\nsize = 128 x 128\n[bus]\n"
         "kind = 8080-8\ncycle = 0.5 us\n",
         &jl_rgb666_low, 0, 500, JL_GLASS_COLOR_OLED},
        {"[panel]\ncontroller = ssd1322\n[glass]\nsize = 256 x 64\ncolor = green\n[bus]\n"
         "kind = spi\n",
         &jl_grey4, 8000000, 0, JL_GLASS_GREEN},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("row %zu", i);
        EXPECT(read_text(rows[i].text));
        EXPECT(card.format == rows[i].format);
        EXPECT_INT(card.clock_hz, rows[i].clock_hz);
        EXPECT_INT(card.cycle_ns, rows[i].cycle_ns);
        EXPECT_INT(card.glass_kind, rows[i].kind);
    }
}

static void color_mistakes_are_explained(void) {
    static const struct mistake rows[] = {
        {"[panel]\nformat = 565\n", 2, "usual, 3-3-2, 5-6-5, 6-6-6, 8-8-8, greys or palette"},
        {"[glass]\nmemory = 132\n", 2, "expected the RAM as strapped"},
        {"[glass]\nfirst-row = -1\n", 2, "expected a RAM row, 0 to 1023"},
        {"[glass]\nips = maybe\n", 2, "no or yes"},
        {"[glass]\norder = bgr\n", 2, "usual or swapped"},
        {"[glass]\nshape = oval\n", 2, "rectangle or round"},
        {"[bus]\ncycle = 66\n", 2, "66 ns"},
        {"[bus]\nworks-up-to = fast\n", 2, "expected a frequency"},
        {TFT "[glass]\nsize = 128 x 160\nfirst-column = 5\n[bus]\nkind = spi\n", 5,
         "128 x 160 pixels from column 5, row 0 on: the st7735 has 132 x 162"},
        {TFT "[glass]\nsize = 128 x 160\nfirst-row = 3\n[bus]\nkind = spi\n", 5, "row 3"},
        {TFT "[glass]\nsize = 128 x 160\nmemory = 140 x 162\n[bus]\nkind = spi\n", 5,
         "memory = 140 x 162: the st7735 has 132 x 162"},
        {TFT "[glass]\nsize = 128 x 160\n[bus]\nkind = i2c\naddress = 0x3C\n", 6,
         "the st7735 has no I2C"},
        {TFT "[glass]\nsize = 128 x 160\n[bus]\nkind = spi\ncycle = 66 ns\n", 7,
         "cycle: expected clock, which is what a serial bus has"},
        {TFT "[glass]\nsize = 128 x 160\n[bus]\nkind = 8080-8\nclock = 8 MHz\n", 7,
         "clock: expected cycle, which is what a parallel bus has"},
        {"[panel]\ncontroller = ili9488\nformat = 5-6-5\n[glass]\nsize = 320 x 480\n[bus]\n"
         "kind = spi\n",
         3, "the ili9488 does not take these pixels on this bus"},
        {"[panel]\ncontroller = ssd1327\norientation = quarter-turn\n[glass]\n"
         "size = 128 x 128\n[bus]\nkind = spi\n",
         3, "the ssd1327 cannot turn by a quarter"},
        {"[panel]\ncontroller = ssd1322\n[glass]\nsize = 256 x 64\n[bus]\nkind = 8080-16\n", 6,
         "the ssd1322 has no 16-bit 8080 bus"},
        {TFT "[glass]\nmemory = 132 x 4097\n", 4, "expected the RAM as strapped"},
        {TFT "[glass]\nmemory = 0 x 132\n", 4, "expected the RAM as strapped"},
    };
    expect_mistakes(rows, sizeof rows / sizeof rows[0]);
}

#define LCD      "[panel]\ncontroller = hd44780\n"
#define CELLS    "[glass]\nsize = 20 x 4 cells\n"
#define BACKPACK "[bus]\nkind = expander\naddress = 0x27\n"
#define PAPER    "[panel]\ncontroller = ssd1680\n[glass]\nsize = 122 x 250\n"

/* What one kind of glass has, and another has not. */
static void mistakes_between_kinds_are_explained(void) {
    static const struct mistake rows[] = {
        {HEAD GLASS "color = paper\n" BUS, 5, "[glass] color: the ssd1306 drives no e-paper"},
        {PAPER "color = white\n[bus]\nkind = spi\n", 5,
         "[glass] color: the ssd1680 drives e-paper: expected paper or paper-red"},
        {PAPER "[bus]\nkind = spi\n[pins]\nlight = wired\n", 8,
         "[pins] light: e-paper has none: leave it out"},
        {TFT "[glass]\nsize = 128 x 160\ncolor = white\n[bus]\nkind = spi\n[pins]\nlight = wired\n",
         9, "[pins] light: the dots of this glass shine by themselves"},
        {HEAD GLASS "chips = high\n" BUS, 5,
         "[glass] chips: the ssd1306 stands behind its glass alone"},
        {HEAD GLASS BUS "[wake]\nstep = pulse 3\n", 9,
         "pulse is for character modules: send BYTES"},
        {HEAD GLASS BUS "[wake]\nstep = pulse 33\n", 9, "expected one hex digit, such as pulse 3"},
        {HEAD GLASS BUS "[wake]\nstep = pulse g\n", 9, "expected one hex digit, such as pulse 3"},
        {LCD CELLS BACKPACK "[wake]\nstep = wait busy low 400 ms\n", 9,
         "a character module has no BUSY pin to wait for: wait TIME"},
        {LCD CELLS "[bus]\nkind = i2c\naddress = 0x3E\n", 6, "parallel-4, parallel-8 or expander"},
    };
    expect_mistakes(rows, sizeof rows / sizeof rows[0]);
    EXPECT(read_text(LCD CELLS BACKPACK "[wake]\nstep = pulse b\nstep = pulse 3 \n"));
    EXPECT_INT(card.wake_bytes, 4);
    EXPECT_INT(card.wake_steps[1], 0x0B);
    EXPECT_INT(card.wake_steps[3], 0x03);
}

/* The harbour's other tables: one broken at a time, the rest as shipped. */

static void a_card_of_cells_is_read(void) {
    EXPECT(read_text(LCD "[glass]\nsize = 16 x 1\nhalves = yes\nrom = a02\n"
                         "contrast-voltage = 4.2 V\n[bus]\nkind = parallel-8\nbusy = yes\n"));
    EXPECT_INT(card.width, 16);
    EXPECT_INT(card.height, 1);
    EXPECT(card.cells.halves && card.cells.european_rom && card.cells.reads_busy);
    EXPECT_INT(card.cells.millivolts, 4200);
    EXPECT_INT(card.cells.bus, JL_CELLS_PARALLEL_8);
    EXPECT_INT(card.glass_kind, JL_GLASS_LCD_GREEN);
    EXPECT(read_text(LCD CELLS BACKPACK "outputs = d4 d5 d6 d7 e rw rs light-low\n"
                                        "clock = 400 kHz\nworks-up-to = 400 kHz\n"));
    EXPECT_INT(card.cells.outputs.rs, 6);
    EXPECT_INT(card.cells.outputs.e, 4);
    EXPECT_INT(card.cells.outputs.e2, -1);
    EXPECT_INT(card.cells.outputs.light, 7);
    EXPECT_INT(card.cells.outputs.data[3], 3);
    EXPECT(card.cells.outputs.light_low);
    EXPECT(read_text(LCD CELLS BACKPACK));
    EXPECT_INT(card.clock_hz, 100000);
    EXPECT_INT(card.cells.outputs.rs, 0);
    EXPECT_INT(card.cells.outputs.light, 3);
}

static void mistakes_in_cells_are_explained(void) {
    static const struct mistake rows[] = {
        {"[glass]\nrom = a01\n", 2, "expected one of a00, a02 or ascii"},
        {"[glass]\nhalves = perhaps\n", 2, "expected one of no or yes"},
        {"[glass]\ncontrast-voltage = 4.5\n", 2, "such as 4.5 V"},
        {"[glass]\ncontrast-voltage = 40 V\n", 2, "0.1 V to 12 V"},
        {"[bus]\noutputs = rs rw e light\n", 2, "where P0 to P7 lead, in eight words"},
        {"[bus]\noutputs = rs rw e light d4 d5 d6 d7 d7\n", 2, "d7 stands twice, at P7 and P8"},
        {"[bus]\noutputs = rs rs e light d4 d5 d6 d7\n", 2, "rs stands twice, at P0 and P1"},
        {"[bus]\noutputs = rs rw en light d4 d5 d6 d7\n", 2, "\"en\" is none of rs, rw, e"},
        {LCD CELLS BACKPACK "outputs = rs rw e light d4 d5 d6 -\n", 8, "d4, d5, d6 and d7"},
        {LCD "[glass]\nsize = 40 x 4\n" BACKPACK, 7, "expected rs, e, e2, d4"},
        {LCD "[glass]\nsize = 20 x 3\n" BACKPACK, 4, "20 x 3 cells: expected 1 row"},
        {LCD "[glass]\nsize = 41 x 2\n" BACKPACK, 4, "2 or 4 rows of up to 40"},
        {LCD "[glass]\nsize = 15 x 1\nhalves = yes\n" BACKPACK, 4, "1 row of two halves"},
        {LCD CELLS "[bus]\nkind = expander\n", 6, "without address in [bus], such as"},
        {LCD CELLS "[bus]\nkind = expander\naddress = 0x3C\nclock = 400 kHz\n", 8,
         "if this module was seen to work faster, say so with works-up-to"},
        {LCD CELLS "[bus]\nkind = expander\naddress = 0x48\n", 7, "a pcf8574A at 0x38"},
        {LCD CELLS BACKPACK "clock = 6 MHz\n", 8, "I2C ends at 5 MHz"},
        {LCD CELLS BACKPACK "busy = yes\n", 8, "too slow to be worth it"},
        {LCD CELLS "[bus]\nkind = parallel-4\nclock = 100 kHz\n", 7, "only an expander"},
        {LCD CELLS "[bus]\nkind = i2c\naddress = 0x3C\n", 6, "parallel-4, parallel-8 or expander"},
        {LCD "[glass]\nsize = 20 x 4\nfirst-column = 2\n" BACKPACK, 5,
         "[glass] first-column: only for graphic panels, and the hd44780 drives cells"},
        {"[panel]\ncontroller = aip31068\n" CELLS "[bus]\nkind = i2c\n", 6,
         "without address in [bus], such as address = 0x3E"},
        {"[panel]\ncontroller = aip31068\n" CELLS "[bus]\nkind = i2c\naddress = 0x27\n", 7,
         "address = 0x27: expected 0x3E"},
        {"[panel]\ncontroller = aip31068\n" CELLS
         "[bus]\nkind = i2c\naddress = 0x3E\nclock = 1 MHz\n",
         8, "the aip31068 ends at 400 kHz"},
        {"[panel]\ncontroller = aip31068\n" CELLS "[bus]\nkind = parallel-4\n", 6,
         "the aip31068 has i2c"},
        {"[panel]\ncontroller = aip31068\n[glass]\nsize = 40 x 4\n"
         "[bus]\nkind = i2c\naddress = 0x3E\n",
         4, "that takes two controllers"},
        {"[panel]\ncontroller = aip31068\n" CELLS "[bus]\nkind = i2c\naddress = 0x3E\n"
         "outputs = rs rw e light d4 d5 d6 d7\n",
         8, "only an expander has them"},
        {"[panel]\ncontroller = ws0010\n" CELLS BACKPACK, 6, "the ws0010 has parallel-4"},
        {"[panel]\ncontroller = ws0010\n" CELLS "[bus]\nkind = parallel-4\nbusy = yes\n", 7,
         "the ws0010 is driven without"},
        {LCD CELLS "[bus]\nkind = parallel-4\naddress = 0x27\n", 7, "only an expander"},
        {LCD CELLS "[bus]\nkind = parallel-4\noutputs = rs rw e light d4 d5 d6 d7\n", 7,
         "only an expander"},
        {LCD "[glass]\nsize = 81 x 1\n[bus]\nkind = parallel-4\n", 4, "1 row of up to 80"},
        {LCD "[glass]\nsize = 16 x 2\nhalves = yes\n[bus]\nkind = parallel-4\n", 4,
         "1 row of two halves"},
        {"[panel]\ncontroller = st7036\n[glass]\nsize = 20 x 3\n[bus]\nkind = i2c\n"
         "address = 0x3C\n",
         4, "3 of up to 16 of an st7036"},
        {HEAD GLASS "rom = a00\n" BUS, 5,
         "[glass] rom: only for character modules, and the ssd1306 drives pixels"},
        {HEAD GLASS "[bus]\nkind = expander\naddress = 0x3C\n", 6, "not the ssd1306"},
    };
    expect_mistakes(rows, sizeof rows / sizeof rows[0]);
}

#define TOUCH "[touch]\ncontroller = "
static void touch_in_cards(void) {
    static const struct mistake rows[] = {
        {TOUCH "ft5000\n", 2,
         "unknown touch controller; known are: xpt2046, ft6x36, gt911, cst816"},
        {"[touch]\naddress = 0x70\nmounting = askew\n", 3, "expected one of upright, quarter-turn"},
        {"[touch]\naddress = 0xBA\n", 2, "write the 7-bit address: address = 0x5D"},
        {"[touch]\nclock = 2\n", 2, "with its unit"},
        {"[touch]\npin = 3\n", 2, "known are: controller, address, clock, mounting"},
        {HEAD GLASS BUS "[touch]\nclock = 2 MHz\n", 9, "[touch] clock: expected controller, too"},
        {HEAD GLASS BUS TOUCH "xpt2046\naddress = 0x38\n", 10, "on SPI, and has none"},
        {HEAD GLASS BUS TOUCH "gt911\naddress = 0x38\n", 10, "answers at 0x5D or 0x14"},
        {HEAD GLASS BUS TOUCH "cst816\nclock = 6 MHz\n", 10, "I2C ends at 5 MHz"},
        {LCD CELLS BACKPACK TOUCH "cst816\n", 9, "[touch] controller: only for graphic panels"},
    };
    expect_mistakes(rows, sizeof rows / sizeof rows[0]);
    EXPECT(read_text(HEAD GLASS BUS TOUCH "gt911\naddress = 0x14\nmounting = mirrored-y\n"));
    EXPECT_TEXT(card.touch.controller->name, "gt911");
    EXPECT_INT(card.touch.i2c_address, 0x14);
    EXPECT_INT(card.touch.clock_hz, 400000);
    EXPECT_INT(card.touch.mounting, JL_TURN_180 | JL_TURN_MIRROR);
    EXPECT(read_text(HEAD GLASS BUS TOUCH "xpt2046\n"));
    EXPECT_INT(card.touch.clock_hz, 2500000);
    EXPECT(read_text(HEAD GLASS BUS));
    EXPECT(card.touch.controller == NULL);
}

static void harbour_tables(void) {
    static const struct {
        const char *file, *text, *says;
    } rows[] = {
        {"wind", "time,degrees\n", "expected \"time,degrees,knots\""},
        {"wind", "time,degrees,knots\n", "no rows"},
        {"wind", "time,degrees,knots\n07:00,360,5\n", "wind.csv:2: read \"07:00,360,5\""},
        {"wind", "time,degrees,knots\n7:00,36,5\n", "expected a time, degrees and knots"},
        {"wind", "time,degrees,knots\n07:00,36\n", "expected 3 values"},
        {"wind", "time,degrees,knots\n07:00,36,5,6,7,8\n", "expected 3 values"},
        {"berths", "berth,boat,length_cm,until\n7,Sandpiper,many,1 Dec\n",
         "expected berth, boat, centimetres and date"},
        {"berths", "berth,boat,length_cm,until\n7,A name that is too long,5,1 Dec\n",
         "berths.csv:2:"},
        {"tide", "time,height_cm\n07:00,-100\n", "tide.csv:2:"},
        {"lock", "time,upper_cm,chamber_cm,lower_cm,boat\n08:00,411,501,77,\n",
         "lock.csv:2: read \"08:00,411,501,77,\", expected a time, three levels of 0 to 500 cm"},
        {"lock", "time,upper_cm,chamber_cm,lower_cm,boat\n08:00,411,400,77\n", "expected 5 values"},
        {"notices", "from,notice\n25:00,Fog\n", "notices.csv:2: read \"25:00,Fog\""},
    };
    struct jl_demo_board boards[JL_DEMO_BOARDS];
    char share[512], command[1200];
    EXPECT(jl_share_path("demo", share, sizeof share));
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char path[64];
        test_row("%s: %s", rows[i].file, rows[i].text);
        snprintf(command, sizeof command, "rm -rf harbour-%ld && cp -r '%s' harbour-%ld",
                 (long)getpid(), share, (long)getpid());
        EXPECT_INT(system(command), 0);
        snprintf(path, sizeof path, "harbour-%ld/data/%s.csv", (long)getpid(), rows[i].file);
        EXPECT(jl_file_put(path, rows[i].text, strlen(rows[i].text), &complaint));
        snprintf(path, sizeof path, "harbour-%ld", (long)getpid());
        EXPECT(!jl_demo_boards(path, "nothing-here", boards, &complaint));
        EXPECT_CONTAINS(complaint.text, rows[i].says);
        EXPECT(access("nothing-here", F_OK) != 0); /* nothing was written */
    }
    snprintf(command, sizeof command, "rm -rf harbour-%ld", (long)getpid());
    EXPECT_INT(system(command), 0);
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
    {"a_color_card_is_read", a_color_card_is_read},
    {"color_mistakes_are_explained", color_mistakes_are_explained},
    {"mistakes_between_kinds_are_explained", mistakes_between_kinds_are_explained},
    {"a_card_of_cells_is_read", a_card_of_cells_is_read},
    {"mistakes_in_cells_are_explained", mistakes_in_cells_are_explained},
    {"touch_in_cards", touch_in_cards},
    {"harbour_tables", harbour_tables},
    {"tide_tables", tide_tables},
    {NULL, NULL},
};
