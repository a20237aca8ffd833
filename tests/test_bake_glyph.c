/* jadelamp bake glyph, run as a user runs it. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "shell.h"

static struct jl_complaint complaint;

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

const struct test_group test_groups[] = {
    {"bake_glyph", bake_glyph},
    {"bad_glyph_art", bad_glyph_art},
    {NULL, NULL},
};
