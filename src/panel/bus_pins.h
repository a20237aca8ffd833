/* Buses with a CS pin, and most of them with a D/C pin: SPI, 8080 and 6800. */
#ifndef JADELAMP_SRC_BUS_PINS_H
#define JADELAMP_SRC_BUS_PINS_H

#include "bus.h"
#include "pattern_fill.h"

/* D/C to its level, then CS low; and CS high. */
void jl_pins_begin(const struct jl_panel *panel, bool data, struct jl_transfer *transfer);
void jl_pins_end(const struct jl_panel *panel);

/* An opcode and its arguments with D/C as the controller wants it, or pixels. */
jl_status jl_pins_send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count);

/* Sends lines under one CS; gathered in the port's memory where that saves transfers. */
jl_status jl_pins_lines(const struct jl_panel *panel, const struct jl_rest *rest);

/* Sends one pixel over and over: by the port's repeat(), or many at a time from memory. */
jl_status jl_pins_fill(const struct jl_panel *panel, const uint8_t *pixel, uint32_t total_bytes);

/* Whether the port has pins. */
jl_status jl_pins_check(const struct jl_panel *panel);

#endif
