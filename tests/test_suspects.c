/* The suspects of a card: each picture is what its mistake does to the right one. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/suspects.h"
#include "shell.h"

enum { SCALE = 2, MARGIN = 6 }; /* of a photo with a bezel of three dots */

static struct jl_card card;
static struct jl_suspects suspects;

static void draw(const char *name) {
    struct jl_complaint complaint = {""};
    EXPECT(jl_card_find(name, &card, &complaint));
    EXPECT(jl_suspects_draw(&card, &suspects, &complaint));
    EXPECT_TEXT(complaint.text, "");
}

static int find(const char *name) {
    for (int i = 0; i < suspects.count; i++) {
        if (strcmp(suspects.list[i].name, name) == 0) {
            return i;
        }
    }
    return -1;
}

/* ---- which ones ---- */

/* What a panel must have, in order; "!" before what leaves it dark. */
static const struct {
    const char *card, *names;
} lists[] = {
    {"ssd1306-128x64-i2c",
     "mirrored-x mirrored-y upside-down !off !pump com-pins half-height start-line offset-d3 "
     "page-mode vertical all-on negative-mono faint !as-sh1106 uncleared !sda bits"},
    {"sh1106-128x64-i2c",
     "mirrored-x mirrored-y upside-down shifted !off !converter half-height "
     "start-line offset-d3 all-on negative-mono faint as-ssd1306 uncleared !sda bits"},
    {"sh1107-64x128-i2c",
     "mirrored-x mirrored-y upside-down shifted !off !converter offset-d3 all-on "
     "negative-mono faint uncleared !sda bits"},
    {"ks0108-128x64", "halves !chips-level uncleared !dc dc-low !dc-high !cs pins !lines-turned "
                      "lines-pair bits"},
    {"t6963c-240x128",
     "font uncleared !dc !dc-low dc-high !cs !pins !lines-turned !lines-pair bits"},
    {"uc1609-192x64-spi", "mirrored-x mirrored-y upside-down !off !pump start-line all-on "
                          "negative-mono !faint uncleared "
                          "!dc !dc-low !dc-high !cs pins !mode !lsb-first !crossed fast bits"},
    {"st7789-240x240-spi",
     "mirrored-x mirrored-y upside-down turned shifted colors negative bytes depth depth-12 "
     "!asleep !off-color uncleared !dc !dc-low !dc-high !cs pins !mode !lsb-first !crossed fast "
     "bits"},
    {"ili9341-240x320-8080",
     "mirrored-x mirrored-y upside-down turned colors negative bytes depth "
     "!asleep !off-color uncleared !dc !dc-low !dc-high !cs pins !lines-turned !lines-pair bits"},
    {"pcd8544-84x48-spi", "!faint glaring uncleared !dc dc-low !dc-high !cs pins !mode !lsb-first "
                          "!crossed fast bits"},
    {"uc8151-128x296-spi", "mirrored-x mirrored-y upside-down !no-refresh !dc dc-low !dc-high !cs "
                           "pins !mode !lsb-first !crossed fast bits"},
    {"uc1701-128x64-3wire", "mirrored-x mirrored-y upside-down shifted !off start-line all-on "
                            "negative-mono !faint glaring-uc uncleared !cs fast bits"},
    {"hd44780-16x2-4bit", "silent !pale blocks one-row rom rs-low rs-high d7 !d4"},
    {"hd44780-20x4-expander",
     "silent !pale blocks one-row two-rows columns rom !outputs !data-order rs-low rs-high d7 !d4 "
     "bus"},
};

static void lists_what_the_card_can_have(void) {
    for (size_t i = 0; i < sizeof lists / sizeof lists[0]; i++) {
        char seen[600] = "";
        test_row("%s", lists[i].card);
        draw(lists[i].card);
        for (int k = 0; k < suspects.count; k++) {
            snprintf(seen + strlen(seen), sizeof seen - strlen(seen), "%s%s%s", k ? " " : "",
                     suspects.dark[k] ? "!" : "", suspects.list[k].name);
            EXPECT(suspects.list[k].mistake[0] && suspects.list[k].remedy[0]);
        }
        EXPECT_TEXT(seen, lists[i].names);
        jl_suspects_free(&suspects);
    }
}

/* ---- what they look like ---- */

static const uint8_t *dot(const struct jl_picture *photo, int x, int y) {
    return photo->rgb +
           3 * ((size_t)(MARGIN + SCALE * y) * (size_t)photo->width + (size_t)(MARGIN + SCALE * x));
}

static bool is_lit(const struct jl_picture *photo, int x, int y) {
    return dot(photo, x, y)[1] > 100;
}

/* Where the dot of the right picture is that a mistake shows at x, y; of 128x64. */
static void mirrored_x(int *x, int *y) {
    (void)y;
    *x = 127 - *x;
}

static void mirrored_y(int *x, int *y) {
    (void)x;
    *y = 63 - *y;
}

