/* What the touch controllers share. */
#ifndef JADELAMP_SRC_TOUCH_H
#define JADELAMP_SRC_TOUCH_H

#include "jadelamp/touch.h"

/* On I2C: reads registers from an address on; writes bytes, of which the first are the address. */
jl_status jl_touch_registers(const struct jl_touch *touch, const uint8_t *address,
                             size_t address_bytes, uint8_t *bytes, size_t count);
jl_status jl_touch_send(const struct jl_touch *touch, const uint8_t *bytes, size_t count);

/* Keeps a point that the part told; more than there is room for are dropped. */
void jl_touch_keep(struct jl_touch *touch, uint16_t x, uint16_t y, uint8_t finger,
                   uint16_t pressure);

/* Reads it: raw and raw_count are right then, with no points after an error, and nothing is read
 * while the pen line says that nothing touches. */
jl_status jl_touch_fetch(struct jl_touch *touch);

/* Where a place of the picture, as it is turned, lies on the upright glass. */
struct jl_point jl_touch_glass_of_picture(const struct jl_touch *touch, struct jl_point at);

#endif
