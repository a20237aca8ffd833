/* The command and the examples, run as a user runs them. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <dirent.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

#include "jadelamp/host/card.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/jadelamp.h"
#include "jadelamp/host/png.h"
#include "kinds.h"
#include "naive.h"
#include "json_at.h"
#include "shell.h"
#include "wind_dial.h"

static struct jl_complaint complaint;

/* What the last word may become; "!" before what must not be there. */
static void completion(void) {
    static const struct {
        const char *words, *has[3];
    } rows[] = {
        {"''", {"light\n", "bundle\n", "!complete"}},
        {"--v", {"--version\n", "!light"}},
        {"su", {"suspects\n", "!bundle"}},
        {"light ssd1306-128x32-", {"ssd1306-128x32-i2c\n", "ssd1306-128x32-spi\n:file\n", "!x64"}},
        {"light card -", {"--screen\n", "--json\n", "!--rank"}},
        {"light --terminal ''", {"blocks\nbraille\n", "!:file"}},
        {"light --terminal=br", {"--terminal=braille\n", "!blocks"}},
        {"light --terminal = br", {"braille\n", "!--terminal"}},
        {"light --terminal =", {"blocks\nbraille\n"}},
        {"light --into ''", {":folder\n", "!:file"}},
        {"light -o ''", {":folder\n", "!:file"}},
        {"light --screen ''", {":file\n", "!ssd1306"}},
        {"explain capture.vcd -c pcd8", {"pcd8544-84x48-spi\n", "!ssd1306"}},
        {"catalog ks", {"ks0108\n", "!ssd1306", "!:file"}},
        {"check --ra", {"--rank\n", "!--json"}},
        {"bake ''", {"picture\n", "font\n", "!--"}},
        {"bake fo", {"font\n", "!picture"}},
        {"bake font --s", {"--size\n", "!--text"}},
        {"bundle --a", {"--all\n", "!--card"}},
        {"dance --", {"!--"}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[200];
        snprintf(line, sizeof line, JADELAMP " complete %s", rows[i].words);
        EXPECT_INT(shell_run(".", line), 0);
        for (int k = 0; k < 3 && rows[i].has[k]; k++) {
            const char *text = rows[i].has[k];
            EXPECT((strstr(output, text + (*text == '!')) != NULL) == (*text != '!'));
        }
    }
}

/* Lines, exit statuses and a part of what they print. */
static void usage(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP, 2, "Usage: jadelamp VERB"},
        {JADELAMP " --help", 0, "first light"},
        {JADELAMP " --version", 0, "jadelamp 0.1.0"},
        {JADELAMP " bundle --help", 0, "Usage: jadelamp bundle --card CARD"},
        {JADELAMP " bundle --nonsense", 2, "--nonsense"},
        {JADELAMP " complete", 2, "Usage: jadelamp complete WORD..."},
        {JADELAMP " dance", 2, "\"dance\" is not a verb"},
        {JADELAMP " catalog --help", 0, "--json"},
        {JADELAMP " catalog", 0, "ssd1306-72x40-i2c"},
        {JADELAMP " catalog", 0, "ssd1306         monochrome OLED    128x64    I2C SPI 8080 6800"},
        {JADELAMP " catalog ssd1306", 0, "I2C up to 400 kHz, at 0x3C or 0x3D"},
        {JADELAMP " catalog ssd1306", 0, "dark until 8D 14 comes before AF"},
        {JADELAMP " catalog ssd1306", 0, "ssd1306-128x32-spi"},
        {JADELAMP " catalog sh1106", 0, "two columns to the"},
        {JADELAMP " catalog ssd1306 | grep -c sh1106-", 1, "0"},
        {JADELAMP " catalog xpt2046", 0, "ili9341-240x320-touch"},
        {JADELAMP " catalog gt911", 0, "No panel card has it: [touch] controller = gt911"},
        {JADELAMP " catalog gt911 | grep -c 'Panel cards'", 1, "0"},
        {JADELAMP " catalog extra", 2, "no controller extra"},
        {JADELAMP " catalog ssd1306 extra", 2, "\"extra\" is one argument too many"},
        {JADELAMP " catalog ssd1306 --json", 0, "\"quirks\""},
        {JADELAMP " catalog ssd1306 --json > /dev/full", 2, "could not be written"},
        {JADELAMP " catalog --nonsense", 2, "--nonsense"},
        {"JADELAMP_SHARE=nowhere " JADELAMP " catalog", 2, "JADELAMP_SHARE"},
        {JADELAMP " scan", 0, "0x3C    0x78, 0x79"},
        {JADELAMP " scan ssd1306-128x64-spi", 2, "none of the cards is on I2C"},
        {JADELAMP " scan --unplugged", 1, "Nobody answered. Look at"},
        {JADELAMP " scan missing-card", 2, "no card missing-card"},
        {JADELAMP " light", 2, "name a card"},
        {JADELAMP " light missing-card", 2, "no card missing-card"},
        {JADELAMP " light ssd1306-128x64-i2c two", 2, "one argument too many"},
        {JADELAMP " light ssd1306-128x64-i2c --scale 1", 2, "expected 2 to 32"},
        {JADELAMP " light ssd1306-128x64-i2c --terminal ascii", 2, "expected blocks or braille"},
        {JADELAMP " light ssd1306-128x64-i2c --text a --picture b", 2, "expected one of them"},
        {JADELAMP " light ssd1306-128x64-i2c --picture /nowhere.png", 2, "/nowhere.png"},
        {JADELAMP " light hd44780-16x2-4bit --picture x", 2, "shows no pictures"},
        {JADELAMP " light hd44780-16x2-4bit --film", 2, "a film is of e-paper"},
        {JADELAMP " light st7789-240x240-spi --film", 2, "a film is of e-paper"},
        {JADELAMP " light ssd1306-128x64-i2c --glass nothing", 2, "no card nothing"},
        {JADELAMP " light ssd1306-128x64-i2c --glass pcd8544-84x48-spi", 2,
         "the bus of ssd1306-128x64-i2c does not reach the pcd8544 of pcd8544-84x48-spi"},
        {JADELAMP " light ssd1306-128x64-i2c --glass hd44780-20x4-expander", 2,
         "one has pixels, the other one cells"},
        {JADELAMP " light hd44780-16x2-4bit --glass hd44780-20x4-expander", 2,
         "the bus of hd44780-16x2-4bit does not reach the module of hd44780-20x4-expander"},
        {JADELAMP " light ssd1306-128x64-i2c --glass sh1106-128x64-i2c --json --into x; rm -r x", 0,
         "\"code\":\t\"unknown-command\""},
        {JADELAMP " light ssd1306-128x64-i2c --fault rain", 2, "expected unplugged"},
        {JADELAMP " light ssd1306-128x64-i2c --fault nack-at=x", 2, "expected unplugged"},
        {JADELAMP " light ssd1306-128x64-spi --fault sda-low", 2, "which only I2C has"},
        {JADELAMP " light hd44780-20x4-expander --fault unplugged --into x; rm -r x", 0,
         "no answer"},
        {JADELAMP " scan hd44780-20x4-expander", 0, "0x27    0x4E, 0x4F"},
        {JADELAMP " catalog", 0, "20x4 cells, 4 bits behind I2C at 0x27, 100 kHz"},
        {JADELAMP " bake", 2, "expected what to bake: glyph, picture"},
        {JADELAMP " bake font --help", 0, "Usage: jadelamp bake font FILE"},
        {JADELAMP " bake font /nowhere.ttf --size 12", 2,
         "cannot read the font /nowhere.ttf: No such file or directory"},
        {JADELAMP " bake font --bad x", 2, "see jadelamp bake font --help"},
        {JADELAMP " bake cake x", 2, "cake: expected what to bake: glyph, picture"},
        {JADELAMP " bake glyph", 2, "name a file with text art"},
        {JADELAMP " bake glyph /nowhere.txt", 2, "cannot read /nowhere.txt"},
        {JADELAMP " demo extra", 2, "one argument too many"},
        {JADELAMP " demo --data /nowhere", 2, "cannot read the table /nowhere/data/tide.csv"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell_files(), 0); /* none of these may write */
    shell_end();
}

