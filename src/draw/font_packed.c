/*
 * Packed fonts: the layout of docs/fonts.md. jl_font_open() checks everything that the
 * other functions rely on, so that they need no checks. Numbers are little-endian and
 * read byte by byte: the memory may have any alignment.
 */
#include <stddef.h>

#include "../core/lone.h"
#include "../core/flash.h"
#include "../core/lanes.h"
#include "font_kind.h"

enum {
    HEADER_BYTES = 12,
    RANGE_BYTES = 8, /* first code point (3 bytes), 0, glyphs (2), first glyph (2) */
    GLYPH_BYTES = 8, /* offset of the bitmap (3 bytes), width, height, left, top, advance */
};

static uint32_t u8(const uint8_t *at) {
    return jl_flash_byte(at);
}

static uint32_t u16(const uint8_t *at) {
    return u8(at) | u8(at + 1) << 8;
}

static uint32_t u24(const uint8_t *at) {
    return u16(at) | u8(at + 2) << 16;
}

struct packed {
    const uint8_t *ranges, *glyphs, *bitmaps;
    uint32_t range_count, glyph_count;
    uint8_t bits;
};

static struct packed packed_of(const uint8_t *table) {
    struct packed p = {.bits = jl_flash_byte(table + 4),
                       .range_count = u16(table + 8),
                       .glyph_count = u16(table + 10)};
    p.ranges = table + HEADER_BYTES;
    p.glyphs = p.ranges + p.range_count * RANGE_BYTES;
    p.bitmaps = p.glyphs + p.glyph_count * GLYPH_BYTES;
    return p;
}

/* O(log n) in the ranges. */
static bool find(const struct jl_font *font, uint32_t code, struct jl_glyph *glyph) {
    struct packed p = packed_of(font->table);
    uint32_t low = 0, high = p.range_count;
    while (low < high) {
        uint32_t middle = (low + high) / 2;
        const uint8_t *range = p.ranges + middle * RANGE_BYTES;
        uint32_t first = u24(range);
        if (code < first) {
            high = middle;
        } else if (code - first >= u16(range + 4)) {
            low = middle + 1;
        } else {
            const uint8_t *g = p.glyphs + (u16(range + 6) + code - first) * GLYPH_BYTES;
            glyph->map = (struct jl_bitmap){p.bitmaps + u24(g), (int16_t)u8(g + 3),
                                            (int16_t)u8(g + 4), &jl_flash_columns};
            glyph->left = (int8_t)u8(g + 5);
            glyph->top = (int16_t)((int16_t)(u8(g + 6) ^ 0x80) - 0x80); /* 8 bits with a sign */
            glyph->advance = jl_flash_byte(g + 7);
            return true;
        }
    }
    return false;
}

const struct jl_font_kind jl_font_packed_stencil = {.find = find, .paint = NULL};

/* ---- 4-bit coverage ---- */

struct coverage {
    const struct jl_bitmap *map;
    int32_t x, y; /* where the map's (0, 0) lies */
    jl_color ink, paper;
};

/* A pixel of which so many fifteenths are ink. */
static jl_color mixed(const struct coverage *c, uint32_t there) {
    uint32_t share = there * 17;
    if (there == 0 || there == 15) {
        return there ? c->ink : c->paper;
    }
    if (c->paper == JL_CLEAR) {
        return c->ink == JL_CLEAR ? JL_CLEAR : c->ink | (jl_color)(255 - share) << 24;
    }
    return c->ink == JL_CLEAR ? c->paper | (jl_color)share << 24
                              : jl_color_mix(c->paper, c->ink, (uint8_t)share);
}

/* Ink that is more or less transparent: a sum in the top byte. Two pixels a byte, or one first. */
static void shade_ink(const uint8_t *at, bool odd, jl_color *row, const jl_color *end,
                      jl_color none) {
    if (odd && row < end) {
        *row++ = none - (u8(at++) & 15) * 0x11000000u;
    }
    for (; end - row > 1; row += 2) {
        uint32_t two = u8(at++);
        row[0] = none - (two >> 4) * 0x11000000u;
        row[1] = none - (two & 15) * 0x11000000u;
    }
    if (row < end) {
        *row = none - (u8(at) >> 4) * 0x11000000u;
    }
}

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct coverage *c = context;
    const struct jl_bitmap *map = c->map;
    uint32_t map_y = (uint32_t)(y - c->y); /* what is negative is too great, too */
    uint32_t map_x = (uint32_t)(x - c->x), stride = ((uint32_t)map->width + 1) / 2;
    uint32_t width = map_y < (uint32_t)map->height ? (uint32_t)map->width : 0;
    const uint8_t *line = map->bits + (width ? map_y * stride : 0);
    if (c->paper == JL_CLEAR && c->ink != JL_CLEAR && map_x + (uint32_t)count <= width) {
        shade_ink(line + (map_x >> 1), map_x & 1, row, row + count, c->ink | JL_CLEAR);
        return;
    }
    for (; count; count--, map_x++) {
        uint32_t there = 0;
        if (map_x < width) {
            there = u8(line + (map_x >> 1));
            there = map_x & 1 ? there & 15 : there >> 4;
        }
        *row++ = mixed(c, there);
    }
}

