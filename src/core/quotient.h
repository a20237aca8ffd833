/* Quotients on cores that cannot divide: there a division is a helper of the compiler, of 284
 * bytes. */
#ifndef JADELAMP_SRC_QUOTIENT_H
#define JADELAMP_SRC_QUOTIENT_H

#include <stdint.h>

/* Bit by bit, in as many steps as the quotient has bits: small where it is small. `by`: 1 or more.
 */
uint32_t jl_quotient_by_steps(uint32_t of, uint32_t by);

/* of / by, for what is asked once a drawing. `by`: 1 or more. */
static inline uint32_t jl_quotient(uint32_t of, uint32_t by) {
#if defined __arm__ && !defined __ARM_FEATURE_IDIV
    return jl_quotient_by_steps(of, by);
#else
    return of / by;
#endif
}

#endif
