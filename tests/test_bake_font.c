/* Baking fonts: what the library draws against what FreeType renders. */
#include <ft2build.h>
#include FT_FREETYPE_H
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "harness.h"
#include "jadelamp/draw.h"
#include "jadelamp/frame.h"
#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/file.h"
#include "jadelamp/text.h"
#include "shell.h"

#define OUTLINES "/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf"

static struct jl_complaint complaint;
static struct jl_code_set wanted;
static char path[64];

static void want(const char *ranges) {
    memset(&wanted, 0, sizeof wanted);
    EXPECT(jl_code_set_add_ranges(&wanted, ranges));
}

static const char *put_file(const char *text, size_t count) {
    snprintf(path, sizeof path, "font-%ld", (long)getpid());
    EXPECT(jl_file_put(path, text, count, &complaint));
    return path;
}

static void utf8(uint32_t code, char out[5]) {
    int length = code < 0x80 ? sprintf(out, "%c", (int)code)
                 : code < 0x800
                     ? sprintf(out, "%c%c", (int)(0xC0 | code >> 6), (int)(0x80 | (code & 63)))
                     : sprintf(out, "%c%c%c", (int)(0xE0 | code >> 12),
                               (int)(0x80 | (code >> 6 & 63)), (int)(0x80 | (code & 63)));
    EXPECT(length > 0);
}

enum { SIDE = 64 };

/* A character drawn by the library in white on black, its cell's top left at 16,16. */
static const uint8_t *drawn(const struct jl_font *font, uint32_t code) {
    static uint8_t pixels[SIDE * SIDE * 3];
    struct jl_frame frame;
    char text[5];
    const struct jl_text_style style = {.font = font, .ink = JL_WHITE, .paper = JL_CLEAR};
    utf8(code, text);
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, SIDE, SIDE, pixels, sizeof pixels), JL_OK);
    EXPECT_INT(jl_text(&frame.target, 16, 16, text, &style), 0);
    return pixels;
}

/* The level that FreeType gives a place, 0..255, when the pen is on the baseline at 16. */
static int rendered(FT_GlyphSlot slot, int x, int y, int baseline) {
    int column = x - 16 - slot->bitmap_left, row = y - baseline + slot->bitmap_top;
    const FT_Bitmap *map = &slot->bitmap;
    if (column < 0 || row < 0 || column >= (int)map->width || row >= (int)map->rows) {
        return 0;
    }
    const uint8_t *line = map->buffer + row * map->pitch;
    return map->pixel_mode == FT_PIXEL_MODE_MONO ? (line[column / 8] >> (7 - column % 8) & 1) * 255
                                                 : line[column];
}

static void glyphs_equal_freetype(void) {
    static const uint32_t codes[] = {'A', 'g', 'j', '@', '|', 0xB0, 0xC5, 0x3A9, 0x416, 0x2190};
    static const struct { int pixels, bits; } rows[] = {{9, 1}, {16, 1}, {30, 1}, {12, 4}, {28, 4}};
    FT_Library library;
    FT_Face face;
    EXPECT_INT(FT_Init_FreeType(&library), 0);
    EXPECT_INT(FT_New_Face(library, OUTLINES, 0, &face), 0);
    want("20-17F,391-3C9,410-44F,2190-2193");
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_baked_font baked;
        bool soft = rows[i].bits == 4;
        test_row("%d pixels, %d bits", rows[i].pixels, rows[i].bits);
        EXPECT_INT(FT_Set_Pixel_Sizes(face, 0, (FT_UInt)rows[i].pixels), 0);
        if (!EXPECT(jl_bake_font(OUTLINES, rows[i].pixels, rows[i].bits, &wanted, &baked,
                                 &complaint))) {
            break;
        }
        for (size_t k = 0; k < sizeof codes / sizeof codes[0]; k++) {
            EXPECT_INT(
                FT_Load_Char(face, codes[k], FT_LOAD_RENDER | (soft ? 0 : FT_LOAD_TARGET_MONO)), 0);
            const uint8_t *seen = drawn(&baked.font, codes[k]);
            int worst = 0;
            char text[5];
            utf8(codes[k], text);
            const struct jl_text_style style = {.font = &baked.font};
            EXPECT_INT(jl_text_width(&style, text), (int)((face->glyph->advance.x + 32) >> 6));
            for (int p = 0; p < SIDE * SIDE; p++) {
                int x = p % SIDE, y = p / SIDE;
                /* What a glyph has outside its cell is cut. */
                bool inside = x >= 16 && x < 16 + jl_text_width(&style, text) && y >= 16 &&
                              y < 16 + baked.font.height;
                int level = inside ? rendered(face->glyph, x, y, 16 + baked.font.ascent) : 0;
                int off = abs(seen[p * 3] - level);
                worst = off > worst ? off : worst;
            }
            EXPECT(worst <= (soft ? 9 : 0)); /* sixteen levels: half a step of 17 */
        }
        jl_baked_font_free(&baked);
    }
    FT_Done_Face(face);
    FT_Done_FreeType(library);
}

