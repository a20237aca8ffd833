/* Bitmaps, read by a function that gets a byte: from RAM, or from flash. */
#ifndef JADELAMP_SRC_BITS_H
#define JADELAMP_SRC_BITS_H

#include "../core/flash.h"
#include "jadelamp/draw.h"

typedef uint8_t (*jl_byte_fn)(const uint8_t *at);

/* Vertical bytes. */
static inline uint8_t jl_column_of_columns(const struct jl_bitmap *map, int x, int y,
                                           jl_byte_fn byte_at) {
    if (x < 0 || x >= map->width || y >= map->height || y <= -8) {
        return 0;
    }
    int page = y < 0 ? -1 : y >> 3; /* -1: the rows above the map */
    unsigned shift = (unsigned)y & 7;
    const uint8_t *byte = map->bits + page * map->width + x;
    unsigned bits = page >= 0 ? (unsigned)byte_at(byte) >> shift : 0;
    if (shift && (page + 1) * 8 < map->height) {
        bits |= (unsigned)byte_at(byte + map->width) << (8 - shift);
    }
    int rows_left = map->height - y;
    return (uint8_t)(rows_left < 8 ? bits & (0xFFu >> (8 - rows_left)) : bits);
}

/* Rows of bytes; flip 7: the leftmost pixel is the most significant bit, 0: the least. */
static inline uint8_t jl_column_of_rows(const struct jl_bitmap *map, int x, int y, unsigned flip,
                                        jl_byte_fn byte_at) {
    unsigned bits = 0;
    if (x < 0 || x >= map->width) {
        return 0;
    }
    unsigned mask = 1u << (((unsigned)x & 7) ^ flip);
    int stride = (map->width + 7) >> 3;
    for (int row = 0; row < 8; row++) {
        int at = y + row;
        if (at >= 0 && at < map->height && (byte_at(map->bits + at * stride + (x >> 3)) & mask)) {
            bits |= 1u << row;
        }
    }
    return (uint8_t)bits;
}

#endif
