/* Eight pixels at a time, where the processor has vectors: on desktops. */
#ifndef JADELAMP_SRC_LANES_H
#define JADELAMP_SRC_LANES_H

#include <stdint.h>

#if defined __GNUC__ && (defined __SSE2__ || defined __ARM_NEON) &&                                \
    __BYTE_ORDER__ == __ORDER_LITTLE_ENDIAN__
#define JL_LANES 8
typedef uint16_t jl_lanes __attribute__((vector_size(16)));
typedef uint32_t jl_wide_lanes __attribute__((vector_size(32)));
#endif

#endif
