/* Text: packed fonts, fallbacks, anchors, boxes, four ways, numbers. */
#include "harness.h"

#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "kinds.h"
#include "naive.h"

enum { W = 96, H = 64 };

static uint8_t pixels[W * H * 4];
static struct jl_frame frame;
static struct naive reference;

static const struct kind *kind;

static void sheet_as(const struct kind *wanted) {
    kind = wanted;
    EXPECT_INT(jl_frame_init(&frame, kind->format, W, H, pixels, sizeof pixels), JL_OK);
    naive_init(&reference, W, H);
    reference.quantize = kind->store;
}

static const struct kind *rgb888(void) {
    int i = 0;
    while (kinds[i].format != &jl_rgb888) {
        i++;
    }
    return &kinds[i];
}

static void sheet(void) {
    sheet_as(rgb888());
}

static bool sheet_is_right(void) {
    for (int y = 0; y < H; y++) {
        for (int x = 0; x < W; x++) {
            jl_color seen = kind->see(pixels, W, H, x, y);
            if (seen != reference.px[y][x]) {
                return test_check(false, __FILE__, __LINE__,
                                  "%s: pixel %d,%d is %06X, expected %06X", kind->name, x, y,
                                  (unsigned)seen, (unsigned)reference.px[y][x]);
            }
        }
    }
    return test_check(true, __FILE__, __LINE__, "equal");
}

/* ---- packed fonts, made here from random glyphs ---- */

enum { GLYPHS = 40, MOST_SIDE = 20 };

struct made_glyph {
    uint32_t code;
    int width, height, left, top, advance;
    uint8_t cover[MOST_SIDE][MOST_SIDE]; /* 0..15 */
};

struct made_font {
    struct made_glyph glyphs[GLYPHS];
    int bits, height, ascent;
    uint8_t blob[GLYPHS * (16 + MOST_SIDE * MOST_SIDE) + 12];
    size_t size;
    struct jl_font font;
};

static uint8_t *put16(uint8_t *at, unsigned v) {
    *at++ = (uint8_t)v;
    *at++ = (uint8_t)(v >> 8);
    return at;
}

static uint8_t *put24(uint8_t *at, unsigned v) {
    at = put16(at, v);
    *at++ = (uint8_t)(v >> 16);
    return at;
}

/* Code points in runs of 1 to 5 with gaps; the blob after docs/fonts.md. */
static void make_font(struct made_font *f, uint32_t seed, int bits, uint32_t first_code) {
    struct test_random random = {seed};
    uint8_t bitmaps[GLYPHS * MOST_SIDE * MOST_SIDE], *out = bitmaps;
    unsigned offsets[GLYPHS];
    memset(f, 0, sizeof *f);
    f->bits = bits;
    f->height = 16;
    f->ascent = 12;
    uint32_t code = first_code;
    for (int i = 0; i < GLYPHS; i++) {
        struct made_glyph *g = &f->glyphs[i];
        code += i && test_random_between(&random, 0, 3) == 0
                    ? (uint32_t)test_random_between(&random, 2, 500)
                    : 1;
        g->code = code;
        g->width = test_random_between(&random, 0, MOST_SIDE);
        g->height = test_random_between(&random, 0, MOST_SIDE);
        g->left = test_random_between(&random, -2, 3);
        g->top = test_random_between(&random, 0, 12);
        g->advance = test_random_between(&random, 0, MOST_SIDE);
        offsets[i] = (unsigned)(out - bitmaps);
        for (int y = 0; y < g->height; y++) {
            for (int x = 0; x < g->width; x++) {
                g->cover[y][x] = (uint8_t)(bits == 1 ? test_random_between(&random, 0, 1) * 15
                                                     : test_random_between(&random, 0, 15));
            }
        }
        for (int y = 0; bits == 1 && y < g->height; y += 8) {
            for (int x = 0; x < g->width; x++, out++) {
                *out = 0;
                for (int b = 0; b < 8 && y + b < g->height; b++) {
                    *out |= (uint8_t)((g->cover[y + b][x] != 0) << b);
                }
            }
        }
        for (int y = 0; bits == 4 && y < g->height; y++) {
            for (int x = 0; x < g->width; x += 2, out++) {
                *out = (uint8_t)(g->cover[y][x] << 4 | (x + 1 < g->width ? g->cover[y][x + 1] : 0));
            }
        }
    }
    unsigned ranges = 1;
    for (int i = 1; i < GLYPHS; i++) {
        ranges += f->glyphs[i].code != f->glyphs[i - 1].code + 1;
    }
    uint8_t *at = f->blob;
    memcpy(at, "JLF1", 4);
    at[4] = (uint8_t)bits;
    at[5] = (uint8_t)f->ascent;
    at[6] = (uint8_t)f->height;
    at = put16(put16(at + 8, ranges), GLYPHS);
    for (int i = 0, start = 0; i < GLYPHS; i++) {
        if (i + 1 == GLYPHS || f->glyphs[i + 1].code != f->glyphs[i].code + 1) {
            at = put24(at, f->glyphs[start].code);
            *at++ = 0;
            at = put16(put16(at, (unsigned)(i + 1 - start)), (unsigned)start);
            start = i + 1;
        }
    }
    for (int i = 0; i < GLYPHS; i++) {
        const struct made_glyph *g = &f->glyphs[i];
        at = put24(at, offsets[i]);
        *at++ = (uint8_t)g->width;
        *at++ = (uint8_t)g->height;
        *at++ = (uint8_t)g->left;
        *at++ = (uint8_t)g->top;
        *at++ = (uint8_t)g->advance;
    }
    memcpy(at, bitmaps, (size_t)(out - bitmaps));
    f->size = (size_t)(at - f->blob) + (size_t)(out - bitmaps);
    EXPECT_INT(jl_font_open(&f->font, f->blob, f->size), JL_OK);
}

