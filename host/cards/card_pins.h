/* Keys of [pins]. */
#ifndef JADELAMP_HOST_CARD_PINS_H
#define JADELAMP_HOST_CARD_PINS_H

#include "card_reading.h"

/* The key is the wire, the value the microcontroller's name for the pin. */
bool jl_host_card_read_pin(struct reading *reading, const char *key, const char *value);

/* none and wired, too. */
bool jl_host_card_read_reset(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_light(struct reading *reading, const char *key, const char *value);

#endif
