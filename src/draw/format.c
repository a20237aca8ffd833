/* Numbers as text, without the C library. */
#include "jadelamp/text.h"

size_t jl_format_fixed(char *out, size_t size, int32_t value, uint8_t decimals) {
    char reversed[14];
    size_t length = 0;
    if (decimals > 9) {
        decimals = 9;
    }
    /* Negated as unsigned, so that -2147483648 is exact. */
    uint32_t rest = value < 0 ? 0u - (uint32_t)value : (uint32_t)value;
    uint8_t digits = 0;
    do {
        if (decimals && digits == decimals) {
            reversed[length++] = '.';
        }
        reversed[length++] = (char)('0' + rest % 10);
        rest /= 10;
        digits++;
    } while (rest || digits <= decimals);
    if (value < 0) {
        reversed[length++] = '-';
    }
    if (length + 1 > size) {
        if (size) {
            out[0] = 0;
        }
        return 0;
    }
    for (size_t i = 0; i < length; i++) {
        out[i] = reversed[length - 1 - i];
    }
    out[length] = 0;
    return length;
}