static const struct made_glyph *made_find(const struct made_font *f, uint32_t code) {
    for (int i = 0; i < GLYPHS; i++) {
        if (f->glyphs[i].code == code) {
            return &f->glyphs[i];
        }
    }
    return NULL;
}

static size_t put_utf8(char *out, uint32_t code) {
    if (code < 0x80) {
        out[0] = (char)code;
        return 1;
    }
    if (code < 0x800) {
        out[0] = (char)(0xC0 | code >> 6);
        out[1] = (char)(0x80 | (code & 63));
        return 2;
    }
    out[0] = (char)(0xE0 | code >> 12);
    out[1] = (char)(0x80 | (code >> 6 & 63));
    out[2] = (char)(0x80 | (code & 63));
    return 3;
}

/* A line by definition: each cell's pixels are paper mixed with ink by coverage. */
static void naive_packed(const struct made_font *f, const struct made_font *fallback, int x, int y,
                         const uint32_t *codes, int count, jl_color ink, jl_color paper) {
    for (int i = 0; i < count; i++) {
        const struct made_glyph *g = made_find(f, codes[i]);
        g = g ? g : fallback ? made_find(fallback, codes[i]) : NULL;
        int advance = g ? g->advance : 16 / 2 + 1;
        for (int v = 0; v < 16; v++) {
            for (int u = 0; u < advance; u++) {
                int cover = 0;
                if (g) {
                    int gx = u - g->left, gy = v - (12 - g->top);
                    bool in = gx >= 0 && gy >= 0 && gx < g->width && gy < g->height;
                    cover = in ? g->cover[gy][gx] : 0;
                } else {
                    bool in = u < advance - 1 && v < 12;
                    cover = in && (u == 0 || v == 0 || u == advance - 2 || v == 11) ? 15 : 0;
                }
                int px = x + u, py = y + v;
                if (px < 0 || py < 0 || px >= W || py >= H) {
                    continue;
                }
                jl_color below = paper == JL_CLEAR ? reference.px[py][px] : paper, mix = 0;
                for (int shift = 0; shift < 24; shift += 8) {
                    int from = below >> shift & 255, to = ink >> shift & 255;
                    mix |= (jl_color)((from * (15 - cover) * 2 + to * cover * 2 + 15) / 30)
                           << shift;
                }
                naive_put(&reference, px, py, mix);
            }
        }
        x += advance;
    }
}

static void packed_fonts_draw(void) {
    static struct made_font font, other;
    for (uint32_t seed = 1; seed <= 400; seed++) {
        struct test_random random = {seed * 2654435761u};
        test_row("seed %u", (unsigned)seed);
        make_font(&font, seed, seed % 2 ? 1 : 4, seed % 5 ? 0x41 : 0x3B1);
        make_font(&other, seed + 9999, seed % 3 ? 1 : 4, 0x2190);
        const struct jl_font *chain[] = {&other.font, NULL};
        sheet_as(&kinds[seed / 2 % KINDS]);
        jl_fill_gradient(&frame.target, (struct jl_rect){0, 0, W, H}, JL_AXIS_X, JL_TEAL, JL_ORANGE,
                         NULL);
        naive_gradient(&reference, (struct jl_rect){0, 0, W, H}, JL_AXIS_X, JL_TEAL, JL_ORANGE,
                       NULL);
        uint32_t codes[8];
        char text[40];
        size_t length = 0;
        int missing = 0, width = 0;
        for (int i = 0; i < 8; i++) {
            int which = test_random_between(&random, 0, 9);
            const struct made_font *from = which < 6 ? &font : &other;
            codes[i] =
                which == 9 ? 0x7E : from->glyphs[test_random_between(&random, 0, GLYPHS - 1)].code;
            length += put_utf8(text + length, codes[i]);
            const struct made_glyph *g = made_find(&font, codes[i]);
            g = g ? g : made_find(&other, codes[i]);
            missing += !g;
            width += g ? g->advance : 9;
            EXPECT_INT(jl_font_has(&font.font, codes[i]), made_find(&font, codes[i]) != NULL);
        }
        text[length] = '\0';
        jl_color ink = seed % 3 ? test_random_next(&random) & 0xFFFFFF : JL_WHITE;
        jl_color paper = seed % 7 < 4 ? JL_CLEAR : JL_NAVY;
        struct jl_text_style style = {
            .font = &font.font, .ink = ink, .paper = paper, .fallbacks = chain};
        int x = test_random_between(&random, -20, 80), y = test_random_between(&random, -10, 60);
        EXPECT_INT(jl_text(&frame.target, (int16_t)x, (int16_t)y, text, &style), missing);
        EXPECT_INT(jl_text_width(&style, text), width);
        naive_packed(&font, &other, x, y, codes, 8, ink, paper);
        if (!sheet_is_right()) {
            return;
        }
    }
}

