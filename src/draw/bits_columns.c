/* Bitmaps in vertical bytes. */
#include "jadelamp/draw.h"

static uint8_t column(const struct jl_bitmap *map, int x, int y) {
    if (x < 0 || x >= map->width || y >= map->height || y <= -8) {
        return 0;
    }
    int page = y < 0 ? -1 : y >> 3; /* -1: the rows above the map */
    unsigned shift = (unsigned)y & 7;
    const uint8_t *byte = map->bits + page * map->width + x;
    unsigned bits = page >= 0 ? (unsigned)byte[0] >> shift : 0;
    if (shift && (page + 1) * 8 < map->height) {
        bits |= (unsigned)byte[map->width] << (8 - shift);
    }
    int rows_left = map->height - y;
    return (uint8_t)(rows_left < 8 ? bits & (0xFFu >> (8 - rows_left)) : bits);
}

const struct jl_bit_order jl_bits_columns = {.column = column};
