/* jadelamp light, run as a user runs it: each card that ships, and what goes wrong. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/card.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/png.h"
#include "jadelamp/jadelamp.h"
#include "json_at.h"
#include "kinds.h"
#include "naive.h"
#include "shell.h"

static struct jl_complaint complaint;

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
    if (!test_turn(++*(int *)context)) {
        return;
    }
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
    EXPECT_CONTAINS(output, "1056 x 525 clocks, 60.1 Hz, 750 KB\n");
    EXPECT_CONTAINS(output, "46.1 MB/s, 66.6 while pixels go out\n");
    EXPECT_INT(shell(JADELAMP " catalog"), 0);
    EXPECT_CONTAINS(output, "rgb-glass       scan-out glass     none      RGB\n");
    shell_end();
}

static void light_of_every_card(void) {
    int cards = 0;
    EXPECT(jl_share_cards("cards", expect_light, &cards));
    EXPECT_INT(cards, shell_cards_that_ship());
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

const struct test_group test_groups[] = {
    {"files_of_a_light", files_of_a_light},
    {"light_of_every_card", light_of_every_card},
    {"typed_numbers", typed_numbers},
    {"light_in_the_terminal", light_in_the_terminal},
    {"light_without_wires", light_without_wires},
    {"light_on_a_broken_bus", light_on_a_broken_bus},
    {"light_of_a_wrong_card", light_of_a_wrong_card},
    {"light_on_another_glass", light_on_another_glass},
    {"light_with_own_content", light_with_own_content},
    {"light_as_mounted", light_as_mounted},
    {NULL, NULL},
};
