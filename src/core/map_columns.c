/* Columns of a map, several at a time. Apart, so that formats that take them one by one do not
 * carry it. */
#include "map_columns.h"

#include <stddef.h>

void jl_map_columns(const struct jl_bitmap *map, int x, int y, int count, uint8_t *out) {
    unsigned lift = 0; /* rows above the map */
    if (y < 0 && y > -8) {
        lift = (unsigned)-y;
        y = 0;
    }
    if (!map->order->plain_columns || y < 0 || y >= map->height) {
        for (; count; count--) {
            *out++ = map->order->column(map, x++, y - (int)lift);
        }
        return;
    }
    unsigned width = (unsigned)map->width, shift = (unsigned)y & 7;
    int rows_left = map->height - y;
    unsigned mask = rows_left < 8 ? 0xFFu >> (8 - rows_left) : 0xFF;
    const uint8_t *page = map->bits + (size_t)(y >> 3) * width;
    /* Where there is no page below, the mask leaves nothing of what is read in its place. */
    const uint8_t *below = rows_left > 8 - (int)shift ? page + width : page;
    const uint8_t *end = out + count;
    do {
        unsigned bits = 0;
        if ((unsigned)x < width) { /* unsigned, so that what is negative is outside, too */
            bits = ((page[x] | (unsigned)below[x] << 8) >> shift & mask) << lift;
        }
        *out++ = (uint8_t)bits;
        x++;
    } while (out < end);
}
