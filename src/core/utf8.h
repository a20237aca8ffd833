/* UTF-8 decoding (RFC 3629). */
#ifndef JADELAMP_SRC_UTF8_H
#define JADELAMP_SRC_UTF8_H

#include <stdint.h>

#define JL_UTF8_MALFORMED 0xFFFFFFFFu

/*
 * Takes one character from *text and moves *text behind it. Returns the code
 * point, 0 at the end (then *text stays), or JL_UTF8_MALFORMED. A malformed
 * sequence is consumed up to the first byte that cannot belong to it, so the
 * terminating zero is never passed.
 */
uint32_t jl_utf8_next(const char **text);

#endif
