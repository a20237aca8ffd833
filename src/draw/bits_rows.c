/* Bitmaps in rows of bytes, in both bit orders. */
#include "jadelamp/draw.h"

static uint8_t gather(const struct jl_bitmap *map, int x, int y, unsigned flip) {
    unsigned bits = 0;
    if (x < 0 || x >= map->width) {
        return 0;
    }
    unsigned mask = 1u << (((unsigned)x & 7) ^ flip);
    int stride = (map->width + 7) >> 3;
    for (int row = 0; row < 8; row++) {
        int at = y + row;
        if (at >= 0 && at < map->height && (map->bits[at * stride + (x >> 3)] & mask)) {
            bits |= 1u << row;
        }
    }
    return (uint8_t)bits;
}

static uint8_t column_msb(const struct jl_bitmap *map, int x, int y) {
    return gather(map, x, y, 7);
}

static uint8_t column_lsb(const struct jl_bitmap *map, int x, int y) {
    return gather(map, x, y, 0);
}

const struct jl_bit_order jl_bits_rows_msb = {.column = column_msb};
const struct jl_bit_order jl_bits_rows_lsb = {.column = column_lsb};
