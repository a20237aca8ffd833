/*
 * A port to copy: a character module on plain pins. While R/W is high the module drives D0..D7,
 * so they become inputs. Modules with R/W tied low need neither get_pin() nor that.
 */
#include "template_port.h"

static void set_direction(const struct template_pins *hw, bool output) {
    uint32_t lines = 0;
    for (int pin = JL_PIN_D0; pin <= JL_PIN_D7; pin++) {
        lines |= hw->bits[pin];
    }
    *hw->directions = output ? *hw->directions | lines : *hw->directions & ~lines;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    const struct template_pins *hw = context;
    if (pin == JL_PIN_RW && high) { /* before the module begins to drive */
        set_direction(hw, false);
    }
    *hw->outputs = high ? *hw->outputs | hw->bits[pin] : *hw->outputs & ~hw->bits[pin];
    if (pin == JL_PIN_RW && !high) {
        set_direction(hw, true);
    }
}

static bool get_pin(void *context, enum jl_pin pin) {
    const struct template_pins *hw = context;
    return *hw->inputs & hw->bits[pin];
}

static void wait_us(void *context, uint32_t microseconds) {
    const struct template_pins *hw = context;
    uint32_t start = *hw->microseconds; /* yours: any counter that runs at 1 MHz, wraps at 2^32 */
    while (*hw->microseconds - start <= microseconds) { /* the first tick may be about to come */
    }
}

const struct jl_port_ops template_pins_ops = {
    .wait_us = wait_us, .set_pin = set_pin, .get_pin = get_pin};