/* Every cut and every changed byte: refused, or a font that draws within bounds (sanitizers watch).
 */
static void damaged_fonts_do_no_harm(void) {
    static struct made_font font;
    make_font(&font, 5, 1, 0x41);
    struct jl_font opened;
    int refused = 0;
    for (size_t size = 0; size < font.size; size++) {
        uint8_t *exact = malloc(size + 1); /* exactly as long, so that reading past it is seen */
        memcpy(exact, font.blob, size);
        test_row("cut to %zu", size);
        EXPECT(jl_font_open(&opened, exact, size) != JL_OK);
        free(exact);
    }
    for (uint32_t seed = 1; seed <= 6000; seed++) {
        struct test_random random = {seed};
        uint8_t *copy = malloc(font.size);
        memcpy(copy, font.blob, font.size);
        for (int i = test_random_between(&random, 1, 3); i > 0; i--) {
            copy[test_random_between(&random, 0, seed % 2 ? 60 : (int)font.size - 1)] =
                (uint8_t)test_random_next(&random);
        }
        if (jl_font_open(&opened, copy, font.size) == JL_OK) {
            struct jl_text_style style = {.font = &opened, .ink = JL_WHITE};
            sheet();
            jl_text(&frame.target, -5, -5,
                    "ABCDEFGHIJKLMNOPQRSTUVWXYZ[]^_abcdefghijklmnopqrstuvwxyz", &style);
        } else {
            refused++;
        }
        free(copy);
    }
    EXPECT(refused > 1000);
    uint8_t *flat = malloc(font.size);
    memcpy(flat, font.blob, font.size);
    flat[5] = 0; /* no row above the baseline */
    EXPECT_INT(jl_font_open(&opened, flat, font.size), JL_BAD_ARGUMENT);
    free(flat);
    EXPECT_INT(jl_font_open(NULL, font.blob, font.size), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_font_open(&opened, NULL, font.size), JL_BAD_ARGUMENT);
}

/* ---- the library's own fonts against their art ---- */

struct art_glyph {
    unsigned code;
    int rows, width, ascent;
    char pixels[16][17];
};

/* Reads an art file: lines "= codes", then rows with one glyph for each code. */
static int read_art(const char *name, int ascent, struct art_glyph *glyphs, int most) {
    char path[300], line[200];
    int count = 0, block = 0, block_size = 0;
    snprintf(path, sizeof path, "%s/%s", TEST_FONTS_DIR, name);
    FILE *file = fopen(path, "r");
    while (EXPECT(file != NULL) && fgets(line, sizeof line, file)) {
        if (line[0] == ';' || line[0] == '@' || line[0] == '\n') {
            continue;
        }
        if (line[0] == '=') {
            block = count;
            block_size = 0;
            for (char *code = strtok(line + 1, " \n"); code && count < most;
                 code = strtok(NULL, " \n")) {
                if (code[0] == '@') { /* rows that this block begins above the baseline */
                    ascent = atoi(code + 1);
                    continue;
                }
                glyphs[count++] =
                    (struct art_glyph){.code = (unsigned)strtoul(code, NULL, 16), .ascent = ascent};
                block_size++;
            }
            continue;
        }
        char *cell = strtok(line, " \n");
        for (int i = 0; i < block_size && cell; i++, cell = strtok(NULL, " \n")) {
            struct art_glyph *g = &glyphs[block + i];
            g->width = (int)strlen(cell);
            snprintf(g->pixels[g->rows++], 17, "%s", cell);
        }
    }
    if (file) {
        fclose(file);
    }
    return count;
}

