/* Bytes that are kept, to be read as any controller would read them. */
#ifndef JADELAMP_HOST_RANK_H
#define JADELAMP_HOST_RANK_H

#include "jadelamp/host/check.h"

struct jl_host_kept;

/* NULL: no memory. free() it. */
struct jl_host_kept *jl_host_kept_new(void);

/* A transfer on I2C begins; a byte, with D/C where the bus has it. More than there is room for are
 * dropped: the wake-up is at the begin. */
void jl_host_keep_start(struct jl_host_kept *kept);
void jl_host_keep_byte(struct jl_host_kept *kept, uint8_t byte, bool data);

/* All bytes of a capture. False: it is broken. */
bool jl_host_keep_traffic(struct jl_traffic *traffic, struct jl_host_kept *kept,
                          struct jl_complaint *complaint);

/* Ranks by the bytes, or NULL: by the card's own steps, sent as each part wants them; how many. */
int jl_host_rank_kept(const struct jl_card *card, const struct jl_host_kept *kept,
                      struct jl_rank ranks[JL_RANKS]);

#endif