/* A bitmap font written by hand: an A of 5 x 6 that stands on the baseline, a comma below it. */
static const char bdf[] =
    "STARTFONT 2.1\nFONT -hand-made-medium-r-normal--8-80-75-75-c-60-iso10646-1\nSIZE 8 75 75\n"
    "FONTBOUNDINGBOX 6 8 0 -2\nSTARTPROPERTIES 2\nFONT_ASCENT 6\nFONT_DESCENT 2\nENDPROPERTIES\n"
    "CHARS 2\nSTARTCHAR A\nENCODING 65\nSWIDTH 750 0\nDWIDTH 6 0\nBBX 5 6 0 0\nBITMAP\n20\n50\n88\n"
    "F8\n88\n88\nENDCHAR\nSTARTCHAR comma\nENCODING 44\nSWIDTH 375 0\nDWIDTH 3 0\nBBX 2 3 1 -2\n"
    "BITMAP\nC0\n40\n80\nENDCHAR\nENDFONT\n";

static void a_bitmap_font(void) {
    static const char *const art[8] = {"..#......", ".#.#.....", "#...#....", "#####....",
                                       "#...#....", "#...#..##", "........#", ".......#."};
    struct jl_baked_font baked;
    want("20-7E");
    put_file(bdf, strlen(bdf));
    if (!EXPECT(jl_bake_font(path, 8, 1, &wanted, &baked, &complaint))) {
        printf("    %s\n", complaint.text);
        return;
    }
    EXPECT_INT(baked.glyphs, 2);
    EXPECT_INT(baked.missing_count, 93);
    EXPECT_INT((int)baked.missing[0], 0x20);
    EXPECT_INT(baked.font.ascent, 6);
    EXPECT_INT(baked.font.height, 8);
    uint8_t pixels[9 * 8 * 3];
    struct jl_frame frame;
    const struct jl_text_style style = {.font = &baked.font, .ink = JL_WHITE};
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb888, 9, 8, pixels, sizeof pixels), JL_OK);
    jl_text(&frame.target, 0, 0, "A,", &style);
    for (int i = 0; i < 72; i++) {
        EXPECT_INT(pixels[i * 3] != 0, art[i / 9][i % 9] == '#');
    }
    jl_baked_font_free(&baked);
    EXPECT(!jl_bake_font(path, 12, 1, &wanted, &baked, &complaint));
    EXPECT_CONTAINS(complaint.text, "without 12 pixels; it has 8");
    want("3A9");
    EXPECT(!jl_bake_font(path, 8, 1, &wanted, &baked, &complaint));
    EXPECT_CONTAINS(complaint.text, "none of the characters wanted");
    remove(path);
}