static void own_fonts_equal_their_art(void) {
    static const struct {
        const struct jl_font *font;
        const char *art;
        int art_ascent, advance, least;
    } rows[] = {{&jl_font_3x5, "micro-3x5.txt", 5, 4, 140},
                {&jl_font_5x7_greek_cyrillic, "greek-cyrillic-5x7.txt", 7, 6, 75},
                {&jl_font_5x7, "6x8.txt", 7, 6, 95},
                {&jl_font_5x7, "latin-5x7.txt", 7, 6, 45},
                {&jl_font_8x13, "latin-8x13.txt", 0, 8, 140},
                {&jl_font_icons12, "icons-12.txt", 10, 13, 24}};
    static struct art_glyph glyphs[200];
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        int count = read_art(rows[i].art, rows[i].art_ascent, glyphs, 200);
        EXPECT(count >= rows[i].least);
        for (int k = 0; k < count; k++) {
            const struct art_glyph *g = &glyphs[k];
            char text[8];
            text[put_utf8(text, g->code)] = '\0';
            test_row("%s, U+%04X", rows[i].art, g->code);
            sheet();
            struct jl_text_style style = {.font = rows[i].font, .ink = JL_WHITE, .paper = JL_NAVY};
            EXPECT_INT(jl_text(&frame.target, 4, 3, text, &style), 0);
            EXPECT_INT(jl_text_width(&style, text), rows[i].advance);
            int top = 3 + rows[i].font->ascent - g->ascent;
            naive_fill(&reference,
                       (struct jl_rect){4, 3, (int16_t)rows[i].advance, rows[i].font->height},
                       JL_NAVY);
            for (int y = 0; y < g->rows; y++) {
                for (int x = 0; x < g->width; x++) {
                    naive_put(&reference, 4 + x, top + y,
                              g->pixels[y][x] == '#' ? JL_WHITE : JL_CLEAR);
                }
            }
            sheet_is_right();
        }
    }
}

/* All of Latin-1 is there; an accented letter is its letter and a mark more. */
static void latin_1_is_complete(void) {
    static const struct {
        unsigned code;
        char base;
    } rows[] = {{0xC0, 'A'}, {0xC7, 'C'}, {0xCA, 'E'}, {0xD1, 'N'}, {0xD6, 'O'}, {0xDD, 'Y'},
                {0xE5, 'a'}, {0xE7, 'c'}, {0xE9, 'e'}, {0xF1, 'n'}, {0xFC, 'u'}, {0xFF, 'y'}};
    static const struct jl_font *const fonts[] = {&jl_font_5x7, &jl_font_8x13, &jl_font_3x5};
    for (size_t i = 0; i < 3 * sizeof rows / sizeof rows[0]; i++) {
        const struct jl_font *font = fonts[i / (sizeof rows / sizeof rows[0])];
        struct jl_text_style style = {.font = font, .ink = JL_WHITE};
        for (unsigned code = 0xA0; code <= 0xFF; code++) {
            test_row("U+%04X", code);
            EXPECT(jl_font_has(font, code));
        }
        EXPECT(!jl_font_has(font, 0x152) && !jl_font_has(font, 0x9F));
        static uint8_t plain[W * H * 3];
        unsigned code = rows[i % (sizeof rows / sizeof rows[0])].code;
        char text[8] = {rows[i % (sizeof rows / sizeof rows[0])].base, 0};
        test_row("U+%04X in lines of %d", code, font->height);
        sheet();
        jl_text(&frame.target, 0, 0, text, &style);
        memcpy(plain, pixels, sizeof plain);
        sheet();
        text[put_utf8(text, code)] = '\0';
        jl_text(&frame.target, 0, 0, text, &style);
        int more = 0, less = 0;
        for (int p = 0; p < W * H * 3; p += 3) {
            more += pixels[p] && !plain[p];
            less += !pixels[p] && plain[p];
        }
        EXPECT_INT(less, 0);
        EXPECT(more >= 1 && more <= 7);
    }
}

/* No two characters of a font look the same, but those that are meant to. */
static void characters_differ(void) {
    static const struct jl_font *const fonts[] = {&jl_font_5x7, &jl_font_8x13, &jl_font_icons12};
    static uint8_t seen[256][18 * 16];
    for (int f = 0; f < 3; f++) {
        struct jl_text_style style = {.font = fonts[f], .ink = JL_WHITE};
        unsigned first = f == 2 ? 0xE000 : 0x21, count = f == 2 ? 24 : 0xFF - 0x21 + 1;
        for (unsigned i = 0; i < count; i++) {
            char text[8];
            uint8_t small[JL_RGB332_BYTES(18, 16)];
            struct jl_frame cell;
            text[put_utf8(text, first + i)] = '\0';
            EXPECT_INT(jl_frame_init(&cell, &jl_rgb332, 18, 16, small, sizeof small), JL_OK);
            jl_text(&cell.target, 0, 0, text, &style);
            memcpy(seen[i], small, sizeof small);
            for (unsigned k = 0; k < i; k++) {
                bool control = first + i >= 0x7F && first + i <= 0xA0; /* boxes and a blank */
                bool dash = first + i == 0xAD && first + k == '-';
                test_row("font %d, U+%04X and U+%04X", f, first + i, first + k);
                EXPECT(control || dash || memcmp(seen[i], seen[k], sizeof small) != 0);
            }
        }
    }
}

