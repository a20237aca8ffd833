/* Quotients by shifts. */
#include "quotient.h"

uint32_t jl_quotient_by_steps(uint32_t of, uint32_t by) {
    uint32_t quotient = 0, bit = 1;
    while (by <= of >> 1) {
        by <<= 1;
        bit <<= 1;
    }
    for (; bit; bit >>= 1, by >>= 1) {
        if (of >= by) {
            of -= by;
            quotient |= bit;
        }
    }
    return quotient;
}
