/* The memory functions, for programs without a C library. Small rather than fast. */
#include <stddef.h>

void *memset(void *to, int byte, size_t count);
void *memcpy(void *to, const void *from, size_t count);

void *memset(void *to, int byte, size_t count) {
    unsigned char *t = to;
    while (count--) {
        *t++ = (unsigned char)byte;
    }
    return to;
}

void *memcpy(void *to, const void *from, size_t count) {
    unsigned char *t = to;
    const unsigned char *f = from;
    while (count--) {
        *t++ = *f++;
    }
    return to;
}
