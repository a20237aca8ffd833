/* Steps of [wake]. */
#ifndef JADELAMP_HOST_CARD_STEPS_H
#define JADELAMP_HOST_CARD_STEPS_H

#include "card_reading.h"

/* send BYTES, send NAME BYTES, wait TIME, wait busy LEVEL TIME, setup, clear, pulse DIGIT. */
bool jl_host_card_read_step(struct reading *reading, const char *key, const char *value);

/* Whether all of them are for such a panel, once the card is whole. */
bool jl_host_card_check_steps(struct reading *reading);

#endif