static void files_of_a_light(void) {
    static const struct {
        const char *card, *picture;
    } rows[] = {
        {"ssd1306-128x64-i2c", "test-card-128x64"},
        {"ssd1306-128x64-spi", "test-card-128x64"},
        {"ssd1306-128x64-yellow-blue", "test-card-128x64"},
        {"ssd1306-128x32-i2c", "test-card-128x32"},
        {"ssd1306-64x48-i2c", "test-card-64x48"},
        {"ssd1306-72x40-i2c", "test-card-72x40"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[256], name[128];
        shell_begin();
        snprintf(line, sizeof line, "%s light %s --into made/here", JADELAMP, rows[i].card);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "lit");
        snprintf(name, sizeof name, "made/here/%s-glass.png", rows[i].card);
        struct jl_picture glass = shell_picture(name);
        EXPECT_STORED_PICTURE(&glass, rows[i].picture);
        jl_picture_free(&glass);
        snprintf(name, sizeof name, "made/here/%s-photo.png", rows[i].card);
        struct jl_picture photo = shell_picture(name);
        EXPECT(photo.width > 64 * 8 && photo.height > 32 * 8);
        jl_picture_free(&photo);
        snprintf(name, sizeof name, "made/here/%s.vcd", rows[i].card);
        EXPECT(shell_has(name));
        shell_end();
    }
}

/* A channel of a 5-6-5 frame on glass with six inputs for it: the top bits come again, first for
 * the input that has no line, then for the eye. */
static unsigned through_six(unsigned value, int frame_bits) {
    unsigned out = 0;
    for (int from_top = 0; from_top < 8; from_top++) {
        out |= (value >> (7 - from_top % 6 % frame_bits) & 1) << (7 - from_top);
    }
    return out;
}

/* What the card's panel shows of the naive test card: its pixels, and its shape. */
static struct jl_picture expected_card(const struct jl_card *card) {
    static struct naive sheet;
    struct jl_picture picture;
    unsigned bits = card->format->bits_per_pixel;
    naive_init(&sheet, card->width, card->height);
    sheet.quantize = kind_of(card->format)->store;
    if (card->controller->driver->paper || card->format == &jl_black_white) {
        naive_paper_test_card(&sheet, card->controller->name);
    } else if (bits == 1) {
        naive_test_card(&sheet, card->controller->name);
    } else {
        naive_shades_test_card(&sheet, card->controller->name, bits > 4);
    }
    for (int i = 0; card->scanout.config.data_lines == 18 && i < card->width * card->height; i++) {
        jl_color *c = &sheet.px[i / card->width][i % card->width];
        *c = JL_RGB(through_six(jl_color_red(*c), 5), through_six(jl_color_green(*c), 6),
                    through_six(jl_color_blue(*c), 5));
    }
    for (int y = 0; y < card->height && card->round; y++) {
        for (int x = 0; x < card->width; x++) {
            int from_x = 2 * x + 1 - card->width, from_y = 2 * y + 1 - card->height;
            if (from_x * from_x + from_y * from_y > card->width * card->width) {
                sheet.px[y][x] = JL_BLACK;
            }
        }
    }
    EXPECT(naive_picture(&sheet, &picture));
    return picture;
}

/* Of cells the text is told; their dots are looked at in test_cells.c. */
static void expect_cells(const struct jl_card *card) {
    const char *tell = card->height == 1          ? "|\u24EA1234"
                       : card->cells.european_rom ? "\\~\u00B1\u00E0\u00FF\u2460|"
                                                  : "\u00A5\u2192\uFF71\u03B1\u2588\u2460|";
    EXPECT_CONTAINS(output, tell);
}

