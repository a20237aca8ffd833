/*
 * Timers that make PWM (ATmega328P datasheet 15.7, 16.9, 18.7; ATtiny85 11.7, 12.2): not edge by
 * edge, but what the pin is on the mean, which is what a light needs.
 */
#include "machine.h"

enum { NOT_INVERTED = 2, INVERTED = 3, CLOCK = 7 };

static unsigned word_at(const struct machine *machine, uint16_t address) {
    return machine->avr->data[address] | (unsigned)machine->avr->data[address + 1] << 8;
}

/* The waveform: its highest count, 0 for modes that are no PWM; and whether it counts up only. */
static unsigned top_of(const struct machine *machine, const struct pwm_pin *pwm, bool *fast) {
    const uint8_t *data = machine->avr->data;
    unsigned low = data[pwm->control_a] & 3, high = data[pwm->control_b] >> 3;
    if (!pwm->capture) {
        *fast = low == 3;
        return !(low & 1) ? 0 : high & 1 ? data[pwm->first_compare] : 255;
    }
    unsigned mode = low | (high & 3) << 2;
    static const uint16_t fixed[] = {0, 255, 511, 1023};
    *fast = mode == 5 || mode == 6 || mode == 7 || mode == 14 || mode == 15;
    switch (mode) {
    case 8:
    case 10:
    case 14:
        return word_at(machine, pwm->capture);
    case 9:
    case 11:
    case 15:
        return word_at(machine, pwm->first_compare);
    default:
        return mode < 8 ? fixed[low] : 0;
    }
}

static uint16_t share(uint32_t value, uint32_t top) {
    return (uint16_t)((value * UINT16_MAX + top / 2) / top);
}

/* Counts up to the top and begins anew; high from 0 to the match, and all the time where that is
 * the top (table 12-2). The dead time is not made. */
static bool paired_drives(const struct machine *machine, struct pin pin, uint16_t *duty) {
    enum { STOPPED = 0, CLOCKS = 15, IS_PWM = 1 << 6, BOTH = 1, OPPOSITE_MODE = 3 };
    const uint8_t *data = machine->avr->data;
    const struct part *part = machine->part;
    for (const struct paired_pin *paired = part->paired; paired && paired->pin.port; paired++) {
        uint8_t control = data[paired->control], mode = control >> 4 & 3;
        bool connected = paired->opposite ? mode == BOTH : mode != 0;
        if (!pins_same(paired->pin, pin) || !connected || !(control & IS_PWM) ||
            (data[part->paired_clock] & CLOCKS) == STOPPED) {
            continue;
        }
        uint32_t top = data[part->paired_top], value = data[paired->compare];
        bool low_first = paired->opposite || mode == OPPOSITE_MODE;
        value = value >= top ? top + 1 : value;
        *duty = share(low_first ? top + 1 - value : value, top + 1);
        return true;
    }
    return false;
}

bool pwm_drives(const struct machine *machine, struct pin pin, uint16_t *duty) {
    if (paired_drives(machine, pin, duty)) {
        return true;
    }
    const uint8_t *data = machine->avr->data;
    for (const struct pwm_pin *pwm = machine->part->pwm; pwm->pin.port; pwm++) {
        bool fast = false;
        unsigned output = data[pwm->control_a] >> pwm->shift & 3;
        if (!pins_same(pwm->pin, pin) || output < NOT_INVERTED || !(data[pwm->control_b] & CLOCK)) {
            continue;
        }
        uint32_t top = top_of(machine, pwm, &fast);
        if (!top) {
            continue;
        }
        uint32_t value = pwm->capture ? word_at(machine, pwm->compare) : data[pwm->compare];
        value = (value < top ? value : top) + fast;
        top += fast;
        value = output == INVERTED ? top - value : value;
        *duty = share(value, top);
        return true;
    }
    return false;
}
