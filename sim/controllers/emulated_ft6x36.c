/*
 * Emulated ft6x36: two points over I2C (application note "register map").
 *
 * Taken where the sheets leave room: while it boots registers tell fifteen
 * fingers; a point that was lifted is
 * told as event 1 in the next report, and is gone after it; the pen line with A4 of 1 falls for
 * 0.1 ms every 10 ms while something touches.
 */
#include "touch_chip.h"

enum { POINTS = 2, COUNT = 0x02, POINT_0 = 0x03, POINT_BYTES = 6, PEN_MODE = 0xA4 };
enum { EVENT_DOWN = 0, EVENT_UP = 1, EVENT_CONTACT = 2 };

static void boot(struct jl_device *device) {
    uint8_t *settings = touch_chip(device)->settings;
    settings[0x80] = 0x16; /* threshold */
    settings[0x88] = 0x0E; /* period */
    settings[0xA3] = 0x36; /* chip */
    settings[PEN_MODE] = 0x01;
    settings[0xA8] = 0x11; /* vendor */
}

/* The finger in a slot of the report; -1: none. */
static int finger_in(const struct touch_chip *chip, int slot) {
    for (int i = 0; i < POINTS; i++) {
        if ((chip->felt[i].down || chip->was_down[i]) && slot-- == 0) {
            return i;
        }
    }
    return -1;
}

static uint8_t point_byte(const struct touch_chip *chip, int slot, int offset) {
    int finger = finger_in(chip, slot);
    if (finger < 0) {
        return 0xFF;
    }
    const struct felt *at = &chip->felt[finger];
    int event = !at->down ? EVENT_UP : chip->was_down[finger] ? EVENT_CONTACT : EVENT_DOWN;
    switch (offset) {
    case 0:
        return (uint8_t)(event << 6 | (at->x >> 8 & 0x0F));
    case 1:
        return (uint8_t)at->x;
    case 2:
        return (uint8_t)(finger << 4 | (at->y >> 8 & 0x0F));
    case 3:
        return (uint8_t)at->y;
    default: /* weight and area */
        return 0;
    }
}

static uint8_t get(struct jl_device *device, uint16_t at) {
    struct touch_chip *chip = touch_chip(device);
    if (at == COUNT) {
        return (uint8_t)(chip->felt[0].down + chip->felt[1].down);
    }
    if (at >= POINT_0 && at < POINT_0 + POINTS * POINT_BYTES) {
        return point_byte(chip, (at - POINT_0) / POINT_BYTES, (at - POINT_0) % POINT_BYTES);
    }
    return chip->settings[at & 0xFF];
}

static void set(struct jl_device *device, uint16_t at, uint8_t value) {
    touch_chip(device)->settings[at & 0xFF] = value;
}

static bool pen(struct jl_device *device, uint64_t at_ps) {
    return touch_chip(device)->settings[PEN_MODE] ? jl_sim_touch_pulse(device, at_ps)
                                                  : !jl_sim_touch_any(device, at_ps);
}

static const struct touch_facts facts = {
    .pointer_bytes = 1,
    .fingers = POINTS,
    .boot_ms = 300,
    .least_reset_ms = 5,
    .boot = boot,
    .report = jl_sim_touch_take,
    .get = get,
    .set = set,
    .pen = pen,
};

const struct jl_emulated_part jl_emulated_ft6x36 = {
    .name = "ft6x36",
    .machine = &jl_sim_touch_machine,
    .facts = &facts,
    .state_bytes = sizeof(struct touch_chip),
    .i2c_cycle_ps = 2500000,
};