static void half_turn(int *x, int *y) {
    mirrored_x(x, y);
    mirrored_y(x, y);
}

/* 40+20: line 20 of the memory is the first (datasheet of the SSD1306, 10.1.6). */
static void line_20(int *x, int *y) {
    (void)x;
    *y = (*y + 20) % 64;
}

/* COM 0..31 are wired to the even rows, 32..63 to the odd ones, and are told to run on (10.1.18).
 */
static void interleaved(int *x, int *y) {
    (void)x;
    *y = *y % 2 * 32 + *y / 2;
}

static void same_place(int *x, int *y) {
    (void)x;
    (void)y;
}

static const struct {
    const char *name;
    void (*place)(int *x, int *y);
    bool negative;
} moves[] = {
    {"mirrored-x", mirrored_x, false}, {"mirrored-y", mirrored_y, false},
    {"upside-down", half_turn, false}, {"start-line", line_20, false},
    {"com-pins", interleaved, false},  {"negative-mono", same_place, true},
};

static int dots_elsewhere(const struct jl_picture *photo, void (*place)(int *x, int *y),
                          bool negative) {
    int wrong = 0;
    for (int y = 0; y < 64; y++) {
        for (int x = 0; x < 128; x++) {
            int from_x = x, from_y = y;
            place(&from_x, &from_y);
            wrong += is_lit(photo, x, y) != (is_lit(&suspects.right, from_x, from_y) != negative);
        }
    }
    return wrong;
}

static void moves_the_dots(void) {
    draw("ssd1306-128x64-i2c");
    for (size_t i = 0; i < sizeof moves / sizeof moves[0]; i++) {
        int k = find(moves[i].name);
        test_row("%s", moves[i].name);
        if (EXPECT(k >= 0)) {
            EXPECT_INT(dots_elsewhere(&suspects.photos[k], moves[i].place, moves[i].negative), 0);
        }
    }
    int lit = 0, dark = 0, on = find("all-on"), pump = find("pump");
    for (int y = 0; y < 64 && on >= 0 && pump >= 0; y++) {
        for (int x = 0; x < 128; x++) {
            lit += is_lit(&suspects.photos[on], x, y);
            dark += !is_lit(&suspects.photos[pump], x, y);
        }
    }
    EXPECT_INT(lit, 128 * 64);
    EXPECT_INT(dark, 128 * 64);
    jl_suspects_free(&suspects);
}

/* A row of cells: are both pictures alike there? Without its edge: there is a gap between rows. */
static bool same_cells(const struct jl_picture *a, const struct jl_picture *b, int row, int from) {
    int cell = (a->width - 2 * suspects.bezel) / 20, line = (a->height - 2 * suspects.bezel) / 4;
    int left = suspects.bezel + from * cell, right = a->width - suspects.bezel;
    for (int y = suspects.bezel + row * line + 4; y < suspects.bezel + (row + 1) * line; y++) {
        if (memcmp(jl_picture_at(a, left, y), jl_picture_at(b, left, y),
                   (size_t)(right - left) * 3) != 0) {
            return false;
        }
    }
    return true;
}

/* Taken for two rows, the others stay empty: row 2 goes on behind row 0, at 0x14. */
static void moves_the_cells(void) {
    draw("hd44780-20x4-expander");
    int two = find("two-rows"), pale = find("pale"), silent = find("silent");
    if (EXPECT(two >= 0 && pale >= 0 && silent >= 0)) {
        const struct jl_picture *seen = &suspects.photos[two], *empty = &suspects.photos[pale];
        EXPECT(same_cells(seen, &suspects.right, 0, 0));
        EXPECT(!same_cells(seen, &suspects.right, 1, 0));
        EXPECT(same_cells(seen, empty, 2, 0) && same_cells(seen, empty, 3, 0));
        /* Nothing sent: blocks in the first line of each half, all alike. */
        seen = &suspects.photos[silent];
        EXPECT(!same_cells(seen, empty, 0, 0) && same_cells(seen, empty, 1, 0));
        EXPECT(!same_cells(seen, empty, 2, 0) && same_cells(seen, empty, 3, 0));
    }
    jl_suspects_free(&suspects);
}

/* The fields R, G and B of the test card, and what becomes of 5-6-5 when it is treated wrongly. */
static const struct {
    const char *name;
    const char *fields[3]; /* which of r, g, b are strong in the red, the green, the blue field */
} colors[] = {
    {NULL, {"r", "g", "b"}},
    {"colors", {"b", "g", "r"}},
    {"negative", {"gb", "rb", "rg"}},
    {"bytes", {"b", "r", "g"}}, /* F800, 07E0, 001F become 00F8, E007, 1F00 */
};

