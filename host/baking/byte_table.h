/* Tables of bytes that grow, and packed fonts made in them. */
#ifndef JADELAMP_HOST_BYTE_TABLE_H
#define JADELAMP_HOST_BYTE_TABLE_H

#include "jadelamp/host/bake_font.h"

/* A table that grows. */
struct bytes {
    uint8_t *at;
    size_t count, room;
    bool failed;
};

void jl_host_bytes_add(struct bytes *bytes, int value);

/* A font on the way: codes and glyphs in rising order, each glyph's bitmap behind it. */
struct packed_font {
    int bits;
    struct bytes ranges, glyphs, bitmaps;
    int range_count, glyph_count;
    uint32_t last_code;
};

void jl_host_packed_font_code(struct packed_font *font, uint32_t code);
void jl_host_packed_font_glyph(struct packed_font *font, int width, int height, int left, int top,
                               int advance);
void jl_host_packed_font_free(struct packed_font *font);

/* Puts header and parts together. */
void jl_host_packed_font_end(struct packed_font *font, int ascent, int descent,
                             struct bytes *table);

/* Gives the table to a baked font if it opens; else it is freed. */
bool jl_host_packed_font_take(struct bytes *table, struct jl_baked_font *baked, const char *path,
                              struct jl_complaint *complaint);

/* A character as UTF-8. */
void jl_host_code_to_utf8(uint32_t code, char out[5]);

#endif