/* The times of a recording, line by line: none may be before the one above. */
static void expect_times_rise(const char *name) {
    char line[200], capture[200];
    unsigned long long last = 0, marks = 0, back = 0;
    snprintf(capture, sizeof capture, "%s.vcd", name);
    FILE *file = fopen(shell_path(capture), "r");
    EXPECT(file != NULL);
    while (file && fgets(line, sizeof line, file)) {
        if (line[0] == '#') {
            unsigned long long now = strtoull(line + 1, NULL, 10);
            back += now < last;
            last = now;
            marks++;
        }
    }
    EXPECT(marks > 100);
    EXPECT_INT((long long)back, 0);
    if (file) {
        fclose(file);
    }
}

static void expect_light(void *context, const char *name, const char *path) {
    struct jl_card card;
    char line[1400];
    EXPECT(jl_card_read(path, &card, &complaint));
    ++*(int *)context;
    test_row("%s", name);
    shell_begin();
    /* The recording of a large glass is 70 to 200 MB, and no other than a small one's. */
    bool large = (long)card.width * card.height > 160L * 160;
    snprintf(line, sizeof line, "%s light %s --scale 2 --into .%s", JADELAMP, name,
             large ? " --no-wires" : "");
    EXPECT_INT(shell(line), 0);
    bool paper = card.controller->driver && card.controller->driver->paper;
    EXPECT_CONTAINS(output, paper ? "the glass shows the picture" : "lit");
    if (!large)
        expect_times_rise(name);
    if (card.cells.bus) {
        expect_cells(&card);
    } else {
        snprintf(line, sizeof line, "%s-glass.png", name);
        struct jl_picture glass = shell_picture(line), expected = expected_card(&card);
        for (int i = 0; paper && i < glass.width * glass.height * 3; i++) {
            /* greys are as near as particles come: within 2 of 255, and 1 step of the frame's */
            int off = glass.rgb[i] - expected.rgb[i];
            glass.rgb[i] = off >= -2 && off <= 2 ? expected.rgb[i] : glass.rgb[i];
        }
        EXPECT_PICTURE(&glass, &expected, name);
        jl_picture_free(&glass);
        jl_picture_free(&expected);
    }
    shell_end();
}

/* Files in the folder, so that a new card changes no test. */
static int cards_that_ship(void) {
    char folder[512];
    EXPECT(jl_share_path("cards", folder, sizeof folder));
    DIR *directory = opendir(folder);
    int count = 0;
    for (struct dirent *entry; directory && (entry = readdir(directory)) != NULL;) {
        size_t length = strlen(entry->d_name);
        count += length > 5 && strcmp(entry->d_name + length - 5, ".card") == 0;
    }
    EXPECT(directory && closedir(directory) == 0);
    EXPECT(count > 40);
    return count;
}

/* Numbers that were typed elsewhere: each contradiction in words, and the picture they make. */
static void typed_numbers(void) {
    shell_begin();
    EXPECT_INT(
        shell(JADELAMP " light rgb-800x480 --into . --typed " DEMO_SOURCES "/data/console.typed"),
        1);
    EXPECT_CONTAINS(output, "  back porch          26        45            13        22\n");
    EXPECT_CONTAINS(output, "refresh     60.06 pictures a second, 31.71 us a line");
    EXPECT_CONTAINS(output, "46.1 MB/s on the mean, 66.6 MB/s while pixels go out");
    EXPECT_CONTAINS(output, "typed       19 numbers, 3 against the card");
    EXPECT_CONTAINS(output,
                    "line-back-porch = 46: by the card it is 45; that is the sum, not less");
    EXPECT_CONTAINS(output, "picture-sync = 10: by the card it is 9; that is the separate form");
    EXPECT_CONTAINS(output, "line-back-porch = 46: by the card it is 26; that is the back porch "
                            "with the sync");
    EXPECT_CONTAINS(output, "the picture is shifted by 1 to the right");
    /* One clock of porch more, one pixel less: black at the left, then what should be there. */
    struct jl_picture glass = shell_picture("rgb-800x480-glass.png");
    EXPECT_INT(jl_picture_at(&glass, 0, 100)[0], 0);
    EXPECT_INT(jl_picture_at(&glass, 1, 100)[0], 255); /* the border of the test card */
    jl_picture_free(&glass);
    EXPECT_INT(shell(JADELAMP " light rgb-800x480 --into . --json --typed " DEMO_SOURCES
                              "/data/console.typed"),
               1);
    cJSON *json = cJSON_Parse(output);
    const cJSON *typed = at(json, "typed");
    EXPECT_INT(at(typed, "count")->valueint, 3);
    EXPECT_INT(cJSON_GetArraySize(at(typed, "contradictions")), 3);
    const cJSON *timings = at(at(json, "card"), "timings");
    EXPECT_INT(at(at(at(timings, "line"), "summed"), "total")->valueint, 1055);
    EXPECT_INT(at(at(at(timings, "picture"), "separate"), "back_porch")->valueint, 13);
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x64-i2c --into . --typed " DEMO_SOURCES
                              "/data/console.typed"),
               2);
    EXPECT_CONTAINS(output, "ssd1306-128x64-i2c is not scanned out");
    EXPECT_INT(shell(JADELAMP " light rgb-800x480 --into . --typed nowhere.typed"), 2);
    EXPECT_CONTAINS(output, "cannot read nowhere.typed");
    EXPECT_INT(shell(JADELAMP " light rgb-800x480 --into . --glass rgb-480x272 --typed x"), 2);
    EXPECT_CONTAINS(output, "--typed and --glass: expected one of them");
    /* The description of one glass, on another one. */
    EXPECT_INT(shell(JADELAMP " light rgb-480x272 --into . --glass rgb-800x480"), 1);
    EXPECT_CONTAINS(output, "a line has 480 pixels, the glass 800");
    EXPECT_INT(shell(JADELAMP " catalog rgb-glass"), 0);
    EXPECT_CONTAINS(output, "RAM      none: frames lie in the microcontroller's");
    EXPECT_CONTAINS(output, "1056 x 525 clocks, 60.1 Hz, 46.1 MB/s (66.6 while pixels go out), "
                            "750 KB\n");
    EXPECT_INT(shell(JADELAMP " catalog"), 0);
    EXPECT_CONTAINS(output, "rgb-glass       scan-out glass     none      RGB\n");
    shell_end();
}

