/* The window of a picture that is sent band by band. */
#ifndef JADELAMP_SRC_BANDS_H
#define JADELAMP_SRC_BANDS_H

#include "jadelamp/bands.h"

/*
 * One window for this band and all that follow: their pixels go on in it. Opened again when
 * another command came between two bands.
 */
jl_status jl_bands_open(struct jl_bands *bands, struct jl_rect band);

/* Sends a band to a controller that needs an address for every line. */
jl_status jl_bands_send_lines(struct jl_bands *bands, struct jl_rect band);

#endif
