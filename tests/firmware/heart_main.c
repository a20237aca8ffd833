/* A 16x2 module on pins of an ATmega328P, in 4-bit wiring; BUSY: R/W is wired. */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "avr_pins.h"
#include "example.h"

#ifdef BUSY
#define OPERATIONS avr_pins_busy_ops
#else
#define OPERATIONS avr_pins_ops
#endif

static const struct avr_pins pins = {
    .rs = {&PORTB, 1 << 0},
    .e = {&PORTB, 1 << 1},
#ifdef BUSY
    .rw = {&PORTB, 1 << 2},
#endif
    .data = {{&PORTD, 1 << 4}, {&PORTD, 1 << 5}, {&PORTD, 1 << 6}, {&PORTD, 1 << 7}}};

int main(void) {
    const struct jl_port port = {.ops = &OPERATIONS, .context = (void *)(uintptr_t)&pins};
    avr_pins_start(&pins);
    (void)example_run(&port);
    cli(); /* and the loop behind main() is the end */
}
