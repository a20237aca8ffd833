/*
 * Numbers as text, without the C library. Each call writes to the caller's memory,
 * zero-terminated whenever size is not 0, and returns how many characters it wrote
 * without the end; 0 when they did not fit (then it is an empty string).
 */
#ifndef JADELAMP_FORMAT_H
#define JADELAMP_FORMAT_H

#include <stddef.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/** Enough for every number without padding. */
#define JL_FORMAT_BYTES 20

/**
 * A fixed-point number: value 184 with 2 decimals is "1.84".
 * @param decimals 0..9 digits after the point; more counts as 9
 */
size_t jl_format_fixed(char *out, size_t size, int32_t value, uint8_t decimals);

/**
 * A whole number, padded on the left to a width: '0' pads after the sign, any other
 * character before it.
 */
size_t jl_format_int(char *out, size_t size, int32_t value, uint8_t width, char pad);

/** The same for a number without sign. */
size_t jl_format_unsigned(char *out, size_t size, uint32_t value, uint8_t width, char pad);

/** At least `digits` hexadecimal digits, upper case. */
size_t jl_format_hex(char *out, size_t size, uint32_t value, uint8_t digits);

/**
 * A number in binary32 (IEEE 754), rounded exactly to the nearest, ties away from zero.
 * "nan" and "inf" are written as such; a size of 4294967296 or more is "big", with its sign.
 * No floating-point arithmetic is used.
 * @param decimals 0..6 digits after the point; more counts as 6
 */
size_t jl_format_float(char *out, size_t size, float value, uint8_t decimals);

#ifdef __cplusplus
}
#endif

#endif
