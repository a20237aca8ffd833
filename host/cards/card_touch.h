/* Touch in cards. */
#ifndef JADELAMP_HOST_CARD_TOUCH_H
#define JADELAMP_HOST_CARD_TOUCH_H

#include "card_reading.h"

bool jl_host_card_read_touch(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_touch_address(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_touch_clock(struct reading *reading, const char *key, const char *value);
bool jl_host_card_read_touch_mounting(struct reading *reading, const char *key, const char *value);

/* What the keys of [touch] say together; and what they leave out. */
bool jl_host_card_check_touch(struct reading *reading);

#endif
