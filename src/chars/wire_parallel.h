/* Parallel wirings: what those with and without a busy flag share. */
#ifndef JADELAMP_SRC_WIRE_PARALLEL_H
#define JADELAMP_SRC_WIRE_PARALLEL_H

#include "cells.h"

static inline void jl_wire_pin(const struct jl_char_panel *panel, enum jl_pin pin, bool high) {
    panel->port->ops->set_pin(panel->port->context, pin, high);
}

/* RS and R/W, and 1 us when one of them changed: they lead E by 60 ns and more. */
void jl_wire_select(struct jl_char_panel *panel, bool data, bool read);

/* Raises or drops the enables of a mask, and stays for 1 us: they have 450 ns and more. */
void jl_wire_enable(const struct jl_char_panel *panel, uint8_t enables, bool high);

/* A byte, in one or two pulses. */
void jl_wire_byte(const struct jl_char_panel *panel, uint8_t enables, uint8_t byte);

/* A command, unless it is 0, and data, each with the time of the slowest controller behind it. */
jl_status jl_wire_send_waiting(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                               const uint8_t *data, size_t count);

jl_status jl_wire_check(const struct jl_char_panel *panel);
jl_status jl_wire_rest(struct jl_char_panel *panel);
jl_status jl_wire_knock(struct jl_char_panel *panel, uint8_t nibble);
jl_status jl_wire_light(struct jl_char_panel *panel);

#endif
