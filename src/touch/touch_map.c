/* Applying a touch map. */
#include "jadelamp/touch_map.h"

static int16_t to_pixel(int64_t value) {
    int64_t pixel =
        (value + 32768) >> 16; /* of negative values, too: arithmetic, as all compilers do */
    return (int16_t)(pixel < INT16_MIN ? INT16_MIN : pixel > INT16_MAX ? INT16_MAX : pixel);
}

struct jl_point jl_touch_map_apply(const struct jl_touch_map *map, int16_t raw_x, int16_t raw_y) {
    return (struct jl_point){
        to_pixel((int64_t)map->xx * raw_x + (int64_t)map->xy * raw_y + map->x0),
        to_pixel((int64_t)map->yx * raw_x + (int64_t)map->yy * raw_y + map->y0)};
}
