/*
 * From the coordinates of a touch controller to pixels: an affine map, found by touching three or
 * five places that are known. It holds for the upright glass, whatever way the picture is turned.
 */
#ifndef JADELAMP_TOUCH_MAP_H
#define JADELAMP_TOUCH_MAP_H

#include <stdbool.h>
#include <stdint.h>

#include "jadelamp/geometry.h"
#include "jadelamp/status.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * A map: x = (xx * raw_x + xy * raw_y + x0) / 65536, rounded, and y alike. Keep it in flash or
 * EEPROM as it is; jl_touch_map_is_good() says whether what was read back is one.
 */
struct jl_touch_map {
    int32_t xx, xy, x0;
    int32_t yx, yy, y0;
    uint16_t version; /**< JL_TOUCH_MAP_VERSION */
    uint16_t check;   /**< over all the rest */
};

#define JL_TOUCH_MAP_VERSION 1

/** A place that was touched. */
struct jl_touch_pair {
    int16_t raw_x, raw_y; /**< as the part told it, 0..4095 */
    int16_t x, y;         /**< where it was, pixels of the upright glass */
};

/** How far the map is off at the places it was made from, in 1/16 of a pixel. */
struct jl_touch_residuals {
    uint16_t mean; /**< root of the mean square */
    uint16_t most;
};

/**
 * Finds the map that fits best (least squares; of three places exactly), in integers. Good places
 * lie a tenth from the edges, not in line. More than 3 pixels of mean or 6 of most: ask again.
 *
 * @param count 3..9
 * @param residuals may be NULL
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, another count, or coordinates out of range);
 *         JL_OUT_OF_RANGE (the raw places lie in line, or too close to each other). After an error
 *         the map is as it was.
 */
jl_status jl_touch_calibrate(const struct jl_touch_pair *pairs, uint8_t count,
                             struct jl_touch_map *map, struct jl_touch_residuals *residuals);

/** Whether it is a map: its version and its check word are right. */
bool jl_touch_map_is_good(const struct jl_touch_map *map);

/** Where a touch is. */
struct jl_point jl_touch_map_apply(const struct jl_touch_map *map, int16_t raw_x, int16_t raw_y);

#ifdef __cplusplus
}
#endif

#endif
