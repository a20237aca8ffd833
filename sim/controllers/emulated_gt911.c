/*
 * Emulated gt911: five points over I2C in 16-bit registers (programming guide). A report stays
 * until 814E is written 0; only then the next one is made. The level of the pen line while reset
 * ends chooses the address.
 *
 * Taken where the guide leaves room: it scans every 10 ms, and reports while something touches and
 * once when all is lifted; the pen line falls for 0.1 ms every 10 ms while something touches.
 */
#include "touch_chip.h"

enum {
    MOST_POINTS = 5,
    POINT_BYTES = 8,
    PRODUCT = 0x8140,
    STATE = 0x814E,
    POINT_0 = 0x814F,
    READY = 0x80,
    MOST_UNANSWERED = 3,
};
#define SCAN_PS ((uint64_t)10000000000)

static void boot(struct jl_device *device) {
    (void)device; /* nothing beside a pointer and reports */
}

static void reset_ends(struct jl_device *device) {
    if (device->driven >> JL_DEVICE_PEN & 1) {
        touch_chip(device)->address = device->pins[JL_DEVICE_PEN] ? 0x14 : 0x5D;
    }
}

static int downs(const struct touch_chip *chip) {
    int count = 0;
    for (int i = 0; i < MOST_POINTS; i++) {
        count += chip->felt[i].down;
    }
    return count;
}

static void report(struct jl_device *device) {
    struct touch_chip *chip = touch_chip(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (chip->ready || now < chip->reported_ps + SCAN_PS) {
        return;
    }
    int before = downs(chip);
    jl_sim_touch_take(device);
    chip->ready = before || downs(chip);
    chip->reported_ps = now;
    chip->unanswered = 0;
}

static uint8_t state(struct jl_device *device) {
    struct touch_chip *chip = touch_chip(device);
    if (chip->ready && chip->unanswered++ == MOST_UNANSWERED) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_NOT_TAKEN,
                             "a report was read %d times and never taken: write 0 to 814E, or no "
                             "other one comes",
                             MOST_UNANSWERED);
    }
    return (uint8_t)(chip->ready ? READY | downs(chip) : 0);
}

static uint8_t point_byte(const struct touch_chip *chip, int slot, int offset) {
    for (int i = 0; i < MOST_POINTS; i++) {
        const struct felt *at = &chip->felt[i];
        if (at->down && slot-- == 0) {
            const uint8_t bytes[POINT_BYTES] = {(uint8_t)i,
                                                (uint8_t)at->x,
                                                (uint8_t)(at->x >> 8),
                                                (uint8_t)at->y,
                                                (uint8_t)(at->y >> 8),
                                                20,
                                                0,
                                                0};
            return bytes[offset];
        }
    }
    return 0;
}

static uint8_t get(struct jl_device *device, uint16_t at) {
    static const uint8_t product[] = {'9', '1', '1', 0};
    if (at >= PRODUCT && at < PRODUCT + (int)sizeof product) {
        return product[at - PRODUCT];
    }
    if (at == STATE) {
        return state(device);
    }
    if (at >= POINT_0 && at < POINT_0 + MOST_POINTS * POINT_BYTES) {
        return point_byte(touch_chip(device), (at - POINT_0) / POINT_BYTES,
                          (at - POINT_0) % POINT_BYTES);
    }
    return 0;
}

static void set(struct jl_device *device, uint16_t at, uint8_t value) {
    if (at == STATE && value == 0) {
        touch_chip(device)->ready = false;
    }
}

static const struct touch_facts facts = {
    .pointer_bytes = 2,
    .fingers = MOST_POINTS,
    .boot_ms = 50,
    .least_reset_ms = 1,
    .boot = boot,
    .reset_ends = reset_ends,
    .report = report,
    .get = get,
    .set = set,
    .pen = jl_sim_touch_pulse,
};

const struct jl_emulated_part jl_emulated_gt911 = {
    .name = "gt911",
    .machine = &jl_sim_touch_machine,
    .facts = &facts,
    .state_bytes = sizeof(struct touch_chip),
    .i2c_cycle_ps = 2500000,
};
