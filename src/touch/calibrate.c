/*
 * Calibration by least squares, in integers. Sums are of centred values times the count, so they
 * are whole: at most 9 * 9 * 4096 * 9 = 3 * 10^6 each, their products 10^13, sums of them 10^14,
 * and products of those 10^28 would not fit; so the sums are cut to 31 bits, together, first.
 */
#include "jadelamp/touch_map.h"

#include <stddef.h>

enum { LEAST_PAIRS = 3, MOST_PAIRS = 9, MOST_RAW = 4095, MOST_PIXEL = 8191 };

/* Of the determinant over the product of both spreads: less is a line. In 65536ths. */
enum { LEAST_SPREAD = 655 };

struct sums {
    int64_t xx, xy, yy; /* raw with raw */
    int64_t xa, ya;     /* raw with one coordinate of the picture */
};

static int64_t magnitude(int64_t value) {
    return value < 0 ? -value : value;
}

/* Division rounded to the nearest, of any signs. */
static int64_t divide(int64_t value, int64_t by) {
    int64_t half = by / 2;
    return (value < 0 ? value - half : value + half) / by;
}

struct means {
    int32_t x, y, a; /* sums over all pairs */
};

static struct sums sums_of(const struct jl_touch_pair *pairs, uint8_t count, bool of_y,
                           struct means *means) {
    struct sums s = {0, 0, 0, 0, 0};
    *means = (struct means){0, 0, 0};
    for (uint8_t i = 0; i < count; i++) {
        means->x += pairs[i].raw_x;
        means->y += pairs[i].raw_y;
        means->a += of_y ? pairs[i].y : pairs[i].x;
    }
    for (uint8_t i = 0; i < count; i++) {
        int32_t x = (int32_t)count * pairs[i].raw_x - means->x;
        int32_t y = (int32_t)count * pairs[i].raw_y - means->y;
        int32_t a = (int32_t)count * (of_y ? pairs[i].y : pairs[i].x) - means->a;
        s.xx += (int64_t)x * x;
        s.xy += (int64_t)x * y;
        s.yy += (int64_t)y * y;
        s.xa += (int64_t)x * a;
        s.ya += (int64_t)y * a;
    }
    return s;
}

/* All sums by the same power of two, so that products of two fit 62 bits. */
static void cut(struct sums *s) {
    int64_t most = magnitude(s->xx) | magnitude(s->yy) | magnitude(s->xy) | magnitude(s->xa) |
                   magnitude(s->ya);
    unsigned shift = 0;
    while (most >> shift >= (int64_t)1 << 30) {
        shift++;
    }
    int64_t by = (int64_t)1 << shift;
    s->xx = divide(s->xx, by);
    s->xy = divide(s->xy, by);
    s->yy = divide(s->yy, by);
    s->xa = divide(s->xa, by);
    s->ya = divide(s->ya, by);
}

/* value / by in 1/2^30, rounded; by is below 2^62, value at most 8 times as much. */
static int64_t ratio(int64_t value, int64_t by) {
    uint64_t divisor = (uint64_t)by, rest = (uint64_t)magnitude(value);
    uint64_t result = rest / divisor;
    rest %= divisor;
    for (uint8_t bit = 0; bit < 30; bit++) {
        rest *= 2;
        result = result * 2 + (rest >= divisor);
        rest -= rest >= divisor ? divisor : 0;
    }
    result += rest * 2 >= divisor;
    return value < 0 ? -(int64_t)result : (int64_t)result;
}

/* One row of the map. False: in line, or steeper than any glass. */
static bool solve(const struct jl_touch_pair *pairs, uint8_t count, bool of_y, int32_t row[3]) {
    struct means means;
    struct sums s = sums_of(pairs, count, of_y, &means);
    cut(&s);
    int64_t determinant = s.xx * s.yy - s.xy * s.xy;
    if (s.xx < 1 || s.yy < 1 || determinant / LEAST_SPREAD < s.xx * s.yy / 65536 ||
        determinant < 1) {
        return false;
    }
    int64_t by_x = s.xa * s.yy - s.ya * s.xy, by_y = s.ya * s.xx - s.xa * s.xy;
    if (magnitude(by_x) / 4 > determinant || magnitude(by_y) / 4 > determinant) {
        return false;
    }
    int64_t x = ratio(by_x, determinant), y = ratio(by_y, determinant);
    int64_t rest = (int64_t)means.a * ((int64_t)1 << 30) - x * means.x - y * means.y;
    int64_t offset = divide(rest, (int64_t)count << 14);
    row[0] = (int32_t)divide(x, 1 << 14);
    row[1] = (int32_t)divide(y, 1 << 14);
    row[2] = (int32_t)offset;
    return magnitude(offset) <= INT32_MAX;
}