/* A bitmap font of one glyph, an A, whose numbers are as large as a file can say. */
static void strange_glyphs(void) {
    static const struct {
        const char *box; /* width, height, left, bottom */
        int advance, ascent, descent;
        const char *says; /* NULL: it is taken */
        int height;
    } rows[] = {
        {"8 1 0 0", 8, 6, 2, NULL, 8},
        {"8 1 0 0", 8, -6, -2, NULL, 1},
        {"8 1 0 0", 8, 300, 100, NULL, 255}, /* 200 above the baseline, 55 below */
        {"256 1 0 0", 8, 6, 2, "U+0041 is too large", 0},
        {"8 256 0 0", 8, 6, 2, "U+0041 is too large", 0},
        {"8 1 128 0", 8, 6, 2, "U+0041 is too large", 0},
        {"8 1 -129 0", 8, 6, 2, "U+0041 is too large", 0},
        {"8 1 0 127", 8, 6, 2, "U+0041 is too large", 0},
        {"8 1 0 -130", 8, 6, 2, "U+0041 is too large", 0},
        {"8 1 0 0", 256, 6, 2, "U+0041 is too large", 0},
        {"8 1 127 126", 255, 6, 2, NULL, 8},
        {"8 1 -128 -129", 0, 6, 2, NULL, 8},
    };
    static char text[20000];
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_baked_font baked;
        int columns = 0, lines = 0;
        EXPECT(sscanf(rows[i].box, "%d %d", &columns, &lines) == 2);
        int length =
            snprintf(text, sizeof text,
                     "STARTFONT 2.1\nFONT -hand-made-medium-r-normal--8-80-75-75-c-60-iso10646-1\n"
                     "SIZE 8 75 75\nFONTBOUNDINGBOX 6 8 0 -2\nSTARTPROPERTIES 2\nFONT_ASCENT %d\n"
                     "FONT_DESCENT %d\nENDPROPERTIES\nCHARS 1\nSTARTCHAR A\nENCODING 65\n"
                     "SWIDTH 750 0\nDWIDTH %d 0\nBBX %s\nBITMAP\n",
                     rows[i].ascent, rows[i].descent, rows[i].advance, rows[i].box);
        for (int line = 0; line < lines; line++) {
            for (int at = 0; at < (columns + 7) / 8; at++) {
                length += snprintf(text + length, sizeof text - (size_t)length, "FF");
            }
            length += snprintf(text + length, sizeof text - (size_t)length, "\n");
        }
        length += snprintf(text + length, sizeof text - (size_t)length, "ENDCHAR\nENDFONT\n");
        put_file(text, (size_t)length);
        want("41");
        complaint.text[0] = '\0';
        bool good = jl_bake_font(path, 8, 1, &wanted, &baked, &complaint);
        test_row("box %s, advance %d, ascent %d", rows[i].box, rows[i].advance, rows[i].ascent);
        EXPECT_INT(good, !rows[i].says);
        EXPECT_CONTAINS(complaint.text, rows[i].says ? rows[i].says : "");
        EXPECT_INT(good ? baked.font.height : 0, rows[i].height);
        jl_baked_font_free(&baked);
    }
    static const int sizes[][2] = {{3, 1}, {128, 1}, {8, 2}, {8, 0}};
    for (size_t i = 0; i < sizeof sizes / sizeof sizes[0]; i++) {
        struct jl_baked_font baked;
        test_row("%d pixels of %d bits", sizes[i][0], sizes[i][1]);
        EXPECT(!jl_bake_font(path, sizes[i][0], sizes[i][1], &wanted, &baked, &complaint));
        EXPECT_CONTAINS(complaint.text, "expected 4 to 127 pixels, 1 or 4 bits");
    }
    remove(path);
}

/* All that the font has: thousands, in hundreds of ranges, each found, and nothing else. */
static void large_sets(void) {
    struct jl_baked_font baked;
    FT_Library library;
    FT_Face face;
    EXPECT_INT(FT_Init_FreeType(&library), 0);
    EXPECT_INT(FT_New_Face(library, OUTLINES, 0, &face), 0);
    want("20-FFFF");
    if (!EXPECT(jl_bake_font(OUTLINES, 10, 1, &wanted, &baked, &complaint))) {
        return;
    }
    EXPECT(baked.glyphs > 5000);
    EXPECT_INT(baked.glyphs + baked.missing_count, 0x10000 - 0x20);
    int wrong = 0;
    for (uint32_t code = 0x20; code < 0x10000; code++) {
        wrong += jl_font_has(&baked.font, code) != (FT_Get_Char_Index(face, code) != 0);
    }
    EXPECT_INT(wrong, 0);
    jl_baked_font_free(&baked);
    FT_Done_Face(face);
    FT_Done_FreeType(library);
}

static int count_wanted(void) {
    int count = 0;
    for (uint32_t code = 0; code < JL_CODE_POINTS; code++) {
        count += jl_code_set_has(&wanted, code);
    }
    return count;
}

