/* Plain pins, by writing the bits of their ports. docs/porting.md says what each function must do.
 */
#include "avr_pins.h"

#include <util/delay.h>

/* PINx and DDRx lie two and one below PORTx (ATmega328P, section 14.4; all parts of the kind). */
enum { TO_INPUTS = -2, TO_DIRECTIONS = -1, D4 = 4, LINES = 8 };

static void write_pin(const struct avr_pin *pin, int8_t place, bool high) {
    if (pin->outputs) {
        volatile uint8_t *bits = pin->outputs + place;
        *bits = (uint8_t)(high ? *bits | pin->bit : *bits & ~pin->bit);
    }
}

/* The one that a line hangs on: in 4-bit wiring the first four are D4 to D7. */
static const struct avr_pin *line_of(const struct avr_pins *pins, uint8_t line) {
    bool eight = pins->data[D4].outputs != 0;
    return &pins->data[eight ? line : line - D4];
}

/* While the module is read, the lines are its outputs. */
static void turn_lines(const struct avr_pins *pins, bool to_module) {
    for (uint8_t i = 0; i < LINES; i++) {
        write_pin(&pins->data[i], TO_DIRECTIONS, to_module);
    }
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    const struct avr_pins *pins = context;
    const struct avr_pin *own;
    if (pin >= JL_PIN_D0 && pin <= JL_PIN_D7) {
        own = line_of(pins, (uint8_t)(pin - JL_PIN_D0));
    } else if (pin == JL_PIN_E) {
        own = &pins->e;
    } else if (pin == JL_PIN_DC) {
        own = &pins->rs;
    } else {
        return;
    }
    write_pin(own, 0, high);
}

static void set_pin_busy(void *context, enum jl_pin pin, bool high) {
    const struct avr_pins *pins = context;
    if (pin == JL_PIN_RW) {
        turn_lines(pins, !high);
        write_pin(&pins->rw, 0, high);
    } else {
        set_pin(context, pin, high);
    }
}

static bool get_pin(void *context, enum jl_pin pin) {
    const struct avr_pins *pins = context;
    const struct avr_pin *line = line_of(pins, (uint8_t)(pin - JL_PIN_D0));
    return (line->outputs[TO_INPUTS] & line->bit) != 0;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    for (; microseconds >= 1000; microseconds -= 1000) {
        _delay_ms(1);
    }
    for (uint16_t left = (uint16_t)microseconds; left; left--) {
        _delay_us(1); /* and what the loop takes */
    }
}

const struct jl_port_ops avr_pins_ops = {.wait_us = wait_us, .set_pin = set_pin};
const struct jl_port_ops avr_pins_busy_ops = {
    .wait_us = wait_us, .set_pin = set_pin_busy, .get_pin = get_pin};

void avr_pins_start(const struct avr_pins *pins) {
    const struct avr_pin *const all[] = {&pins->rs, &pins->e, &pins->rw};
    for (uint8_t i = 0; i < sizeof all / sizeof all[0]; i++) {
        write_pin(all[i], 0, false);
        write_pin(all[i], TO_DIRECTIONS, true);
    }
    turn_lines(pins, true);
}
