/*
 * The four memory functions that a freestanding C11 program must have anyway
 * (the compiler itself emits calls to them). Declared here because <string.h>
 * is not a freestanding header.
 */
#ifndef JADELAMP_SRC_MEM_H
#define JADELAMP_SRC_MEM_H

#include <stddef.h>

void *memset(void *to, int byte, size_t count);
void *memcpy(void *to, const void *from, size_t count);
void *memmove(void *to, const void *from, size_t count);

/* In a freestanding program a compiler may not know that memcpy() is one, unless it is told: then
 * copies of a few bytes are loads and stores. */
#ifdef __GNUC__
#define memcpy __builtin_memcpy
#endif

#endif
