/*
 * The glass in front of an emulated controller: how it is bonded and mounted,
 * and how it looks.
 */
#ifndef JADELAMP_SIM_GLASS_H
#define JADELAMP_SIM_GLASS_H

#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Colour of the light. */
enum jl_glass_kind {
    JL_GLASS_WHITE,
    JL_GLASS_BLUE,
    JL_GLASS_YELLOW_BLUE, /**< rows 0..15 yellow, the rest blue, a dark gap between */
};

/**
 * A passive-matrix glass. The zero value of the last four members is the usual
 * module: seen from the front, the controller's segment 0 is at the right and
 * its common 0 at the bottom, neighbouring rows are bonded to alternate sides
 * of the chip, and the panel voltage comes from the chip's own charge pump.
 */
struct jl_glass {
    int width;         /**< pixels */
    int height;        /**< pixels */
    int column_offset; /**< segment outputs left unbonded before the first column */
    enum jl_glass_kind kind;
    bool segment0_left;
    bool common0_top;
    bool rows_sequential;
    bool external_supply;
};

/**
 * What a person (or a camera held close) sees: each pixel a small square with a
 * gap, in the colours of the glass.
 *
 * @param logical    one pixel a dot, black is dark
 * @param brightness 0..255 of the lit dots
 * @param scale      side of a dot with its gap, 2..32 pixels
 * @param photo      receives a new picture; the caller frees it
 * @return false when there is no memory or scale is out of range
 */
bool jl_glass_photo(const struct jl_glass *glass, const struct jl_picture *logical,
                    uint8_t brightness, int scale, struct jl_picture *photo);

#ifdef __cplusplus
}
#endif

#endif