/* What was drawn is as it should be; around it stands what the memory held at power-on. */
static void leaves_noise_around_the_middle(void) {
    static const char *const cards[] = {"ssd1306-128x64-i2c", "st7565-128x64-spi"};
    for (size_t i = 0; i < sizeof cards / sizeof cards[0]; i++) {
        test_row("%s", cards[i]);
        draw(cards[i]);
        int which = find("uncleared"), inside = 0, outside = 0;
        for (int y = 0; which >= 0 && y < 64; y++) {
            for (int x = 0; x < 128; x++) {
                bool middle = x >= 32 && x < 96 && y >= 16 && y < 48;
                bool other =
                    memcmp(dot(&suspects.photos[which], x, y), dot(&suspects.right, x, y), 3) != 0;
                inside += middle && other;
                outside += !middle && other;
            }
        }
        EXPECT(which >= 0);
        EXPECT_INT(inside, 0);
        EXPECT(outside > 2000 && outside < 4200); /* half of 6144, more or less */
        jl_suspects_free(&suspects);
    }
}

static void changes_the_colors(void) {
    draw("st7789-240x240-spi");
    for (size_t i = 0; i < sizeof colors / sizeof colors[0]; i++) {
        int k = colors[i].name ? find(colors[i].name) : 0;
        for (int field = 0; field < 3 && EXPECT(k >= 0); field++) {
            char strong[4] = "";
            int letters = 0;
            const uint8_t *seen =
                dot(colors[i].name ? &suspects.photos[k] : &suspects.right, 30, 40 + 72 * field);
            for (int c = 0; c < 3; c++) {
                if (seen[c] > 140) {
                    strong[letters++] = "rgb"[c];
                }
            }
            test_row("%s, field %d", colors[i].name ? colors[i].name : "right", field);
            EXPECT_TEXT(strong, colors[i].fields[field]);
        }
    }
    jl_suspects_free(&suspects);
}

/* ---- the command ---- */

static int count_of(const char *path, const char *part) {
    static char line[1 << 20];
    FILE *file = fopen(path, "r");
    int count = 0;
    while (file && fgets(line, sizeof line, file)) {
        for (const char *at = line; (at = strstr(at, part)); at++) {
            count++;
        }
    }
    if (file) {
        fclose(file);
    }
    return count;
}

static void writes_sheets_and_a_page(void) {
    shell_begin();
    EXPECT_INT(shell(JADELAMP " suspects ssd1306-128x64-i2c --into out"), 0);
    EXPECT_CONTAINS(output, "18 mistakes");
    EXPECT_CONTAINS(output, "dark; send 8D 14 before AF");
    EXPECT(shell_has("out/ssd1306-128x64-i2c-suspects-1.png"));
    EXPECT(shell_has("out/ssd1306-128x64-i2c-suspects-2.png"));
    EXPECT(!shell_has("out/ssd1306-128x64-i2c-suspects-3.png"));
    const char *page = shell_path("out/ssd1306-128x64-i2c-suspects.html");
    EXPECT_INT(count_of(page, "<figure>"), 19);
    EXPECT_INT(count_of(page, "src=\"data:image/png;base64,iVBORw0KGgo"), 19);
    EXPECT_INT(count_of(page, "http"), 0);
    EXPECT_INT(count_of(page, "</html>"), 1);
    /* A PNG ends with IEND and its sum; here in base 64 at one of three places. */
    EXPECT_INT(count_of(page, "SUVORK5CYII=") + count_of(page, "JRU5ErkJggg==") +
                   count_of(page, "ElFTkSuQmCC"),
               19);
    EXPECT_INT(shell("ls out | wc -l"), 0);
    EXPECT_TEXT(output, "3\n");
    EXPECT_INT(shell(JADELAMP " suspects ssd1327-128x128-i2c --json"), 0);
    EXPECT_CONTAINS(output, "\"pages\":");
    EXPECT_CONTAINS(output, "\"upside-down\"");
    shell_end();
}

static const struct {
    const char *line, *says;
} refused[] = {
    {"suspects", "name a card"},
    {"suspects no-such-card", "no-such-card"},
    {"suspects ssd1306-128x64-i2c extra", "extra"},
    {"suspects rgb-480x272", "is scanned out"},
    {"suspects ssd1306-128x64-i2c --into taken", "taken"},
};

static void refuses_what_has_no_suspects(void) {
    shell_begin();
    EXPECT_INT(shell("touch taken"), 0);
    for (size_t i = 0; i < sizeof refused / sizeof refused[0]; i++) {
        char line[400];
        snprintf(line, sizeof line, JADELAMP " %s", refused[i].line);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, refused[i].says);
        EXPECT_INT(shell_files(), 1);
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"lists_what_the_card_can_have", lists_what_the_card_can_have},
    {"moves_the_dots", moves_the_dots},
    {"moves_the_cells", moves_the_cells},
    {"leaves_noise_around_the_middle", leaves_noise_around_the_middle},
    {"changes_the_colors", changes_the_colors},
    {"writes_sheets_and_a_page", writes_sheets_and_a_page},
    {"refuses_what_has_no_suspects", refuses_what_has_no_suspects},
    {NULL, NULL},
};