static uint32_t root(uint32_t value) {
    uint32_t result = 0;
    for (uint32_t bit = (uint32_t)1 << 15; bit; bit >>= 1) {
        if ((result | bit) * (result | bit) <= value) {
            result |= bit;
        }
    }
    return result;
}

/* A distance from a pair, in 1/16 of a pixel, squared. */
static uint32_t off_by(const struct jl_touch_map *map, const struct jl_touch_pair *pair) {
    int64_t x = (int64_t)map->xx * pair->raw_x + (int64_t)map->xy * pair->raw_y + map->x0;
    int64_t y = (int64_t)map->yx * pair->raw_x + (int64_t)map->yy * pair->raw_y + map->y0;
    int64_t dx = divide(x, 4096) - 16 * (int32_t)pair->x,
            dy = divide(y, 4096) - 16 * (int32_t)pair->y;
    int64_t square = dx * dx + dy * dy;
    return square < INT32_MAX / MOST_PAIRS ? (uint32_t)square : INT32_MAX / MOST_PAIRS;
}

static uint16_t check_of(const struct jl_touch_map *map) {
    /* CRC-16 of CCITT, 0x1021, from FFFF on, over the numbers as bytes, low first. */
    const int32_t numbers[] = {
        map->xx, map->xy, map->x0, map->yx, map->yy, map->y0, (int32_t)map->version};
    uint16_t crc = 0xFFFF;
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        for (unsigned bit = 0; bit < 32; bit += 8) {
            crc = (uint16_t)(crc ^ ((uint32_t)numbers[i] >> bit & 0xFF) << 8);
            for (uint8_t k = 0; k < 8; k++) {
                crc = (uint16_t)(crc & 0x8000 ? (uint32_t)crc << 1 ^ 0x1021 : (uint32_t)crc << 1);
            }
        }
    }
    return crc;
}

bool jl_touch_map_is_good(const struct jl_touch_map *map) {
    return map && map->version == JL_TOUCH_MAP_VERSION && map->check == check_of(map);
}

static bool in_range(const struct jl_touch_pair *pairs, uint8_t count) {
    for (uint8_t i = 0; i < count; i++) {
        const struct jl_touch_pair *p = &pairs[i];
        if (p->raw_x < 0 || p->raw_x > MOST_RAW || p->raw_y < 0 || p->raw_y > MOST_RAW ||
            p->x < 0 || p->x > MOST_PIXEL || p->y < 0 || p->y > MOST_PIXEL) {
            return false;
        }
    }
    return true;
}

jl_status jl_touch_calibrate(const struct jl_touch_pair *pairs, uint8_t count,
                             struct jl_touch_map *map, struct jl_touch_residuals *residuals) {
    int32_t x[3], y[3];
    if (!pairs || !map || count < LEAST_PAIRS || count > MOST_PAIRS || !in_range(pairs, count)) {
        return JL_BAD_ARGUMENT;
    }
    if (!solve(pairs, count, false, x) || !solve(pairs, count, true, y)) {
        return JL_OUT_OF_RANGE;
    }
    *map = (struct jl_touch_map){x[0], x[1], x[2], y[0], y[1], y[2], JL_TOUCH_MAP_VERSION, 0};
    map->check = check_of(map);
    if (residuals) {
        uint32_t sum = 0, most = 0;
        for (uint8_t i = 0; i < count; i++) {
            uint32_t square = off_by(map, &pairs[i]);
            sum += square;
            most = square > most ? square : most;
        }
        *residuals = (struct jl_touch_residuals){(uint16_t)root(sum / count), (uint16_t)root(most)};
    }
    return JL_OK;
}
