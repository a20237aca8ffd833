/* Inside the board: the streaming buses. */
#ifndef JADELAMP_SIM_STREAM_H
#define JADELAMP_SIM_STREAM_H

#include "board_parts.h"

/* The earliest time at which a piece of the DMA transfer under way is through. */
uint64_t stream_next_ps(const struct jl_stream_bus *bus);

/* Hands over what the wire has taken by then. */
void stream_deliver_until(struct jl_stream_bus *bus, uint64_t until_ps);

/* CS of a device rose: what its shift register holds is lost. */
void stream_deselected(struct jl_device *device);

void stream_free(struct jl_stream_bus *bus);

#endif
