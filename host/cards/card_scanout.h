/* Glass that is scanned out, in cards. */
#ifndef JADELAMP_HOST_CARD_SCANOUT_H
#define JADELAMP_HOST_CARD_SCANOUT_H

#include "card_reading.h"

bool jl_host_card_read_timing(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_polarity(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_scan_mode(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_edge(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_lines(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_scan_clock(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_data(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_rest(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_memory_size(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_memory_speed(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_buffers(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_buffer_rows(struct reading *reading, const char *key, const char *value);

/* The card as a whole, and what it left out. */
bool jl_host_card_check_scanout(struct reading *reading);

#endif