static void light_of_every_card(void) {
    int cards = 0;
    EXPECT(jl_share_cards("cards", expect_light, &cards));
    EXPECT_INT(cards, cards_that_ship());
}

static void light_in_the_terminal(void) {
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x32-i2c --terminal blocks"), 0);
    EXPECT_CONTAINS(output, "\u259B\u2580\u2580");
    const char *braille = JADELAMP " light ssd1306-128x32-i2c --terminal braille";
    EXPECT_INT(shell(braille), 0);
    struct jl_picture glass = shell_picture("ssd1306-128x32-i2c-glass.png");
    int lit = 0, dots = 0, rows = 0;
    for (int i = 0; i < glass.width * glass.height; i++) {
        lit += glass.rgb[i * 3] != 0;
    }
    for (const unsigned char *c = (const unsigned char *)output; *c; c++) {
        if (c[0] == 0xE2 && (c[1] & 0xFC) == 0xA0) {
            dots += __builtin_popcount((unsigned)(c[1] & 3) << 6 | (c[2] & 0x3F));
            c += 2;
            rows += c[1] == '\n';
        }
    }
    EXPECT_INT(dots, lit);
    EXPECT_INT(rows, 8); /* 32 rows, four a character */
    jl_picture_free(&glass);
    shell_end();
}

/* Nothing is recorded, and nothing is said of a recording. */
static void light_without_wires(void) {
    static const char *const lines[] = {JADELAMP " light ssd1306-128x64-i2c --no-wires",
                                        JADELAMP " light ssd1306-128x64-i2c --no-wires --json"};
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        shell_begin();
        EXPECT_INT(shell(lines[i]), 0);
        EXPECT(!strstr(output, "vcd"));
        EXPECT_CONTAINS(output, "ssd1306-128x64-i2c-photo.png");
        EXPECT_INT(shell_files(), 2);
        shell_end();
    }
}

