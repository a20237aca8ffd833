/* Four words a turn: less than half an instruction a byte on a Cortex-M0+. */
#include "words.h"

#ifdef JL_LONG_STORES
void jl_store_words(uint8_t *to, size_t bytes, uint32_t pattern) {
    while (bytes && (uintptr_t)to & 3) {
        *to++ = (uint8_t)pattern;
        pattern = pattern >> 8 | pattern << 24;
        bytes--;
    }
    jl_word *words = (jl_word *)(void *)to;
    for (; bytes >= 16; bytes -= 16, words += 4) {
        words[0] = words[1] = words[2] = words[3] = pattern;
    }
    for (to = (uint8_t *)words; bytes; bytes--) {
        *to++ = (uint8_t)pattern;
        pattern = pattern >> 8 | pattern << 24;
    }
}
#else
typedef int jl_words_of_others; /* an empty file is no C */
#endif