/* The box of a missing character is as high as capitals, however high these are. */
static void boxes_of_high_fonts(void) {
    static const int ascents[] = {1, 10, 60, 127, 128, 200, 255};
    static uint8_t high_pixels[140 * 256];
    for (size_t i = 0; i < sizeof ascents / sizeof ascents[0]; i++) {
        const uint8_t bytes[12] = {'J', 'L', 'F', '1', 1, (uint8_t)ascents[i], 255};
        struct jl_font font;
        struct jl_frame sheet_of_it;
        test_row("ascent %d", ascents[i]);
        EXPECT_INT(jl_font_open(&font, bytes, sizeof bytes), JL_OK);
        EXPECT_INT(jl_frame_init(&sheet_of_it, &jl_rgb332, 140, 256, high_pixels, 140 * 256),
                   JL_OK);
        struct jl_text_style style = {.font = &font, .ink = JL_WHITE};
        EXPECT_INT(jl_text(&sheet_of_it.target, 0, 0, "A", &style), 1);
        int right = font.box_width - 2, wrong = 0; /* a column apart from the next */
        for (int y = 0; y < 256; y++) {
            for (int x = 0; x < 140; x++) {
                bool edge = x == 0 || x == right || y == 0 || y == ascents[i] - 1;
                bool inside = x <= right && y < ascents[i];
                wrong += (high_pixels[y * 140 + x] != 0) != (inside && edge);
            }
        }
        EXPECT_INT(wrong, 0);
    }
}

/* ---- where text stands ---- */

static void anchors(void) {
    static const struct {
        uint8_t anchor;
        int x, y; /* of the top left of the first cell, for "Tide" (24 x 8, ascent 7) at 50,30 */
    } rows[] = {
        {JL_ANCHOR_LEFT | JL_ANCHOR_TOP, 50, 30},
        {JL_ANCHOR_CENTRE | JL_ANCHOR_TOP, 38, 30},
        {JL_ANCHOR_RIGHT | JL_ANCHOR_TOP, 26, 30},
        {JL_ANCHOR_LEFT | JL_ANCHOR_MIDDLE, 50, 26},
        {JL_ANCHOR_RIGHT | JL_ANCHOR_BOTTOM, 26, 22},
        {JL_ANCHOR_CENTRE | JL_ANCHOR_BASELINE, 38, 23},
    };
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_MAROON};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("anchor %d", rows[i].anchor);
        sheet();
        EXPECT_INT(jl_text_at(&frame.target, 50, 30, rows[i].anchor, "Tide", &style), 0);
        naive_text(&reference, rows[i].x, rows[i].y, "Tide", JL_WHITE, JL_MAROON);
        sheet_is_right();
    }
    sheet();
    for (int a = 0; a < 16; a++) { /* the ends of the coordinates: nothing, and no harm */
        jl_text_at(&frame.target, INT16_MIN, INT16_MIN, (uint8_t)a, "Tide", &style);
        jl_text_at(&frame.target, INT16_MAX, INT16_MAX, (uint8_t)a, "Tide", &style);
    }
    sheet_is_right();
}

static void four_ways(void) {
    static const int ways[4][4] = {{1, 0, 0, 1}, {0, -1, 1, 0}, {-1, 0, 0, -1}, {0, 1, -1, 0}};
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_GREEN};
    static struct naive line;
    naive_init(&line, 24, 8);
    line.quantize = rgb888()->store;
    naive_text(&line, 0, 0, "Fy7,", JL_WHITE, JL_GREEN);
    for (int turn = 0; turn < 8; turn++) {
        for (int way = 0; way < 4; way++) {
            const int *m = ways[way];
            test_row("turn %d, way %d", turn, way);
            sheet();
            struct jl_image image = jl_image_of_frame(&frame);
            jl_target_turn(&frame.target, (uint8_t)turn);
            EXPECT_INT(jl_text_turned(&frame.target, 40, 30, (enum jl_text_way)way, "Fy7,", &style),
                       0);
            /* Seen upright: the frame drawn on another one that is turned back. */
            static uint8_t upright_pixels[W * H * 3];
            struct jl_frame upright;
            int uw = turn & 1 ? H : W, uh = turn & 1 ? W : H;
            EXPECT_INT(jl_frame_init(&upright, &jl_rgb888, (int16_t)uw, (int16_t)uh, upright_pixels,
                                     sizeof upright_pixels),
                       JL_OK);
            int back = turn & JL_TURN_MIRROR ? turn : (4 - turn) & 3;
            jl_target_turn(&upright.target, (uint8_t)back);
            jl_draw_image(&upright.target, 0, 0, &image);
            int wrong = 0;
            for (int y = 0; y < uh; y++) {
                for (int x = 0; x < uw; x++) {
                    int dx = x - 40, dy = y - 30;
                    int u = m[0] * dx + m[2] * dy, v = m[1] * dx + m[3] * dy;
                    bool in = u >= 0 && u < 24 && v >= 0 && v < 8;
                    const uint8_t *p = upright_pixels + (y * uw + x) * 3;
                    wrong += JL_RGB(p[0], p[1], p[2]) != (in ? line.px[v][u] : JL_BLACK);
                }
            }
            EXPECT_INT(wrong, 0);
        }
    }
    sheet();
    EXPECT_INT(jl_text_turned(&frame.target, INT16_MAX, 0, JL_TEXT_UP, "far", &style), 0);
    sheet_is_right();
}