/* A panel that does not answer is a finding, not an accident. */
static void light_on_a_broken_bus(void) {
    static const struct {
        const char *fault, *says;
    } rows[] = {
        {"unplugged", "no answer"},  {"sda-low", "timeout"},        {"nack-at=0", "no answer"},
        {"nack-at=30", "no answer"}, {"nack-at=1500", "no answer"}, {"nack-at=999999", "lit"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[256];
        shell_begin();
        snprintf(line, sizeof line, "%s light ssd1306-128x64-i2c --fault %s", JADELAMP,
                 rows[i].fault);
        EXPECT_INT(shell(line), i + 1 < sizeof rows / sizeof rows[0] ? 1 : 0);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT_INT(shell_files(), 3);
        shell_end();
    }
}

/* A card whose own wake-up forgets the charge pump: dark, and said why. */
static void light_of_a_wrong_card(void) {
    shell_begin();
    EXPECT_INT(
        shell("printf '[panel]\\ncontroller=ssd1306\\n[glass]\\nsize=128x64\\n[bus]\\nkind=i2c\\n"
              "address=0x3C\\n[wake]\\nstep = send AE 20 00\\nstep = clear\\nstep = send AF\\n' > "
              "my.card; " JADELAMP " light my.card"),
        1);
    EXPECT_CONTAINS(output, "dark: the charge pump is off");
    EXPECT_INT(shell("printf '[panel]\\ncontroller=ssd1306\\n[bus]\\naddress = 0x78\\n' > "
                     "bad.card; " JADELAMP " light bad.card"),
               2);
    EXPECT_CONTAINS(output, "bad.card:4: address = 0x78");
    EXPECT_CONTAINS(output, "address = 0x3C");
    EXPECT_INT(shell_files(), 2 + 3);
    shell_end();
}

/* Interrupted at any moment, a command leaves whole files only. */
static void an_interrupted_command_leaves_no_drafts(void) {
    static const char *const signals[] = {"INT", "TERM", "HUP"};
    int stopped = 0;
    for (int i = 0; i < 12; i++) {
        char line[300];
        shell_begin();
        snprintf(line, sizeof line,
                 "timeout --preserve-status -s %s 0.%03d %s demo --into d > /dev/null",
                 signals[i % 3], 10 + i * 12, JADELAMP);
        stopped += shell(line) != 0;
        EXPECT_INT(shell("mkdir -p d; ls d | grep -c part"), 1); /* grep finds none */
        EXPECT_INT(shell("for f in d/*.png; do test ! -e $f || tail -c 8 $f | grep -q END; done"),
                   0);
        shell_end();
    }
    EXPECT(stopped > 2);
}

/* A description on the glass of another card: the mistakes of the bring-up guide. */
static void light_on_another_glass(void) {
    static const struct {
        const char *card, *glass;
        int status;
        const char *says;
    } rows[] = {
        {"ssd1306-128x64-i2c", "ssd1306-128x64-i2c", 0, "lit"},
        {"ssd1306-128x64-i2c", "ssd1306-128x64-yellow-blue", 0, "wired to ssd1306-128x64-yellow"},
        {"sh1106-128x64-i2c", "ssd1306-128x64-i2c", 1, "dark: the charge pump is off"},
        {"ssd1306-128x64-i2c", "sh1106-128x64-i2c", 1, "lit"},
        {"ssd1309-128x64-i2c", "ssd1306-128x64-i2c", 1, "dark: the charge pump is off"},
        {"st7789-240x320-spi", "ili9341-240x320-spi", 1, "lit"},
        {"hd44780-16x2-expander", "hd44780-20x4-expander", 1, "no answer"},
        {"hd44780-16x2-4bit", "hd44780-16x2-8bit", 0, "lit"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        shell_begin();
        snprintf(line, sizeof line, JADELAMP " light %s --glass %s", rows[i].card, rows[i].glass);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT_INT(shell_files(), 3);
        shell_end();
    }
    /*
     * By the geometry: 64x48 glass sits on outputs 32..95, and its top row on COM47. The scan of 64
     * rows, reversed, puts row 63 - 47 of the picture there.
     */
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x64-i2c --glass ssd1306-64x48-i2c"), 0);
    struct jl_picture seen = shell_picture("ssd1306-128x64-i2c-glass.png");
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x64-i2c"), 0);
    struct jl_picture whole = shell_picture("ssd1306-128x64-i2c-glass.png");
    EXPECT_INT(seen.width, 64);
    EXPECT_INT(seen.height, 48);
    int wrong = 0;
    for (int y = 0; y < 48; y++) {
        for (int x = 0; x < 64; x++) {
            wrong += *jl_picture_at(&seen, x, y) != *jl_picture_at(&whole, x + 32, y + 16);
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&seen);
    jl_picture_free(&whole);
    shell_end();
}

/* Content of one's own: text in the middle, in the largest font that fits; pictures fitted. */
static void light_with_own_content(void) {
    static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 32)];
    static const struct {
        const char *text;
        const struct jl_font *font;
        struct {
            int x, y;
            const char *text;
        } lines[2];
    } rows[] = {
        {"Tide", &jl_font_8x13, {{(128 - 4 * 8) / 2, (32 - 15) / 2, "Tide"}}},
        {"High\\nLow", &jl_font_8x13, {{(128 - 32) / 2, 1, "High"}, {(128 - 24) / 2, 16, "Low"}}},
        {"three lines in large, two in small",
         &jl_font_5x7,
         {{(128 - 21 * 6) / 2, 4, "three lines in large,"},
          {(128 - 12 * 6) / 2, 16, "two in small"}}},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        struct jl_frame frame;
        struct jl_picture expected;
        struct jl_text_style style = {.font = rows[i].font, .ink = JL_WHITE};
        snprintf(line, sizeof line, JADELAMP " light ssd1306-128x32-i2c --text \"%s\"",
                 rows[i].text);
        EXPECT_INT(shell(line), 0);
        EXPECT_INT(jl_frame_init(&frame, &jl_mono_columns, 128, 32, pixels, sizeof pixels), JL_OK);
        for (int k = 0; k < 2 && rows[i].lines[k].text; k++) {
            jl_text(&frame.target, (int16_t)rows[i].lines[k].x, (int16_t)rows[i].lines[k].y,
                    rows[i].lines[k].text, &style);
        }
        EXPECT(jl_frame_picture(&frame, &expected));
        struct jl_picture seen = shell_picture("ssd1306-128x32-i2c-glass.png");
        EXPECT_PICTURE(&seen, &expected, "own-text");
        jl_picture_free(&seen);
        jl_picture_free(&expected);
    }
    EXPECT_INT(shell(JADELAMP " light hd44780-16x2-4bit --text 'Upper gate open, lower shut'"), 0);
    EXPECT_CONTAINS(output, "|Upper gate open,|\n  | lower shut     |");
    EXPECT_INT(shell(JADELAMP " light hd44780-16x2-4bit --text '\u00B5m 35\u00B0'"), 0);
    EXPECT_CONTAINS(output, "m 35\u00B0");
    EXPECT_INT(
        shell(JADELAMP " light hd44780-16x2-4bit --text 'too much text for two rows of a module'"),
        1);
    EXPECT_CONTAINS(output, "wider than its place");

    struct jl_picture drawn, seen;
    EXPECT(jl_picture_create(&drawn, 128, 32));
    for (int p = 0; p < 128 * 32; p++) {
        memset(drawn.rgb + p * 3, (p % 7 == 0) != (p % 5 == 0) ? 255 : 0, 3);
    }
    EXPECT(jl_png_write(shell_path("drawn.png"), &drawn, &complaint));
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x32-i2c --picture drawn.png"), 0);
    seen = shell_picture("ssd1306-128x32-i2c-glass.png");
    EXPECT_PICTURE(&seen, &drawn, "own-picture");
    jl_picture_free(&seen);
    jl_picture_free(&drawn);
    shell_end();
}

/* A panel that is mounted on its side is seen as a person sees it; its light has a pin. */
static void light_as_mounted(void) {
    shell_begin();
    EXPECT_INT(shell("printf '[panel]\ncontroller=st7789\norientation=quarter-turn\n[glass]\n"
                     "size=135x240\nfirst-column=52\nfirst-row=40\nips=yes\n[bus]\nkind=spi\n"
                     "[pins]\nlight=wired\n' > side.card; " JADELAMP " light side.card"),
               0);
    struct jl_picture seen = shell_picture("side-glass.png");
    static struct naive card;
    struct jl_picture expected;
    naive_init(&card, 240, 135);
    card.quantize = kinds[0].store;
    for (int i = 0; i < KINDS; i++) {
        card.quantize = kinds[i].format == &jl_rgb565 ? kinds[i].store : card.quantize;
    }
    naive_shades_test_card(&card, "st7789", true);
    EXPECT(naive_picture(&card, &expected));
    EXPECT_PICTURE(&seen, &expected, "mounted");
    jl_picture_free(&seen);
    jl_picture_free(&expected);
    seen = shell_picture("side-photo.png");
    EXPECT(seen.width > seen.height);
    jl_picture_free(&seen);
    EXPECT_INT(shell("grep -c 'light' side.vcd"), 0);
    shell_end();
}

/* Rows of a terminal are never wrapped. */
static void nothing_is_wider_than_the_terminal(void) {
    static const char *const lines[] = {
        JADELAMP " catalog",
        JADELAMP " catalog ssd1306",
        JADELAMP " catalog st7920",
        JADELAMP " catalog hd44780",
        JADELAMP " light st7789-240x320-spi --terminal blocks | grep -v wrote",
        JADELAMP " light ili9488-320x480-spi --terminal braille | grep -v wrote",
        "COLUMNS=40 " JADELAMP " light ssd1306-128x64-i2c --terminal blocks | tail -n 16"};
    shell_begin();
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        int most = i + 1 == sizeof lines / sizeof lines[0] ? 40 : 80, columns = 0, widest = 0;
        EXPECT_INT(shell(lines[i]), 0);
        for (const char *c = output; *c; c++) {
            columns = *c == '\n' ? 0 : columns + ((*c & 0xC0) != 0x80);
            widest = columns > widest ? columns : widest;
        }
        EXPECT(widest <= most && widest > 20);
    }
    shell_end();
}

