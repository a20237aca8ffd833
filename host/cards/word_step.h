/* Steps whose arguments are words. */
#ifndef JADELAMP_HOST_WORD_STEP_H
#define JADELAMP_HOST_WORD_STEP_H

#include "jadelamp/host/card.h"

/*
 * "charge pump on" as bytes, opcode first; `out` has room for 16. Bits that the words do not say
 * are 0, or the least that the emulated part takes without a complaint about its argument. False:
 * no command reads so.
 */
bool jl_host_word_step(const struct jl_catalog_entry *part, const char *text, uint8_t *out,
                       size_t *count);

#endif
