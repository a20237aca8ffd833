/* Bitmaps in rows of bytes, in both bit orders. */
#include "bits.h"

static uint8_t gather(const struct jl_bitmap *map, int x, int y, unsigned flip) {
    return jl_column_of_rows(map, x, y, flip, jl_ram_byte);
}

static uint8_t column_msb(const struct jl_bitmap *map, int x, int y) {
    return gather(map, x, y, 7);
}

static uint8_t column_lsb(const struct jl_bitmap *map, int x, int y) {
    return gather(map, x, y, 0);
}

const struct jl_bit_order jl_bits_rows_msb = {.column = column_msb};
const struct jl_bit_order jl_bits_rows_lsb = {.column = column_lsb};
