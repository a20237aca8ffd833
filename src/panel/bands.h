/* A band on its way. */
#ifndef JADELAMP_SRC_BANDS_H
#define JADELAMP_SRC_BANDS_H

#include "area.h"
#include "jadelamp/bands.h"

/*
 * Makes the panel ready for the band's pixels: they go on where the last ones ended, unless
 * another command came between; then the controller is told anew what is still to come.
 */
jl_status jl_bands_go_on(struct jl_bands *bands);

#endif