static void sets_of_characters(void) {
    static const struct {
        const char *ranges;
        int count; /* -1: refused */
    } rows[] = {{"20-7E", 95}, {"41", 1},      {"41,43-45,41", 4}, {"10FFFF", 1}, {"", 0},
                {"7E-20", -1}, {"41-", -1},    {"-41", -1},        {"41,", -1},   {"zz", -1},
                {"41 42", -1}, {"110000", -1}, {"41;42", -1},      {",41", -1}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].ranges);
        memset(&wanted, 0, sizeof wanted);
        EXPECT_INT(jl_code_set_add_ranges(&wanted, rows[i].ranges), rows[i].count >= 0);
        if (rows[i].count >= 0) {
            EXPECT_INT(count_wanted(), rows[i].count);
        }
    }
    memset(&wanted, 0, sizeof wanted);
    EXPECT(jl_code_set_add_text(&wanted, "tide \u20AC\U0001F6A4\n"));
    EXPECT_INT(count_wanted(), 7);
    EXPECT(jl_code_set_has(&wanted, 0x1F6A4) && !jl_code_set_has(&wanted, '\n'));
    static const char *const malformed[] = {
        "\xC3", "\x80", "\xC0\xAF", "\xED\xA0\x80", "\xF5\x80\x80\x80", "\xE0\x80\x80"};
    for (size_t i = 0; i < sizeof malformed / sizeof malformed[0]; i++) {
        EXPECT(!jl_code_set_add_text(&wanted, malformed[i]));
    }
    static const char source[] = "puts(\"\\u0416 \\U0001F6A4 \\u12\");";
    memset(&wanted, 0, sizeof wanted);
    put_file(source, strlen(source));
    EXPECT(jl_code_set_add_file(&wanted, path, &complaint));
    EXPECT(jl_code_set_has(&wanted, 0x416) && jl_code_set_has(&wanted, 0x1F6A4));
    EXPECT(jl_code_set_has(&wanted, 'p') && !jl_code_set_has(&wanted, 0x12));
    put_file("\xFF\xFE", 2);
    EXPECT(!jl_code_set_add_file(&wanted, path, &complaint));
    EXPECT_CONTAINS(complaint.text, "is not UTF-8");
    EXPECT(!jl_code_set_add_file(&wanted, "no/such", &complaint));
    remove(path);
}

/* Fonts with wrong bytes: baked or refused, and always whole. */
static void damaged_fonts(void) {
    static char damaged[sizeof bdf];
    struct test_random random = {3};
    want("20-7E");
    for (int turn = 0; turn < 300; turn++) {
        struct jl_baked_font baked;
        size_t count =
            turn % 3 ? sizeof bdf - 1 : (size_t)test_random_between(&random, 1, sizeof bdf - 1);
        memcpy(damaged, bdf, sizeof bdf);
        for (int k = test_random_between(&random, 0, 5); k; k--) {
            damaged[test_random_between(&random, 0, sizeof bdf - 2)] =
                (char)test_random_next(&random);
        }
        test_row("turn %d", turn);
        put_file(damaged, count);
        if (jl_bake_font(path, 8, turn & 1 ? 1 : 4, &wanted, &baked, &complaint)) {
            struct jl_font font;
            EXPECT_INT(jl_font_open(&font, baked.table, baked.bytes), JL_OK);
            jl_baked_font_free(&baked);
        } else {
            EXPECT(baked.table == NULL);
        }
    }
    /* The outlines, cut and with noise. */
    FILE *file = fopen(OUTLINES, "rb");
    static char outlines[800000];
    size_t size = file ? fread(outlines, 1, sizeof outlines, file) : 0;
    EXPECT(size > 100000);
    for (int turn = 0; turn < 12; turn++) {
        struct jl_baked_font baked;
        for (int k = 0; k < 20 && turn > 3; k++) {
            outlines[test_random_between(&random, 0, (int)size - 1)] =
                (char)test_random_next(&random);
        }
        test_row("outlines, turn %d", turn);
        put_file(outlines, turn <= 3 ? size / 4 * (size_t)turn + 5 : size);
        if (jl_bake_font(path, 14, 4, &wanted, &baked, &complaint)) {
            jl_baked_font_free(&baked);
        }
        EXPECT(baked.table == NULL);
    }
    fclose(file);
    remove(path);
}

static int run(const char *line) {
    char folder[40];
    snprintf(folder, sizeof folder, "fonts-%ld", (long)getpid());
    char made[64];
    snprintf(made, sizeof made, "mkdir -p %s", folder);
    EXPECT_INT(system(made), 0);
    return shell_run(folder, line);
}

