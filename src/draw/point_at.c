/* Places by distance and direction. */
#include "jadelamp/shapes.h"

/* distance * part / 16384 to the nearest, added within the coordinates. */
static int16_t moved(int16_t from, int16_t part, int16_t distance) {
    int32_t product = (int32_t)part * distance;
    int32_t by = product < 0 ? -((-product + 8192) >> 14) : (product + 8192) >> 14;
    int32_t to = from + by;
    return (int16_t)(to < INT16_MIN ? INT16_MIN : to > INT16_MAX ? INT16_MAX : to);
}

struct jl_point jl_point_at(struct jl_point from, jl_direction direction, int16_t distance) {
    return (struct jl_point){moved(from.x, jl_sine(direction), distance),
                             moved(from.y, (int16_t)-jl_cosine(direction), distance)};
}
