/* Small fonts and icons from text art, and baked fonts as text art again. */
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "byte_table.h"
#include "jadelamp/draw.h"
#include "jadelamp/frame.h"
#include "jadelamp/host/bake_font.h"
#include "jadelamp/text.h"
#include "text_art.h"

enum { MOST_ART = 2000, MOST_FILE_BYTES = 1 << 26 };

/* ---- art to a font ---- */

static int by_code(const void *a, const void *b) {
    uint32_t one = ((const struct text_art_glyph *)a)->code;
    uint32_t two = ((const struct text_art_glyph *)b)->code;
    return one < two ? -1 : one > two;
}

static void add_bitmap(struct bytes *out, const struct text_art_glyph *glyph) {
    for (int page = 0; page < glyph->height; page += 8) {
        for (int x = 0; x < glyph->width; x++) {
            int byte = 0;
            for (int y = page; y < glyph->height && y < page + 8; y++) {
                byte |= (int)(glyph->rows[y] >> (glyph->width - 1 - x) & 1) << (y - page);
            }
            jl_host_bytes_add(out, byte);
        }
    }
}

static int tallest_of(const struct text_art *art) {
    int tallest = 0;
    for (int i = 0; i < art->count; i++) {
        tallest = art->glyphs[i].height > tallest ? art->glyphs[i].height : tallest;
    }
    return tallest;
}

static void pack(const struct text_art *art, int ascent, struct bytes *table) {
    struct packed_font font = {.bits = 1};
    int height = tallest_of(art);
    for (int i = 0; i < art->count; i++) {
        const struct text_art_glyph *glyph = &art->glyphs[i];
        jl_host_packed_font_code(&font, glyph->code);
        jl_host_packed_font_glyph(&font, glyph->width, glyph->height, 0, ascent, glyph->width + 1);
        add_bitmap(&font.bitmaps, glyph);
    }
    jl_host_packed_font_end(&font, ascent, height > ascent ? height - ascent : 0, table);
    jl_host_packed_font_free(&font);
}

bool jl_bake_art_font(const char *path, int ascent, struct jl_baked_font *baked,
                      struct jl_complaint *complaint) {
    struct text_art art = {.most = MOST_ART};
    struct bytes table = {NULL, 0, 0, false};
    memset(baked, 0, sizeof *baked);
    bool good = jl_host_text_art_read(path, &art, complaint);
    if (good) {
        qsort(art.glyphs, (size_t)art.count, sizeof *art.glyphs, by_code);
        ascent = ascent ? ascent : art.ascent;
        pack(&art, ascent ? ascent : tallest_of(&art), &table);
        baked->glyphs = art.count;
        snprintf(baked->family, sizeof baked->family, "text art");
        good = jl_host_packed_font_take(&table, baked, path, complaint);
    }
    jl_host_text_art_free(&art);
    return good;
}

/* ---- a baked font to art ---- */

/* The bytes of the array `table` in a baked C file. */
static bool read_table(const char *text, struct bytes *table) {
    const char *at = strstr(text, "table[");
    at = at ? strchr(at, '{') : NULL;
    const char *end = at ? strchr(at, '}') : NULL;
    while (at && end && (at = strstr(at, "0x")) != NULL && at < end) {
        char *behind;
        jl_host_bytes_add(table, (int)strtoul(at, &behind, 16));
        at = behind;
    }
    return table->count > 0 && !table->failed;
}

/* A character as its cell shows it, levels from none to solid. */
static void print_glyph(FILE *out, const struct jl_font *font, uint32_t code) {
    static uint8_t pixels[256 * 256 * 3];
    static const char levels[] = ".:+#";
    struct jl_frame frame;
    char text[5];
    const struct jl_text_style style = {.font = font, .ink = JL_WHITE, .paper = JL_BLACK};
    jl_host_code_to_utf8(code, text);
    int width = jl_text_width(&style, text);
    fprintf(out, "= %04X\n", (unsigned)code);
    if (width < 1 || width > 256 ||
        jl_frame_init(&frame, &jl_rgb888, (int16_t)width, font->height, pixels, sizeof pixels) !=
            JL_OK) {
        return;
    }
    jl_text(&frame.target, 0, 0, text, &style);
    for (int y = 0; y < font->height; y++) {
        for (int x = 0; x < width; x++) {
            fputc(levels[(pixels[(y * width + x) * 3] + 42) / 85], out);
        }
        fputc('\n', out);
    }
}

/* Up to MOST_FILE_BYTES of a file, zero-terminated. NULL: no memory. */
static char *read_whole(FILE *stream) {
    size_t room = 4096, used = 0, more;
    char *text = malloc(room);
    while (text && (more = fread(text + used, 1, room - used - 1, stream)) > 0) {
        used += more;
        if (used + 1 == room && room < MOST_FILE_BYTES) {
            char *larger = realloc(text, room * 2);
            if (!larger) {
                free(text);
                return NULL;
            }
            text = larger;
            room *= 2;
        }
    }
    if (text) {
        text[used] = '\0';
    }
    return text;
}

bool jl_print_baked_font(const char *path, FILE *out, struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "r");
    char *text = stream ? read_whole(stream) : NULL;
    struct bytes table = {NULL, 0, 0, false};
    struct jl_font font;
    bool good = text && *text;
    if (!good) {
        jl_complain(complaint, "cannot read %s: %s", path, errno ? strerror(errno) : "it is empty");
    } else {
        good = (read_table(text, &table) && jl_font_open(&font, table.at, table.count) == JL_OK) ||
               jl_complain(complaint, "%s: expected a font that jadelamp bake wrote", path);
    }
    if (good) {
        fprintf(out, "; ascent %d, height %d\n", font.ascent, font.height);
        for (uint32_t code = 0; code < JL_CODE_POINTS; code++) {
            if (jl_font_has(&font, code)) {
                print_glyph(out, &font, code);
            }
        }
    }
    free(table.at);
    free(text);
    if (stream) {
        fclose(stream);
    }
    return good;
}
