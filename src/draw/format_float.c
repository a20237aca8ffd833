/* Binary32 as text, in whole numbers only: IEEE 754-2008, 3.4: sign, 8 bits of exponent, 23 of
 * fraction. */
#include "jadelamp/format.h"

#include "../core/mem.h"
#include "digits.h"

static size_t word(char *out, size_t size, uint32_t sign, const char *text) {
    struct jl_decimals digits = {.length = 0};
    size_t length = 0;
    while (text[length]) {
        length++;
    }
    while (length) {
        jl_digits_add(&digits, text[--length]);
    }
    if (sign) {
        jl_digits_add(&digits, '-');
    }
    return jl_digits_out(out, size, &digits);
}

size_t jl_format_float(char *out, size_t size, float value, uint8_t decimals) {
    struct jl_decimals digits = {.length = 0};
    uint32_t bits;
    memcpy(&bits, &value, sizeof bits);
    uint32_t sign = bits >> 31, exponent = bits >> 23 & 255, mantissa = bits & 0x7FFFFF;
    if (exponent == 255) {
        return mantissa ? word(out, size, 0, "nan") : word(out, size, sign, "inf");
    }
    if (exponent >= 127 + 32) {
        return word(out, size, sign, "big");
    }
    if (exponent) {
        mantissa |= 0x800000;
    } else {
        exponent = 1;
    }
    decimals = decimals > 6 ? 6 : decimals;
    uint64_t scale = 1;
    for (uint8_t i = 0; i < decimals; i++) {
        scale *= 10;
    }
    /* value * scale = mantissa * scale * 2^(exponent - 150): at most 44 bits before the shift. */
    uint64_t scaled = mantissa * scale;
    int shift = (int)exponent - 150;
    if (shift >= 0) {
        scaled <<= shift;
    } else if (shift > -64) {
        scaled = ((scaled >> (-shift - 1)) + 1) >> 1; /* to the nearest, a tie upwards */
    } else {
        scaled = 0;
    }
    uint8_t done = 0;
    do {
        if (decimals && done == decimals) {
            jl_digits_add(&digits, '.');
        }
        jl_digits_add(&digits, (char)('0' + scaled % 10));
        scaled /= 10;
        done++;
    } while (scaled || done <= decimals);
    if (sign) {
        jl_digits_add(&digits, '-');
    }
    return jl_digits_out(out, size, &digits);
}
