/*
 * Long stores for compilers that optimise for size, whose memset() and memcpy() are loops of
 * bytes as a rule. Elsewhere those two are faster than anything of ours.
 */
#ifndef JADELAMP_SRC_WORDS_H
#define JADELAMP_SRC_WORDS_H

#include <stddef.h>
#include <stdint.h>

#if defined __GNUC__ && defined __OPTIMIZE_SIZE__
#define JL_LONG_STORES 1

typedef uint32_t __attribute__((may_alias)) jl_word;
typedef uint16_t __attribute__((may_alias)) jl_half;

/* Bytes of a pattern of four, which begins at an address that is a multiple of its period: 1, 2
 * or 4 bytes. Not inlined: one copy serves all formats. */
void jl_store_words(uint8_t *to, size_t bytes, uint32_t pattern);

#endif

#endif
