/* The touch controller's end of wires that somebody moves. */
#ifndef JADELAMP_HOST_TOUCH_END_H
#define JADELAMP_HOST_TOUCH_END_H

#include "i2c_end.h"
#include "jadelamp/host/decode.h"
#include "jadelamp/host/rig.h"
#include "spi_end.h"

struct touch_end {
    struct jl_rig *rig;
    uint64_t offset_ps;
    struct jl_decoder *decoder; /* of its bytes, on SPI */
    struct spi_end spi;
    struct i2c_end i2c; /* of a bus that it has for itself */
};

/* The wires that a card's touch controller has beside those of the display. */
jl_role_set jl_host_touch_roles(const struct jl_card *card);

/* Powers it; without a wire for its reset it is reset. The end may not move in memory. False: no
 * memory. */
bool jl_host_touch_end_begin(struct touch_end *end, struct jl_rig *rig, uint64_t offset_ps,
                             bool has_reset);
void jl_host_touch_end_free(struct touch_end *end);

void jl_host_touch_end_level(struct touch_end *end, uint64_t at_ps, enum jl_role role, bool high);

/* What moved before a time is told. */
void jl_host_touch_end_reach(struct touch_end *end, uint64_t at_ps);

/* Whether it drives a wire, and how. */
bool jl_host_touch_end_drives(const struct touch_end *end, enum jl_role role, bool *high);

#endif