/* Cells of 6 x 8; boxes and lines counted by hand. */
static void boxes(void) {
    static const struct {
        const char *name, *text;
        struct jl_rect box;
        int options, lines;
        struct {
            int x, y;
            const char *text;
        } drawn[4];
    } rows[] = {
        {"one line", "High", {3, 4, 60, 20}, 0, 1, {{3, 4, "High"}}},
        {"centred both ways",
         "High",
         {3, 4, 60, 20},
         JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE,
         1,
         {{21, 10, "High"}}},
        {"bottom right",
         "High",
         {3, 4, 60, 20},
         JL_ANCHOR_RIGHT | JL_ANCHOR_BOTTOM,
         1,
         {{39, 16, "High"}}},
        {"line ends", "a\nbc\n", {0, 0, 60, 40}, 0, 3, {{0, 0, "a"}, {0, 8, "bc"}}},
        {"wrapped",
         "the tide is high",
         {0, 0, 54, 40},
         JL_TEXT_WRAP,
         2,
         {{0, 0, "the tide"}, {0, 8, "is high"}}},
        {"wrapped exactly",
         "the tide is high",
         {0, 0, 48, 40},
         JL_TEXT_WRAP,
         2,
         {{0, 0, "the tide"}, {0, 8, "is high"}}},
        {"wrapped, centred",
         "ab cdef",
         {0, 0, 24, 40},
         JL_TEXT_WRAP | JL_ANCHOR_CENTRE,
         2,
         {{6, 0, "ab"}, {0, 8, "cdef"}}},
        {"a word too long",
         "ab cdefghij k",
         {0, 0, 24, 40},
         JL_TEXT_WRAP,
         3,
         {{0, 0, "ab"}, {0, 8, "cdef"}, {0, 16, "k"}}},
        {"ellipsis", "high water", {0, 0, 48, 8}, JL_TEXT_ELLIPSIS, 1, {{0, 0, "high ..."}}},
        {"it fits", "high", {0, 0, 24, 8}, JL_TEXT_ELLIPSIS, 1, {{0, 0, "high"}}},
        {"ellipsis of lines",
         "aa bb cc dd",
         {0, 0, 30, 16},
         JL_TEXT_WRAP | JL_TEXT_ELLIPSIS,
         2,
         {{0, 0, "aa bb"}, {0, 8, "cc dd"}}},
        {"ellipsis at the last line",
         "aa bb cc dd ee",
         {0, 0, 30, 16},
         JL_TEXT_WRAP | JL_TEXT_ELLIPSIS,
         3,
         {{0, 0, "aa bb"}, {0, 8, "cc..."}}},
        {"clipped by the box", "wide", {10, 3, 15, 5}, 0, 1, {{10, 3, "wide"}}},
        {"empty", "", {0, 0, 20, 20}, 0, 1, {{0, 0, ""}}},
    };
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_PURPLE};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        sheet();
        EXPECT_INT(
            jl_text_box(&frame.target, rows[i].box, (uint8_t)rows[i].options, rows[i].text, &style),
            rows[i].lines);
        reference.clip = rows[i].box;
        for (int k = 0; k < 4 && rows[i].drawn[k].text; k++) {
            naive_text(&reference, rows[i].drawn[k].x, rows[i].drawn[k].y, rows[i].drawn[k].text,
                       JL_WHITE, JL_PURPLE);
        }
        sheet_is_right();
    }
}

/* ---- numbers ---- */

static void whole_numbers(void) {
    static const struct {
        int32_t value;
        int width;
        char pad;
        const char *text;
    } rows[] = {{7, 0, ' ', "7"},     {7, 3, ' ', "  7"},
                {7, 3, '0', "007"},   {-7, 4, '0', "-007"},
                {-7, 4, '*', "**-7"}, {1234, 2, ' ', "1234"},
                {0, 2, '0', "00"},    {INT32_MIN, 12, '0', "-02147483648"}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char out[20];
        size_t length = strlen(rows[i].text);
        test_row("%s", rows[i].text);
        EXPECT_INT((long long)jl_format_int(out, length + 1, rows[i].value, (uint8_t)rows[i].width,
                                            rows[i].pad),
                   (long long)length);
        EXPECT_TEXT(out, rows[i].text);
        EXPECT_INT((long long)jl_format_int(out, length, rows[i].value, (uint8_t)rows[i].width,
                                            rows[i].pad),
                   0);
        EXPECT_TEXT(out, "");
    }
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_NAVY};
    sheet();
    EXPECT_INT(jl_text_number(&frame.target, 5, 6, -391, 2, &style), 0);
    naive_text(&reference, 5, 6, "-3.91", JL_WHITE, JL_NAVY);
    sheet_is_right();
    char out[12];
    jl_format_hex(out, sizeof out, 0x3C, 0);
    EXPECT_TEXT(out, "3C");
    jl_format_hex(out, sizeof out, 0xA, 4);
    EXPECT_TEXT(out, "000A");
    jl_format_hex(out, sizeof out, 0xFFFFFFFF, 2);
    EXPECT_TEXT(out, "FFFFFFFF");
    jl_format_hex(out, sizeof out, 0, 0);
    EXPECT_TEXT(out, "0");
}