/* JSON is UTF-8 whatever the files are called, and names each file that was written. */
static void json_names_the_files(void) {
    static const char *const lines[] = {
        "cp one.card \"$(printf 'n\\377m')\".card; " JADELAMP
        " light \"$(printf 'n\\377m')\".card --json --into out",
        JADELAMP " bake glyph art.txt --json --into out",
        JADELAMP " bake glyph art.txt --font --json --into out",
        JADELAMP " bake picture p.png --format 5-6-5 --json --into out",
        JADELAMP " bake picture p.png --format 5-6-5 --raw --json --into out",
        JADELAMP " bake frames p.png p.png --format 5-6-5 --json --into out"};
    struct jl_picture picture;
    shell_begin();
    EXPECT(jl_picture_create(&picture, 3, 2));
    EXPECT(jl_png_write(shell_path("p.png"), &picture, &complaint));
    jl_picture_free(&picture);
    EXPECT_INT(shell("printf '[panel]\ncontroller=ssd1306\n[glass]\nsize=128x64\n[bus]\n"
                     "kind=spi\n' > one.card; (echo '= 26F5'; for i in 1 2 3 4 5 6 7 8; do echo "
                     "'#.#.#'; done) > art.txt"),
               0);
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        EXPECT_INT(shell("rm -rf out; mkdir out"), 0);
        EXPECT_INT(shell(lines[i]), 0);
        cJSON *json = cJSON_Parse(output);
        if (!EXPECT(json != NULL)) {
            continue;
        }
        int count = cJSON_GetArraySize(at(json, "files"));
        EXPECT(count >= 2);
        for (int k = 0; i > 0 && k < count; k++) {
            EXPECT(shell_has(cJSON_GetArrayItem(at(json, "files"), k)->valuestring));
        }
        char listing[64];
        snprintf(listing, sizeof listing, "test $(ls out | wc -l) = %d", count);
        cJSON_Delete(json);
        EXPECT_INT(shell(listing), 0);
    }
    shell_end();
}

static void outputs_are_whole_or_absent(void) {
    shell_begin();
    EXPECT_INT(shell("touch taken; " JADELAMP " light ssd1306-128x64-i2c --into taken"), 2);
    EXPECT_CONTAINS(output, "taken");
    EXPECT_INT(shell("mkdir -p d/ssd1306-128x64-i2c-photo.png; " JADELAMP
                     " light ssd1306-128x64-i2c --into d"),
               2);
    EXPECT_CONTAINS(output, "is a directory");
    EXPECT_INT(shell("ls d | grep -c part"), 1); /* grep finds none */
    EXPECT_INT(shell(JADELAMP " catalog > /dev/full"), 2);
    /* A file-size limit of 8 KB stops the capture: an error, and no half file. */
    EXPECT_INT(
        shell("mkdir e; trap '' XFSZ; ulimit -f 8; " JADELAMP " light ssd1306-128x64-i2c --into e"),
        2);
    EXPECT_CONTAINS(output, "nothing of it was kept");
    EXPECT_INT(shell("ls -A e | wc -l | grep -qx 0"), 0);
    shell_end();
}

static void json_output(void) {
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light ssd1306-72x40-i2c --json"), 0);
    cJSON *json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT(cJSON_IsTrue(at(json, "lit")));
        EXPECT_TEXT(at(json, "wake_status")->valuestring, "JL_OK");
        EXPECT_INT(at(at(json, "card"), "width")->valueint, 72);
        /* 360 pixels bytes, address and control, window of 8 bytes. */
        EXPECT_INT(at(at(json, "present"), "bus_bytes")->valueint, 360 + 2 + 8);
        EXPECT_INT(cJSON_GetArraySize(at(json, "diagnostics")), 0);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " light ssd1306-72x40-i2c --fault unplugged --json"), 1);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_TEXT(at(json, "wake_status")->valuestring, "JL_NO_ANSWER");
        EXPECT_TEXT(at(json, "present_status")->valuestring, "JL_NOT_AWAKE");
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " scan --json"), 0);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_TEXT(at(json, "status")->valuestring, "JL_OK");
        const cJSON *answer = cJSON_GetArrayItem(at(json, "answers"), 1);
        EXPECT_INT(at(answer, "address")->valueint, 0x3C);
        EXPECT_INT(at(answer, "write_byte")->valueint, 0x78);
        EXPECT_INT(at(answer, "read_byte")->valueint, 0x79);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " catalog --json"), 0);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        size_t controllers;
        jl_catalog(&controllers);
        EXPECT_INT(cJSON_GetArraySize(at(json, "cards")), cards_that_ship());
        EXPECT_INT(cJSON_GetArraySize(at(json, "controllers")), (long long)controllers);
        EXPECT_TEXT(at(cJSON_GetArrayItem(at(json, "controllers"), 0), "name")->valuestring,
                    "ssd1306");
        const cJSON *touch = at(json, "touch_controllers");
        EXPECT_INT(cJSON_GetArraySize(touch), 4);
        EXPECT_INT(at(cJSON_GetArrayItem(touch, 0), "most_hz")->valueint, 2500000);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " demo --json"), 0);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_INT(cJSON_GetArraySize(at(json, "readings")), 12);
        EXPECT_INT(at(json, "diagnostics")->valueint, 0);
    }
    cJSON_Delete(json);
    shell_end();
}

