/*
 * A port of plain pins for AVR: character modules in 4-bit or 8-bit wiring. Wants F_CPU, the clock
 * in Hz, from the compiler's command line.
 */
#ifndef AVR_PINS_H
#define AVR_PINS_H

#include "jadelamp/port.h"

/** A pin: its I/O port, whose DDRx and PINx lie just below, and its bit there, as 1 << 4. NULL: not
 * wired. */
struct avr_pin {
    volatile uint8_t *outputs;
    uint8_t bit;
};

/** Where the module hangs; the caller's, kept as long as the port is used. In 4-bit wiring data[0]
 * to data[3] are D4 to D7 and the rest is left out. */
struct avr_pins {
    struct avr_pin rs, e, rw, data[8];
};

/** Of ports whose context is a struct avr_pins: where R/W is tied low, and where it is wired and
 * the busy flag is read. Not from interrupts. */
extern const struct jl_port_ops avr_pins_ops;
extern const struct jl_port_ops avr_pins_busy_ops;

/** All wired pins become outputs, and low. */
void avr_pins_start(const struct avr_pins *pins);

#endif
