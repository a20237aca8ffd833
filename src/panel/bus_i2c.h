/* What the ways of framing I2C share. */
#ifndef JADELAMP_SRC_BUS_I2C_H
#define JADELAMP_SRC_BUS_I2C_H

#include "bus.h"

/* Of the bus, UM10204 fast mode, whatever the controller could do on other wires. */
#define I2C_CYCLE_NS 2500

/* A 7-bit address that is not reserved. */
jl_status jl_i2c_check(const struct jl_panel *panel);

/* One byte over and over, by the bus's send(). */
jl_status jl_i2c_fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes);

/* STOP has released the wires already. */
void jl_i2c_end(const struct jl_panel *panel);

#endif
