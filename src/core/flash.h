/* Reading what is marked JL_FLASH. */
#ifndef JADELAMP_SRC_FLASH_H
#define JADELAMP_SRC_FLASH_H

#include <stdint.h>

#include "jadelamp/flash.h"
#include "mem.h"

static inline uint8_t jl_ram_byte(const uint8_t *at) {
    return *at;
}

#ifdef __AVR__
/* LPM (AVR instruction set manual): the first 64 KB of flash, where linkers put marked constants.
 */
static inline uint8_t jl_flash_byte(const uint8_t *at) {
    uint8_t byte;
    __asm__("lpm %0, Z" : "=r"(byte) : "z"(at));
    return byte;
}

static inline void jl_flash_read(uint8_t *to, const uint8_t *at, size_t bytes) {
    for (size_t i = 0; i < bytes; i++) {
        to[i] = jl_flash_byte(at + i);
    }
}

/* A copy, for those who want bytes in RAM. */
static inline const uint8_t *jl_flash_copy(uint8_t *copy, const uint8_t *at, size_t bytes) {
    jl_flash_read(copy, at, bytes);
    return copy;
}
#else
static inline uint8_t jl_flash_byte(const uint8_t *at) {
    return *at;
}

static inline void jl_flash_read(uint8_t *to, const uint8_t *at, size_t bytes) {
    memcpy(to, at, bytes);
}

static inline const uint8_t *jl_flash_copy(uint8_t *copy, const uint8_t *at, size_t bytes) {
    (void)copy, (void)bytes;
    return at;
}
#endif

#endif
