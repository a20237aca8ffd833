/* Bitmaps in flash, where that is a memory of its own. */
#include "bits.h"

#ifdef __AVR__
static uint8_t column(const struct jl_bitmap *map, int x, int y) {
    return jl_column_of_columns(map, x, y, jl_flash_byte);
}

static uint8_t gather(const struct jl_bitmap *map, int x, int y, unsigned flip) {
    return jl_column_of_rows(map, x, y, flip, jl_flash_byte);
}

static uint8_t column_msb(const struct jl_bitmap *map, int x, int y) {
    return gather(map, x, y, 7);
}

static uint8_t column_lsb(const struct jl_bitmap *map, int x, int y) {
    return gather(map, x, y, 0);
}

const struct jl_bit_order jl_flash_columns = {.column = column};
const struct jl_bit_order jl_flash_rows_msb = {.column = column_msb};
const struct jl_bit_order jl_flash_rows_lsb = {.column = column_lsb};
#endif
