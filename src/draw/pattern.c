/* Repeated 8x8 patterns: a stencil whose map has no end. */
#include "../core/paint.h"
#include "jadelamp/shapes.h"

const uint8_t jl_pattern_checker[8] = {0xAA, 0x55, 0xAA, 0x55, 0xAA, 0x55, 0xAA, 0x55};
const uint8_t jl_pattern_hatch[8] = {0x11, 0x22, 0x44, 0x88, 0x11, 0x22, 0x44, 0x88};
const uint8_t jl_pattern_cross[8] = {0x99, 0x66, 0x66, 0x99, 0x99, 0x66, 0x66, 0x99};
const uint8_t jl_pattern_dots[8] = {0x88, 0x00, 0x00, 0x00, 0x88, 0x00, 0x00, 0x00};

static uint8_t column(const struct jl_bitmap *map, int x, int y) {
    unsigned bits = 0;
    unsigned mask = 0x80u >> ((unsigned)x & 7);
    for (unsigned row = 0; row < 8; row++) {
        if (map->bits[((unsigned)y + row) & 7] & mask) {
            bits |= 1u << row;
        }
    }
    return (uint8_t)bits;
}

static const struct jl_bit_order repeated = {.column = column};

void jl_fill_pattern(struct jl_target *target, struct jl_rect rect, const uint8_t pattern[8],
                     jl_color ink, jl_color paper) {
    struct jl_bitmap endless = {pattern, 8, 8, &repeated};
    jl_paint_stencil(target, &(struct jl_stencil){rect, &endless, rect.x, rect.y, ink, paper});
}
