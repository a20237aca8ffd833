/* What the calls that read a controller share. */
#ifndef JADELAMP_SRC_READBACK_H
#define JADELAMP_SRC_READBACK_H

#include "jadelamp/readback.h"

enum { READ_NO_COMMAND = -1 };

/* Whether the panel can be read so; buses: those of the reading that matter. */
jl_status jl_read_check(const struct jl_panel *panel, uint8_t buses);

/*
 * Sends a command (0..255, or READ_NO_COMMAND) and reads bytes under the same CS, with D/C low or
 * high (`data`) while they come.
 */
jl_status jl_read_bytes(struct jl_panel *panel, int command, bool data, uint8_t *bytes,
                        size_t count);

#endif
