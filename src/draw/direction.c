/* Sine and cosine of a direction, by a quarter table and a straight line between its entries. */
#include "jadelamp/shapes.h"

enum { TABLE_LOG2 = 6, QUARTER = 16384, STEP_LOG2 = 14 - TABLE_LOG2 };

/* round(16384 sin(i * 90 degrees / 64)) */
static const int16_t table[(1 << TABLE_LOG2) + 1] = {
    0,     402,   804,   1205,  1606,  2006,  2404,  2801,  3196,  3590,  3981,  4370,  4756,
    5139,  5520,  5897,  6270,  6639,  7005,  7366,  7723,  8076,  8423,  8765,  9102,  9434,
    9760,  10080, 10394, 10702, 11003, 11297, 11585, 11866, 12140, 12406, 12665, 12916, 13160,
    13395, 13623, 13842, 14053, 14256, 14449, 14635, 14811, 14978, 15137, 15286, 15426, 15557,
    15679, 15791, 15893, 15986, 16069, 16143, 16207, 16261, 16305, 16340, 16364, 16379, 16384,
};

/* 0 <= angle <= QUARTER */
static int16_t quarter(uint32_t angle) {
    uint32_t i = angle >> STEP_LOG2;
    int32_t rest = (int32_t)(angle & ((1 << STEP_LOG2) - 1));
    if (rest == 0) {
        return table[i];
    }
    return (int16_t)(table[i] +
                     (((table[i + 1] - table[i]) * rest + (1 << (STEP_LOG2 - 1))) >> STEP_LOG2));
}

int16_t jl_sine(jl_direction direction) {
    uint32_t within = direction & (QUARTER - 1);
    bool falling = direction & QUARTER;
    int16_t size = quarter(falling ? QUARTER - within : within);
    return direction & 0x8000u ? (int16_t)-size : size;
}

int16_t jl_cosine(jl_direction direction) {
    return jl_sine((jl_direction)(direction + QUARTER));
}
