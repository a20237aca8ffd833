/* Four words a turn: less than half an instruction a byte on a Cortex-M0+. */
#include "words.h"

#ifdef JL_LONG_STORES
void jl_store_words(uint8_t *to, size_t bytes, uint32_t pattern) {
    if ((uintptr_t)to & 1 && bytes) {
        *to++ = (uint8_t)pattern;
        pattern = pattern >> 8 | pattern << 24;
        bytes--;
    }
    if ((uintptr_t)to & 2 && bytes >= 2) {
        *(jl_half *)(void *)to = (uint16_t)pattern;
        to += 2;
        pattern = pattern >> 16 | pattern << 16;
        bytes -= 2;
    }
    jl_word *words = (jl_word *)(void *)to;
    for (; bytes >= 16; bytes -= 16, words += 4) {
        words[0] = words[1] = words[2] = words[3] = pattern;
    }
    for (; bytes >= 4; bytes -= 4) {
        *words++ = pattern;
    }
    to = (uint8_t *)words;
    if (bytes & 2) {
        *(jl_half *)(void *)to = (uint16_t)pattern;
        to += 2;
        pattern >>= 16;
    }
    if (bytes & 1) {
        *to = (uint8_t)pattern;
    }
}
#else
typedef int jl_words_of_others; /* an empty file is no C */
#endif
