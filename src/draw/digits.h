/* Digits under construction, the last one first. */
#ifndef JADELAMP_SRC_DIGITS_H
#define JADELAMP_SRC_DIGITS_H

#include <stddef.h>

#include "../core/quotient.h"

struct jl_decimals {
    char reversed[20];
    size_t length;
};

static inline void jl_digits_add(struct jl_decimals *digits, char c) {
    digits->reversed[digits->length++] = c;
}

/* Adds the last digit of a number. Returns the rest of it. */
static inline uint32_t jl_digits_next(struct jl_decimals *digits, uint32_t value) {
    uint32_t rest = jl_quotient(value, 10);
    jl_digits_add(digits, (char)('0' + (value - rest * 10)));
    return rest;
}

/* In the right order, or an empty string when it does not fit; how many characters. */
size_t jl_digits_out(char *out, size_t size, const struct jl_decimals *digits);

#endif
