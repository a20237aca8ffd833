/*
 * Emulated cst816: one point over I2C (register declaration).
 *
 * Taken where the sheet leaves room: 5 s after the last touch, and after its boot, it sleeps and
 * answers no address; a touch or a reset wakes it. The pen line falls for 0.1 ms every 10 ms while
 * something touches.
 */
#include "touch_chip.h"

enum { FINGERS = 0x02, STAY_AWAKE = 0xFE };
#define SLEEPS_AFTER_PS ((uint64_t)5000000000000)

static void boot(struct jl_device *device) {
    touch_chip(device)->settings[0xA7] = 0xB5; /* chip */
}

static bool answers(struct jl_device *device) {
    struct touch_chip *chip = touch_chip(device);
    uint64_t last = jl_sim_touched_last_ps(device);
    last = last > chip->boots_until_ps ? last : chip->boots_until_ps;
    uint64_t now = jl_board_now_ps(device->board);
    return chip->settings[STAY_AWAKE] || now < last + SLEEPS_AFTER_PS;
}

static uint8_t get(struct jl_device *device, uint16_t at) {
    struct touch_chip *chip = touch_chip(device);
    const struct felt *felt = &chip->felt[0];
    int event = felt->down ? (chip->was_down[0] ? 2 : 0) : 1;
    switch (at & 0xFF) {
    case FINGERS:
        return felt->down;
    case 0x03:
        return (uint8_t)(event << 6 | felt->x >> 8);
    case 0x04:
        return (uint8_t)felt->x;
    case 0x05:
        return (uint8_t)(felt->y >> 8);
    case 0x06:
        return (uint8_t)felt->y;
    default:
        return chip->settings[at & 0xFF];
    }
}

static void set(struct jl_device *device, uint16_t at, uint8_t value) {
    touch_chip(device)->settings[at & 0xFF] = value;
}

static const struct touch_facts facts = {
    .pointer_bytes = 1,
    .fingers = 1,
    .boot_ms = 50,
    .least_reset_ms = 5,
    .boot = boot,
    .answers = answers,
    .report = jl_sim_touch_take,
    .get = get,
    .set = set,
    .pen = jl_sim_touch_pulse,
};

const struct jl_emulated_part jl_emulated_cst816 = {
    .name = "cst816",
    .machine = &jl_sim_touch_machine,
    .facts = &facts,
    .state_bytes = sizeof(struct touch_chip),
    .i2c_cycle_ps = 2500000,
};
