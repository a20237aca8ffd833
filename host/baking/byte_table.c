/* Tables of bytes, and the packed layout of fonts (docs/fonts.md). */
#include "byte_table.h"

#include <stdlib.h>

void jl_host_bytes_add(struct bytes *bytes, int value) {
    if (bytes->count == bytes->room) {
        size_t room = bytes->room ? bytes->room * 2 : 4096;
        uint8_t *at = realloc(bytes->at, room);
        if (!at) {
            bytes->failed = true;
            return;
        }
        bytes->at = at;
        bytes->room = room;
    }
    bytes->at[bytes->count++] = (uint8_t)value;
}

static void add_number(struct bytes *bytes, uint32_t value, int count) {
    while (count--) {
        jl_host_bytes_add(bytes, (int)(value & 0xFF));
        value >>= 8;
    }
}

static void add_all(struct bytes *bytes, const struct bytes *more) {
    for (size_t i = 0; i < more->count; i++) {
        jl_host_bytes_add(bytes, more->at[i]);
    }
    bytes->failed |= more->failed;
}

/* The range that ends before this code, or a new one. */
void jl_host_packed_font_code(struct packed_font *font, uint32_t code) {
    if (font->range_count && code == font->last_code + 1) {
        uint8_t *count = font->ranges.at + font->ranges.count - 4;
        int now = (count[0] | count[1] << 8) + 1;
        count[0] = (uint8_t)now;
        count[1] = (uint8_t)(now >> 8);
    } else {
        add_number(&font->ranges, code, 3);
        jl_host_bytes_add(&font->ranges, 0);
        add_number(&font->ranges, 1, 2);
        add_number(&font->ranges, (uint32_t)font->glyph_count, 2);
        font->range_count++;
    }
    font->last_code = code;
}

void jl_host_packed_font_glyph(struct packed_font *font, int width, int height, int left, int top,
                               int advance) {
    add_number(&font->glyphs, (uint32_t)font->bitmaps.count, 3);
    jl_host_bytes_add(&font->glyphs, width);
    jl_host_bytes_add(&font->glyphs, height);
    jl_host_bytes_add(&font->glyphs, left);
    jl_host_bytes_add(&font->glyphs, top);
    jl_host_bytes_add(&font->glyphs, advance);
    font->glyph_count++;
}

void jl_host_packed_font_free(struct packed_font *font) {
    free(font->ranges.at);
    free(font->glyphs.at);
    free(font->bitmaps.at);
}

void jl_host_packed_font_end(struct packed_font *font, int ascent, int descent,
                             struct bytes *table) {
    static const uint8_t mark[] = {'J', 'L', 'F', '1'};
    for (int i = 0; i < 4; i++) {
        jl_host_bytes_add(table, mark[i]);
    }
    jl_host_bytes_add(table, font->bits);
    jl_host_bytes_add(table, ascent);
    jl_host_bytes_add(table, ascent + descent);
    jl_host_bytes_add(table, 0);
    add_number(table, (uint32_t)font->range_count, 2);
    add_number(table, (uint32_t)font->glyph_count, 2);
    add_all(table, &font->ranges);
    add_all(table, &font->glyphs);
    add_all(table, &font->bitmaps);
}

bool jl_host_packed_font_take(struct bytes *table, struct jl_baked_font *baked, const char *path,
                              struct jl_complaint *complaint) {
    jl_status status =
        table->failed ? JL_TOO_SMALL : jl_font_open(&baked->font, table->at, table->count);
    if (status != JL_OK) {
        jl_complain(complaint, "%s: cannot be packed: %s", path,
                    table->failed ? "out of memory" : jl_status_text(status));
        free(table->at);
        return false;
    }
    baked->table = table->at;
    baked->bytes = table->count;
    return true;
}

void jl_host_code_to_utf8(uint32_t code, char out[5]) {
    static const uint8_t leads[] = {0, 0, 0xC0, 0xE0, 0xF0};
    int count = code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
    out[count] = '\0';
    for (int i = count - 1; i > 0; i--, code >>= 6) {
        out[i] = (char)(0x80 | (code & 0x3F));
    }
    out[0] = (char)(leads[count] | code);
}