static const char *written(const char *name) {
    static char text[4000];
    FILE *file = fopen(shell_path(name), "r");
    size_t length = file ? fread(text, 1, sizeof text - 1, file) : 0;
    text[length] = '\0';
    if (file) {
        fclose(file);
    }
    return text;
}

/* Baked glyphs compile to what was drawn; the demo's own are up to date. */
static void bake_glyph(void) {
    static const char *const own[] = {"lock_glyphs", "digit_parts"};
    char line[1024];
    shell_begin();
    for (int i = 0; i < 2; i++) {
        snprintf(line, sizeof line,
                 JADELAMP " bake glyph %s/art/%s.txt --into . && cmp %s.c %s/views/%s.c && "
                          "cmp %s.h %s/views/%s.h",
                 DEMO_SOURCES, own[i], own[i], DEMO_SOURCES, own[i], own[i], DEMO_SOURCES, own[i]);
        EXPECT_INT(shell(line), 0);
    }
    EXPECT_INT(shell("printf '= 26F5\\n#####\\n#....\\n....#\\n.....\\n..#..\\n.....\\n.....\\n"
                     "#.#.#\\n' > a-boat.txt; " JADELAMP " bake glyph a-boat.txt --into here"),
               0);
    EXPECT_CONTAINS(written("here/a_boat.h"), "extern const struct jl_char_glyph a_boat[1];");
    const char *source = written("here/a_boat.c");
    EXPECT_CONTAINS(source, "{0x26F5,");
    EXPECT_INT(shell(JADELAMP " bake glyph a-boat.txt --json --into here"), 0);
    EXPECT_CONTAINS(output, "\"characters\":\t[9973]");
    EXPECT_CONTAINS(source, "0x1F, /* ##### */");
    EXPECT_CONTAINS(source, "0x10, /* #.... */");
    EXPECT_CONTAINS(source, "0x15, /* #.#.# */");
    EXPECT_INT(shell(JADELAMP " bake glyph a-boat.txt --name 9lives --into there"), 2);
    EXPECT_CONTAINS(output, "\"9lives\" is no name for C");
    EXPECT(!shell_has("there"));
    EXPECT_INT(
        shell("mkdir -p blocked/x.c; " JADELAMP " bake glyph a-boat.txt -n x --into blocked"), 2);
    EXPECT(!shell_has("blocked/x.h")); /* both or neither */
    shell_end();
}

static void put_art(const char *bytes, size_t count) {
    EXPECT(jl_file_put(shell_path("art.txt"), bytes, count, &complaint));
}

static void bad_glyph_art(void) {
    static const struct {
        const char *text;
        const char *says;
    } rows[] = {
        {"", "art.txt:0: no character"},
        {"; only a comment\n", "art.txt:1: no character"},
        {"#####\n", "art.txt:1: expected = and code points before the first row"},
        {"=\n", "art.txt:1: expected code points behind ="},
        {"= boat\n", "art.txt:1: \"boat\" is no code point"},
        {"= 7\n", "20 to 10FFFF"},
        {"= 110000\n", "20 to 10FFFF"},
        {"= 41 41\n", "41 is drawn twice"},
        {"= 41 42 43 44 45 46 47 48 49\n", "there is room for 8 characters"},
        {"= 41\n####\n", "art.txt:2: \"####\" is 4 dots wide, expected 5"},
        {"= 41\n##x##\n", "'x' is neither # (a dot) nor . (none)"},
        {"= 41 42\n#####\n", "1 characters in this row, expected 2"},
        {"= 41\n##### #####\n", "2 characters in this row, expected 1"},
        {"= 41\n.....\n.....\n", "art.txt:3: only 2 rows, expected 8"},
        {"= 41\n.....\n.....\n= 42\n", "art.txt:4: only 2 rows, expected 8"},
        {"= 41\n.....\n.....\n.....\n.....\n.....\n.....\n.....\n.....\n#####\n",
         "art.txt:10: a row more than 8"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].text);
        put_art(rows[i].text, strlen(rows[i].text));
        EXPECT_INT(shell(JADELAMP " bake glyph art.txt --into made"), 2);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT(!shell_has("made"));
    }
    /* Noise, long lines and a folder: a complaint, never more. */
    struct test_random random = {5};
    for (int i = 0; i < 40; i++) {
        char noise[600];
        for (size_t k = 0; k < sizeof noise; k++) {
            noise[k] = i & 1 ? (char)test_random_next(&random)
                             : "=#.. 4\n"[test_random_between(&random, 0, 6)];
        }
        put_art(noise, sizeof noise);
        EXPECT_INT(shell(JADELAMP " bake glyph art.txt --into made"), 2);
    }
    EXPECT_INT(shell(JADELAMP " bake glyph . --into made"), 2);
    EXPECT_CONTAINS(output, "it is a directory");
    EXPECT(!shell_has("made"));
    shell_end();
}

