/* Numbers as text: digits are made from the right, then copied. */
#include "jadelamp/format.h"

#include "digits.h"

size_t jl_digits_out(char *out, size_t size, const struct jl_decimals *digits) {
    if (digits->length + 1 > size) {
        if (size) {
            out[0] = 0;
        }
        return 0;
    }
    for (size_t i = 0; i < digits->length; i++) {
        out[i] = digits->reversed[digits->length - 1 - i];
    }
    out[digits->length] = 0;
    return digits->length;
}

size_t jl_format_fixed(char *out, size_t size, int32_t value, uint8_t decimals) {
    struct jl_decimals digits = {.length = 0};
    if (decimals > 9) {
        decimals = 9;
    }
    /* Negated as unsigned, so that -2147483648 is exact. */
    uint32_t rest = value < 0 ? 0u - (uint32_t)value : (uint32_t)value;
    uint8_t done = 0;
    do {
        if (decimals && done == decimals) {
            jl_digits_add(&digits, '.');
        }
        rest = jl_digits_next(&digits, rest);
        done++;
    } while (rest || done <= decimals);
    if (value < 0) {
        jl_digits_add(&digits, '-');
    }
    return jl_digits_out(out, size, &digits);
}
