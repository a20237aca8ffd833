/* Eight pixels at a time, where the processor has vectors: on desktops. */
#ifndef JADELAMP_SRC_LANES_H
#define JADELAMP_SRC_LANES_H

#include "mem.h"
#include "jadelamp/color.h"

#if defined __GNUC__ && (defined __SSE2__ || defined __ARM_NEON) &&                                \
    __BYTE_ORDER__ == __ORDER_LITTLE_ENDIAN__
#define JL_LANES 8
typedef uint16_t jl_lanes __attribute__((vector_size(16)));
typedef uint32_t jl_wide_lanes __attribute__((vector_size(32)));

/* One instruction there; compilers do not find it by themselves. */
#if defined __has_builtin && defined __SSE2__
#if __has_builtin(__builtin_ia32_pmulhuw128)
#define JL_LANES_HIGH __builtin_ia32_pmulhuw128
#endif
#endif

/* The upper halves of products. */
static inline jl_lanes jl_lanes_high(jl_lanes lanes, uint16_t factor) {
#ifdef JL_LANES_HIGH
    typedef short lanes_of_builtin __attribute__((vector_size(16)));
    jl_lanes factors = (jl_lanes){0} + factor;
    return (jl_lanes)JL_LANES_HIGH((lanes_of_builtin)lanes, (lanes_of_builtin)factors);
#else
    jl_wide_lanes wide = __builtin_convertvector(lanes, jl_wide_lanes) * factor;
    return __builtin_convertvector(wide >> 16, jl_lanes);
#endif
}

/* What eight colours give to a mixture: a share of each channel, and the share of what is below. */
struct jl_over_lanes {
    jl_lanes red, green, blue, rest;
};

static inline struct jl_over_lanes jl_over_lanes_of(const jl_color *row) {
    jl_wide_lanes colors;
    memcpy(&colors, row, sizeof colors);
    jl_lanes low = __builtin_convertvector(colors, jl_lanes);
    jl_lanes high = __builtin_convertvector(colors >> 16, jl_lanes), rest = high >> 8;
    jl_lanes share = 255 - rest;
    return (struct jl_over_lanes){(high & 255) * share + 128, (low >> 8) * share + 128,
                                  (low & 255) * share + 128, rest};
}

/* The same of one ink, of which there are so many fifteenths at each pixel: 4 bits each, four in
 * a number, the first highest. */
static inline struct jl_over_lanes jl_tint_lanes_of(jl_color ink, uint16_t first, uint16_t second) {
    const jl_lanes to_top = {1, 16, 256, 4096, 1, 16, 256, 4096};
    jl_lanes four = {first, first, first, first, second, second, second, second};
    jl_lanes share = (four * to_top >> 12) * 17;
    return (struct jl_over_lanes){share * (uint16_t)(ink >> 16 & 255) + 128,
                                  share * (uint16_t)(ink >> 8 & 255) + 128,
                                  share * (uint16_t)(ink & 255) + 128, 255 - share};
}

/* Whether eight colours are those of the eight before. */
static inline bool jl_lanes_as_before(const jl_color *row) {
    uint64_t before[4], now[4];
    if (row[0] != row[-JL_LANES] || row[JL_LANES - 1] != row[-1]) {
        return false; /* in most pictures this tells */
    }
    memcpy(before, row - JL_LANES, sizeof before);
    memcpy(now, row, sizeof now);
    return !((before[0] ^ now[0]) | (before[1] ^ now[1]) | (before[2] ^ now[2]) |
             (before[3] ^ now[3]));
}
#endif

#endif