static void examples_show_what_they_should(void) {
    static const struct {
        const char *name, *stored;
    } rows[] = {{"hello", "hello"}, {"hello_bands", "hello"}, {"bitmap_scroll", "bitmap_scroll"}};
    shell_begin();
    for (int i = 0; i < 3; i++) {
        char line[1024];
        snprintf(line, sizeof line, "%s/example_%s ssd1306-128x64-i2c .", EXAMPLE_DIR,
                 rows[i].name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "%s-glass.png", rows[i].name);
        struct jl_picture seen = shell_picture(line);
        EXPECT_STORED_PICTURE(&seen, rows[i].stored);
        jl_picture_free(&seen);
    }
    EXPECT_INT(shell(EXAMPLE_DIR "/example_quay_gauge ssd1306-128x64-i2c ."), 0);
    EXPECT_CONTAINS(output, "ok");
    EXPECT_INT(shell(EXAMPLE_DIR "/example_notice st7735-128x160-spi ."), 0);
    EXPECT_CONTAINS(output, "ok");
    EXPECT_INT(shell(EXAMPLE_DIR "/example_lock_display hd44780-20x4-expander ."), 0);
    EXPECT_CONTAINS(output, "ok");
    EXPECT_INT(shell(EXAMPLE_DIR "/example_big_digits hd44780-16x2-4bit ."), 0);
    struct jl_picture clock = shell_picture("big_digits-glass.png");
    /* The 1 of 12:40 is its right third; the 4 has no lower left; the 0 is hollow. */
    static const int lit[][2] = {{2, 0}, {2, 1}, {8, 0}, {10, 1}, {12, 1}, {14, 0}},
                     empty[][2] = {{0, 0}, {1, 1}, {8, 1}, {9, 1}, {3, 0}, {15, 1}};
    for (int i = 0; i < 6; i++) {
        EXPECT(jl_picture_at(&clock, lit[i][0] * 6 + 2, lit[i][1] * 9 + 4)[0]);
        EXPECT(!jl_picture_at(&clock, empty[i][0] * 6 + 2, empty[i][1] * 9 + 4)[0]);
    }
    jl_picture_free(&clock);
    static const struct {
        const char *name;
        int width, height;
    } drawings[] = {{"wind_dial", 1456, 480},  {"tide_curve", 968, 320},
                    {"text_page", 1280, 800},  {"buoy_sprite", 1304, 240},
                    {"wire_buoy", 1048, 256},  {"gallery", 1308, 840},
                    {"instruments", 968, 320}, {"scan_glass", 1240, 1090},
                    {"tearing", 1056, 978},    {"smooth", 960, 640}};
    for (int i = 0; i < 10; i++) {
        char line[1024];
        snprintf(line, sizeof line, "%s/example_%s .", EXAMPLE_DIR, drawings[i].name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "%s.png", drawings[i].name);
        struct jl_picture seen = shell_picture(line);
        EXPECT_INT(seen.width, drawings[i].width);
        EXPECT_INT(seen.height, drawings[i].height);
        jl_picture_free(&seen);
    }
    /* Left: the lamp where the buoy was, its foot where it is; right: both where it is. */
    struct jl_picture pair = shell_picture("tearing.png");
    static const struct {
        int x, y; /* of the glass */
        bool torn, whole;
    } spots[] = {{60, 54, true, false},   {110, 54, false, true}, {110, 262, true, true},
                 {60, 262, false, false}, {60, 100, true, false}, {110, 100, false, true}};
    for (size_t i = 0; i < sizeof spots / sizeof spots[0]; i++) {
        test_row("spot %d, %d", spots[i].x, spots[i].y);
        for (int half = 0; half < 2; half++) {
            const uint8_t *at = jl_picture_at(&pair, half * 528 + (3 + spots[i].x) * 3 + 1,
                                              (3 + spots[i].y) * 3 + 1);
            EXPECT_INT(at[0] > 240, half ? spots[i].whole : spots[i].torn);
        }
    }
    jl_picture_free(&pair);
    /* The round dial after its last wind, drawn by the same code on a whole frame. */
    static uint8_t pixels[JL_RGB565_BYTES(240, 240)];
    struct jl_frame frame;
    EXPECT_INT(shell(EXAMPLE_DIR "/example_round_dial gc9a01-240x240-round ."), 0);
    EXPECT_CONTAINS(output, "ok");
    struct jl_picture dial = shell_picture("round_dial-glass.png");
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb565, 240, 240, pixels, sizeof pixels), JL_OK);
    wind_dial_draw(&frame.target, 120, 120, 118, &(struct wind_reading){310, 24});
    int wrong = 0;
    for (int y = 36; y < 204; y++) { /* a square inside the circle */
        for (int x = 36; x < 204; x++) {
            const uint8_t *at = jl_picture_at(&dial, x, y);
            wrong += JL_RGB((jl_color)at[0], (jl_color)at[1], (jl_color)at[2]) !=
                     kind_of(&jl_rgb565)->see(pixels, 240, 240, x, y);
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&dial);
    shell_end();
}

const struct test_group test_groups[] = {
    {"usage", usage},
    {"completion", completion},
    {"files_of_a_light", files_of_a_light},
    {"light_of_every_card", light_of_every_card},
    {"typed_numbers", typed_numbers},
    {"light_in_the_terminal", light_in_the_terminal},
    {"light_without_wires", light_without_wires},
    {"light_on_a_broken_bus", light_on_a_broken_bus},
    {"light_of_a_wrong_card", light_of_a_wrong_card},
    {"an_interrupted_command_leaves_no_drafts", an_interrupted_command_leaves_no_drafts},
    {"light_on_another_glass", light_on_another_glass},
    {"light_with_own_content", light_with_own_content},
    {"light_as_mounted", light_as_mounted},
    {"nothing_is_wider_than_the_terminal", nothing_is_wider_than_the_terminal},
    {"json_names_the_files", json_names_the_files},
    {"outputs_whole_or_absent", outputs_are_whole_or_absent},
    {"json_output", json_output},
    {"bake_glyph", bake_glyph},
    {"bad_glyph_art", bad_glyph_art},
    {"examples", examples_show_what_they_should},
    {NULL, NULL},
};
