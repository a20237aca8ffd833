/* Bitmaps in vertical bytes. */
#include "bits.h"

static uint8_t column(const struct jl_bitmap *map, int x, int y) {
    return jl_column_of_columns(map, x, y, jl_ram_byte);
}

const struct jl_bit_order jl_bits_columns = {.column = column, .plain_columns = true};