static void the_command(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " bake font", 2, "name a font file"},
        {JADELAMP " bake font " OUTLINES, 2, "say --size N"},
        {JADELAMP " bake font " OUTLINES " --size 2", 2, "4 to 127 pixels"},
        {JADELAMP " bake font " OUTLINES " --size 9 --bits 2", 2, "1 or 4 bits"},
        {JADELAMP " bake font " OUTLINES " --size 9 --range 7E-20", 2, "such as 20-7E,B0"},
        {JADELAMP " bake font " OUTLINES " --size 9 --from nothing", 2, "cannot read the text"},
        {JADELAMP " bake font nothing.ttf --size 9", 2, "cannot read the font nothing.ttf"},
        {JADELAMP " bake font " OUTLINES " --size 9 two", 2, "one argument too many"},
        {JADELAMP " bake font " OUTLINES " --size 9 --what", 2, "--what"},
        {"ls | wc -l", 0, "0"},
        {JADELAMP " bake font " OUTLINES " --size 14 -n pier -t Pier -r 30-39", 0, "14 characters"},
        {JADELAMP " bake font " OUTLINES " --size 14 -n pier -t '7 \u96E8'", 1, "U+96E8"},
        {JADELAMP " bake font " OUTLINES " --size 14 -n pier -t '7 \u96E8' --json", 1,
         "\"missing\":\t[38632]"},
        {JADELAMP " bake font " OUTLINES " --size 14 --bits 4", 0, "DejaVuSans-specimen.png"},
        {JADELAMP " bake font " OUTLINES " --size 14 -n soft --bits 4 && "
                  "printf '#include \"soft.h\"\\nint main(void){return "
                  "jl_font_has(&soft,0x41)?0:1;}\\n' > m.c && " CC
                  " -std=c11 -Wall -Wextra -Wpedantic -Werror -I" INCLUDE_DIR " m.c soft.c " LIBRARY
                  " " SANITIZER_FLAGS " -o m && ./m",
         0, "95 characters"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(run(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    char line[80];
    snprintf(line, sizeof line, "rm -rf fonts-%ld", (long)getpid());
    EXPECT_INT(system(line), 0);
}

/* Text art to a font and back: the same dots; and fonts of our own from their art. */
static void art_and_back(void) {
    static const char art[] = "; two signs\n@ ascent 3\n= E000 E001\n#..# .##.#\n.##. #...#\n"
                              "#..# #####\n= 41\n##\n#.\n##\n#.\n";
    static const char *const said[] = {"; ascent 3, height 4\n= 0041\n##.\n#..\n##.\n#..\n= E000\n",
                                       "#..#.\n.##..\n#..#.\n.....\n= E001\n",
                                       ".##.#.\n#...#.\n#####.\n......\n"};
    char line[400];
    snprintf(line, sizeof line, "fonts-%ld/signs.txt", (long)getpid());
    run("true");
    EXPECT(jl_file_put(line, art, strlen(art), &complaint));
    EXPECT_INT(run(JADELAMP " bake glyph signs.txt --font && " JADELAMP " bake art signs.c"), 0);
    EXPECT_CONTAINS(output, "3 characters in lines of 4 pixels");
    for (int i = 0; i < 3; i++) {
        EXPECT_CONTAINS(output, said[i]);
    }
    EXPECT_INT(run(JADELAMP " bake glyph " FONT_ART "/icons-12.txt --font -n i && " JADELAMP
                            " bake art i.c | grep -c '^='"),
               0);
    EXPECT_CONTAINS(output, "24\n"); /* as many icons as jl_font_icons12 has */
    EXPECT_INT(run("cat " FONT_ART "/icons-12.txt | " JADELAMP " bake art signs.txt"), 2);
    EXPECT_CONTAINS(output, "expected a font that jadelamp bake wrote");
    EXPECT_INT(run(JADELAMP " bake glyph signs.txt --font --json"), 0);
    EXPECT_CONTAINS(output, "\"characters\":\t3");
    EXPECT_INT(run(JADELAMP " bake art none.c"), 2);
    EXPECT_INT(run(JADELAMP " bake art"), 2);
    EXPECT_INT(run(JADELAMP " bake glyph signs.txt --font --ascent 70"), 2);
    EXPECT_INT(run("printf '@ ascent x\\n' > b.txt; " JADELAMP " bake glyph b.txt --font"), 2);
    EXPECT_CONTAINS(output, "b.txt:1: @ ascent: expected a number");
    EXPECT_INT(run("printf '= 41\\n##\\n#\\n' > b.txt; " JADELAMP " bake glyph b.txt --font"), 2);
    EXPECT_CONTAINS(output, "b.txt:3: \"#\" is 1 dots wide, expected 2");
    snprintf(line, sizeof line, "rm -rf fonts-%ld", (long)getpid());
    EXPECT_INT(system(line), 0);
}

const struct test_group test_groups[] = {
    {"glyphs_equal_freetype", glyphs_equal_freetype},
    {"a_bitmap_font", a_bitmap_font},
    {"strange_glyphs", strange_glyphs},
    {"large_sets", large_sets},
    {"sets_of_characters", sets_of_characters},
    {"damaged_fonts", damaged_fonts},
    {"art_and_back", art_and_back},
    {"the_command", the_command},
    {NULL, NULL},
};
