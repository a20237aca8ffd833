/* Keys of cards for character modules. */
#ifndef JADELAMP_HOST_CARD_CELLS_H
#define JADELAMP_HOST_CARD_CELLS_H

#include "card_reading.h"

bool jl_host_card_read_rom(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_halves(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_voltage(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_busy(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_outputs(struct reading *reading, const char *key, const char *value);

/* The card as a whole, and what it left out. */
bool jl_host_card_check_cells(struct reading *reading);

#endif
