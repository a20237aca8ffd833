/* On a 32-bit RISC-V machine, as far as it is linked: there is no board to run it on here. */
#include <stdint.h>

#include "hello.h"

static volatile uint8_t out;

void emit(const void *bytes, size_t count) {
    for (const uint8_t *at = bytes; count; count--) {
        out = *at++;
    }
}

void _start(void);
void _start(void) {
    hello();
    for (;;) {
    }
}