/* What a cell has around its glyph is filled where that costs less: on frames. */
static void fill_around(struct jl_target *target, struct jl_rect cell, struct jl_rect box,
                        jl_color paper) {
    int16_t right = (int16_t)(cell.x + cell.w - box.x - box.w);
    int16_t bottom = (int16_t)(cell.y + cell.h - box.y - box.h);
    jl_fill_rect(target, (struct jl_rect){cell.x, cell.y, cell.w, (int16_t)(box.y - cell.y)},
                 paper);
    jl_fill_rect(target, (struct jl_rect){cell.x, (int16_t)(box.y + box.h), cell.w, bottom}, paper);
    jl_fill_rect(target, (struct jl_rect){cell.x, box.y, (int16_t)(box.x - cell.x), box.h}, paper);
    jl_fill_rect(target, (struct jl_rect){(int16_t)(box.x + box.w), box.y, right, box.h}, paper);
}

#ifdef JL_LANES
/* Letters on frames of desktops, which do it in one go. */
static void tint(struct jl_target *target, struct jl_rect box, const struct coverage *c) {
    struct jl_tint t = {.area = jl_rect_intersect(box, target->clip),
                        .stride_bytes = (uint16_t)((c->map->width + 1) / 2),
                        .ink = c->ink};
    if (t.area.w > 0) {
        uint32_t left = (uint32_t)(t.area.x - c->x), top = (uint32_t)(t.area.y - c->y);
        t.shares = c->map->bits + (size_t)top * t.stride_bytes + left / 2;
        t.odd = left & 1;
        jl_ops_of(target)->tint(target, &t);
    }
}
#endif

/* Without paper only the glyph's own box is looked at. */
static void paint(struct jl_target *target, struct jl_rect cell, int32_t baseline,
                  const struct jl_glyph *glyph, jl_color ink, jl_color paper) {
    struct coverage c = {&glyph->map, (int32_t)cell.x + glyph->left, baseline - glyph->top, ink,
                         paper};
    struct jl_rect box = {(int16_t)c.x, (int16_t)c.y, glyph->map.width, glyph->map.height};
    bool on_frame = !target->painter && jl_ops_of(target) && !jl_ops_of(target)->shade;
    box = jl_rect_intersect(cell, box);
#ifdef JL_LANES
    if (paper == JL_CLEAR && ink != JL_CLEAR && on_frame && jl_ops_of(target)->tint) {
        tint(target, box, &c);
        return;
    }
#endif
    if (paper == JL_CLEAR) {
        cell = box;
    } else if (on_frame && box.w > 0) {
        fill_around(target, cell, box, paper);
        cell = box;
    }
    jl_paint_shade(target, cell, shade, &c);
}

const struct jl_font_kind jl_font_packed_coverage = {.find = find, .paint = paint};

/* ---- opening ---- */

static jl_status check(const uint8_t *table, size_t size) {
    struct packed p = packed_of(table);
    uint32_t before_bitmaps =
        HEADER_BYTES + p.range_count * RANGE_BYTES + p.glyph_count * GLYPH_BYTES;
    if (size < before_bitmaps) {
        return JL_TOO_SMALL;
    }
    uint32_t next_code = 1;
    for (uint32_t i = 0; i < p.range_count; i++) {
        const uint8_t *range = p.ranges + i * RANGE_BYTES;
        uint32_t first = u24(range), count = u16(range + 4), glyph = u16(range + 6);
        if (u8(range + 3) || !count || first < next_code || first + count > 0x110000 ||
            glyph + count > p.glyph_count) {
            return JL_OUT_OF_RANGE;
        }
        next_code = first + count;
    }
    for (uint32_t i = 0; i < p.glyph_count; i++) {
        const uint8_t *g = p.glyphs + i * GLYPH_BYTES;
        uint32_t bytes =
            p.bits == 1 ? u8(g + 3) * ((u8(g + 4) + 7) / 8) : (u8(g + 3) + 1) / 2 * u8(g + 4);
        if (u24(g) + bytes > size - before_bitmaps) {
            return JL_OUT_OF_RANGE;
        }
    }
    return JL_OK;
}

jl_status jl_font_open(struct jl_font *font, const void *bytes, size_t size) {
    const uint8_t *table = bytes;
    if (!font || !table) {
        return JL_BAD_ARGUMENT;
    }
    if (size < HEADER_BYTES) {
        return JL_TOO_SMALL;
    }
    /* "JLF1", bits a pixel, ascent, height, 0, ranges (2 bytes), glyphs (2). */
    uint8_t head[8];
    for (size_t i = 0; i < sizeof head; i++) {
        head[i] = jl_flash_byte(table + i);
    }
    bool known = head[0] == 'J' && head[1] == 'L' && head[2] == 'F' && head[3] == '1' &&
                 (head[4] == 1 || head[4] == 4) && head[5] > 0 && head[5] <= head[6] && !head[7];
    if (!known) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = check(table, size);
    if (status == JL_OK) {
        *font = (struct jl_font){.kind = head[4] == 1 ? &jl_font_packed_stencil
                                                      : &jl_font_packed_coverage,
                                 .table = table,
                                 .height = head[6],
                                 .ascent = head[5],
                                 .box_width = (uint8_t)(head[6] / 2 + 1)};
    }
    return status;
}

bool jl_font_has(const struct jl_font *font, uint32_t code) {
    struct jl_glyph glyph;
    return font->kind->find(font, code, &glyph);
}
