/* The 16x2 module of examples/heart_16x2.c on pins of an ATmega328P, in 4-bit wiring. */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "avr_pins.h"
#include "example.h"

static const struct avr_pins pins = {.rs = {&PORTB, 0},
                                     .e = {&PORTB, 1},
                                     .data = {{&PORTD, 4}, {&PORTD, 5}, {&PORTD, 6}, {&PORTD, 7}}};

int main(void) {
    const struct jl_port port = {.ops = &avr_pins_ops, .context = (void *)(uintptr_t)&pins};
    avr_pins_start(&pins);
    (void)example_run(&port);
    cli(); /* and the loop behind main() is the end */
}
