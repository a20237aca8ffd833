/* The memory functions, for programs without a C library: words where that is possible. */
#include <stddef.h>
#include <stdint.h>

void *memset(void *to, int byte, size_t count);
void *memcpy(void *to, const void *from, size_t count);

typedef uint32_t __attribute__((may_alias)) word;

void *memset(void *to, int byte, size_t count) {
    unsigned char *t = to;
    for (; count && (uintptr_t)t & 3; count--) {
        *t++ = (unsigned char)byte;
    }
    word *words = (word *)(void *)t;
    for (word all = (unsigned char)byte * 0x01010101u; count >= 4; count -= 4) {
        *words++ = all;
    }
    for (t = (unsigned char *)words; count; count--) {
        *t++ = (unsigned char)byte;
    }
    return to;
}

void *memcpy(void *to, const void *from, size_t count) {
    unsigned char *t = to;
    const unsigned char *f = from;
    if ((((uintptr_t)t | (uintptr_t)f) & 3) == 0) {
        for (; count >= 4; count -= 4, t += 4, f += 4) {
            *(word *)(void *)t = *(const word *)(const void *)f;
        }
    }
    while (count--) {
        *t++ = *f++;
    }
    return to;
}