/* Against the C library's printf, which rounds the exact value too (but ties to even). */
static void floating_numbers(void) {
    static const struct {
        float value;
        int decimals;
        const char *text;
    } rows[] = {{0, 0, "0"},
                {-0.0f, 1, "-0.0"},
                {1.5f, 0, "2"},
                {2.5f, 0, "3"},
                {-1.25f, 1, "-1.3"},
                {0.1f, 3, "0.100"},
                {NAN, 2, "nan"},
                {INFINITY, 2, "inf"},
                {-INFINITY, 2, "-inf"},
                {1e-40f, 6, "0.000000"},
                {4294967040.0f, 6, "4294967040.000000"},
                {4294967296.0f, 2, "big"},
                {-1e30f, 0, "-big"}};
    char out[JL_FORMAT_BYTES];
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].text);
        jl_format_float(out, sizeof out, rows[i].value, (uint8_t)rows[i].decimals);
        EXPECT_TEXT(out, rows[i].text);
    }
    EXPECT_INT((long long)jl_format_float(out, 3, 12.5f, 1), 0);
    EXPECT_TEXT(out, "");
    for (uint32_t seed = 1; seed <= 20000; seed++) {
        struct test_random random = {seed * 2654435761u};
        uint32_t bits = test_random_next(&random);
        float value;
        memcpy(&value, &bits, 4);
        int decimals = (int)(seed % 7);
        double scaled = fabs((double)value) * pow(10, decimals);
        if (!(fabsf(value) < 4294967296.0f) || scaled - floor(scaled) == 0.5) {
            continue;
        }
        char expected[64];
        snprintf(expected, sizeof expected, "%.*f", decimals, (double)value);
        jl_format_float(out, sizeof out, value, (uint8_t)decimals);
        test_row("seed %u, %.9g", (unsigned)seed, (double)value);
        EXPECT_TEXT(out, expected);
    }
}

static void expect_has(const struct jl_font *font, const uint32_t (*ranges)[2], size_t count) {
    for (size_t i = 0; i < count; i++) {
        for (uint32_t code = ranges[i][0]; code <= ranges[i][1]; code++) {
            test_row("U+%04X in lines of %d", (unsigned)code, font->height);
            EXPECT(jl_font_has(font, code));
        }
    }
}

/* Rows that a text touches, all of which end on the baseline. */
static int rows_of(const struct jl_font *font, const char *text) {
    static uint8_t memory[JL_GREY4_BYTES(60, 90)];
    struct jl_frame page;
    const struct jl_text_style style = {.font = font, .ink = JL_WHITE, .paper = JL_CLEAR};
    int rows = 0, last = -1;
    EXPECT_INT(jl_frame_init(&page, &jl_grey4, 60, 90, memory, sizeof memory), JL_OK);
    jl_text(&page.target, 4, 0, text, &style);
    for (int y = 0; y < 90; y++) {
        int lit = 0;
        for (int x = 0; x < 30; x++) {
            lit += memory[y * 30 + x] != 0;
        }
        rows += lit > 0;
        last = lit ? y : last;
    }
    EXPECT_INT(last, font->ascent - 1);
    return rows;
}

/* The soft letters have what font.h says, and are as high: a capital of DejaVu Sans is 0.729 of
 * its size (its OS/2 table: 1493 of 2048 units). */
static void soft_letters(void) {
    static const struct {
        const struct jl_font *latin, *greek, *cyrillic;
        int size;
    } sizes[] = {{&jl_font_sans16, &jl_font_sans16_greek, &jl_font_sans16_cyrillic, 16},
                 {&jl_font_sans24, &jl_font_sans24_greek, &jl_font_sans24_cyrillic, 24},
                 {&jl_font_sans32, &jl_font_sans32_greek, &jl_font_sans32_cyrillic, 32}};
    static const uint32_t latin[][2] = {{0x20, 0x7E},     {0xA0, 0xFF},     {0x2013, 0x2013},
                                        {0x2026, 0x2026}, {0x20AC, 0x20AC}, {0x2126, 0x2126},
                                        {0x2190, 0x2193}};
    static const uint32_t greek[][2] = {{0x391, 0x3A1}, {0x3A3, 0x3CE}};
    static const uint32_t cyrillic[][2] = {{0x401, 0x40C}, {0x40E, 0x44F}, {0x451, 0x45C}};
    static const uint32_t digits[][2] = {{'+', ':'}, {'%', '%'}, {0xB0, 0xB0}};
    for (int i = 0; i < 3; i++) {
        expect_has(sizes[i].latin, latin, 7);
        expect_has(sizes[i].greek, greek, 2);
        expect_has(sizes[i].cyrillic, cyrillic, 3);
        EXPECT(!jl_font_has(sizes[i].latin, 0x416));
        EXPECT(fabs(rows_of(sizes[i].latin, "H") - sizes[i].size * 0.729) < 1);
    }
    expect_has(&jl_font_figures28, digits, 3);
    expect_has(&jl_font_figures48, digits, 3);
    EXPECT_INT(rows_of(&jl_font_figures28, "7"), 28);
    EXPECT_INT(rows_of(&jl_font_figures48, "7"), 48);
}

