/* Whole and hexadecimal numbers, padded. */
#include "jadelamp/format.h"

#include "digits.h"

/* Shifts what is in `out` to the right and fills the gap. */
static size_t pad_left(char *out, size_t size, size_t length, size_t width, size_t keep, char pad) {
    if (length == 0 || length >= width) {
        return length;
    }
    if (width + 1 > size) {
        out[0] = 0;
        return 0;
    }
    size_t gap = width - length;
    for (size_t i = length + 1; i-- > keep;) {
        out[i + gap] = out[i];
    }
    for (size_t i = keep; i < keep + gap; i++) {
        out[i] = pad;
    }
    return width;
}

size_t jl_format_int(char *out, size_t size, int32_t value, uint8_t width, char pad) {
    size_t length = jl_format_fixed(out, size, value, 0);
    size_t keep = pad == '0' && value < 0 ? 1 : 0; /* zeros stand behind the sign */
    return pad_left(out, size, length, width, keep, pad);
}

size_t jl_format_unsigned(char *out, size_t size, uint32_t value, uint8_t width, char pad) {
    struct jl_decimals digits = {.length = 0};
    do {
        value = jl_digits_next(&digits, value);
    } while (value);
    return pad_left(out, size, jl_digits_out(out, size, &digits), width, 0, pad);
}

size_t jl_format_hex(char *out, size_t size, uint32_t value, uint8_t digits) {
    struct jl_decimals hex = {.length = 0};
    do {
        jl_digits_add(&hex, "0123456789ABCDEF"[value & 15]);
        value >>= 4;
    } while (value);
    return pad_left(out, size, jl_digits_out(out, size, &hex), digits, 0, '0');
}
