/* Controllers on I2C: what the wires of aip31068 and st7036 share. */
#ifndef JADELAMP_SRC_WIRE_I2C_H
#define JADELAMP_SRC_WIRE_I2C_H

#include "cells.h"

jl_status jl_wire_i2c_check(const struct jl_char_panel *panel);
jl_status jl_wire_i2c_rest(struct jl_char_panel *panel);
jl_status jl_wire_i2c_knock(struct jl_char_panel *panel, uint8_t nibble);
jl_status jl_wire_i2c_send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                           const uint8_t *data, size_t count);
jl_status jl_wire_i2c_light(struct jl_char_panel *panel);

#endif