/* The quick letters are the others: on each format, turned, cut and mixed, in any colours, with the
 * same damage. */
static void quick_letters(void) {
    struct test_random random = {68};
    static uint8_t others[W * H * 4];
    int alike = 0;
    for (int i = 0; i < test_cases(6000); i++) {
        const struct kind *one = i % 3 ? &kinds[i % KINDS] : NULL;
        const struct jl_format *format = one ? one->format : &jl_mono_columns;
        struct jl_frame frames[2];
        struct jl_damage damages[2];
        char text[8];
        jl_color colors[] = {JL_BLACK, JL_WHITE, JL_CLEAR, JL_TEAL, JL_NAVY};
        jl_color ink = colors[test_random_next(&random) % 5];
        jl_color paper = colors[test_random_next(&random) % 5];
        int16_t x = (int16_t)test_random_between(&random, -20, W + 5);
        int16_t y = (int16_t)(test_random_between(&random, -2, 8) * 8);
        y = (int16_t)(i % 4 ? y : y + test_random_between(&random, -7, 7));
        struct jl_rect clip = {(int16_t)test_random_between(&random, -4, 40),
                               (int16_t)test_random_between(&random, -4, 30),
                               (int16_t)test_random_between(&random, 20, W),
                               (int16_t)test_random_between(&random, 8, H)};
        uint8_t turn = i % 5 ? 0 : (uint8_t)(test_random_next(&random) % 8);
        bool inverts = i % 7 == 0, tracked = i % 2 == 0, clipped = i % 3 == 1;
        for (size_t c = 0; c < sizeof text - 1; c++) {
            text[c] = (char)test_random_between(&random, 0x1F, 0x7F);
        }
        text[sizeof text - 1] = '\0';
        for (int k = 0; k < (int)sizeof pixels; k++) {
            pixels[k] = (uint8_t)(test_random_next(&random) >> 9);
        }
        memcpy(others, pixels, sizeof others);
        for (int k = 0; k < 2; k++) {
            static uint8_t before[W * H * 4];
            uint8_t *memory = k ? others : pixels;
            memcpy(before, memory, sizeof before);
            EXPECT_INT(jl_frame_init(&frames[k], format, W, H, memory, sizeof pixels), JL_OK);
            memcpy(memory, before, sizeof before);
            if (tracked) {
                jl_frame_track(&frames[k], &damages[k]);
                jl_damage_clear(&damages[k]);
            }
            struct jl_target *target = &frames[k].target;
            jl_target_turn(target, turn);
            if (inverts) {
                jl_target_mode(target, JL_MODE_INVERT, 255);
            }
            if (clipped) {
                jl_target_clip(target, clip);
            }
            const struct jl_text_style style = {
                .font = k ? &jl_font_6x8_quick : &jl_font_6x8, .ink = ink, .paper = paper};
            jl_text(target, x, y, text, &style);
        }
        test_row("case %d, format %d, at %d,%d", i, one ? i % KINDS : -1, x, y);
        alike += EXPECT(memcmp(pixels, others, sizeof pixels) == 0);
        if (tracked && EXPECT_INT(damages[0].count, damages[1].count)) {
            EXPECT_BYTES(damages[0].rects, damages[1].rects,
                         damages[0].count * sizeof damages[0].rects[0]);
        }
    }
    EXPECT(alike > 200);
}

const struct test_group test_groups[] = {
    {"quick_letters", quick_letters},
    {"soft_letters", soft_letters},
    {"packed_fonts_draw", packed_fonts_draw},
    {"own_fonts", own_fonts_equal_their_art},
    {"characters_differ", characters_differ},
    {"latin_1_is_complete", latin_1_is_complete},
    {"damaged_fonts", damaged_fonts_do_no_harm},
    {"boxes_of_high_fonts", boxes_of_high_fonts},
    {"anchors", anchors},
    {"four_ways", four_ways},
    {"boxes", boxes},
    {"whole_numbers", whole_numbers},
    {"floating_numbers", floating_numbers},
    {NULL, NULL},
};
