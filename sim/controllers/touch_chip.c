/* Touch controllers on I2C; see the header. */
#include "touch_chip.h"

#include <string.h>

#define PS_PER_MS ((uint64_t)1000000000)

static const struct touch_facts *facts_of(const struct jl_device *device) {
    return device->part->facts;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->width >= 2 && glass->height >= 2;
}

void jl_sim_touch_take(struct jl_device *device) {
    struct touch_chip *chip = touch_chip(device);
    uint64_t now = jl_board_now_ps(device->board);
    int width = jl_sim_touch_width(device), height = jl_sim_touch_height(device);
    for (int i = 0; i < facts_of(device)->fingers; i++) {
        chip->was_down[i] = chip->felt[i].down;
        struct felt felt = jl_sim_finger(device, i, now);
        if (felt.down) { /* else it stays where it left */
            chip->felt[i].x = jl_sim_touch_reading(device, felt.x, false, width - 1);
            chip->felt[i].y = jl_sim_touch_reading(device, felt.y, true, height - 1);
        }
        chip->felt[i].down = felt.down;
    }
}

bool jl_sim_touch_any(struct jl_device *device, uint64_t at_ps) {
    bool any = false;
    for (int i = 0; i < facts_of(device)->fingers; i++) {
        any |= jl_sim_finger(device, i, at_ps).down;
    }
    return any;
}

bool jl_sim_touch_pulse(struct jl_device *device, uint64_t at_ps) {
    return !jl_sim_touch_any(device, at_ps) || at_ps / 100000000 % 100 != 0;
}

static void boot(struct jl_device *device) {
    struct touch_chip *chip = touch_chip(device);
    uint64_t edge_ps = chip->reset_edge_ps;
    uint8_t address = chip->address;
    memset(chip, 0, sizeof *chip);
    chip->reset_edge_ps = edge_ps;
    chip->address = address;
    chip->boots_until_ps = jl_board_now_ps(device->board) + facts_of(device)->boot_ms * PS_PER_MS;
    facts_of(device)->boot(device);
}

static void reset(struct jl_device *device, bool low) {
    struct touch_chip *chip = touch_chip(device);
    uint64_t now = jl_board_now_ps(device->board), was_low = now - chip->reset_edge_ps;
    int least_ms = facts_of(device)->least_reset_ms;
    if (!low && jl_sim_too_short(was_low, (uint64_t)least_ms * PS_PER_MS)) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_RESET_TOO_SHORT,
                             "reset was low for %.1f ms, at least %d ms are needed",
                             (double)was_low / (double)PS_PER_MS, least_ms);
    }
    chip->reset_edge_ps = now;
    if (!low && facts_of(device)->reset_ends) {
        facts_of(device)->reset_ends(device);
    }
    boot(device);
    chip->in_reset = low;
}

static bool boots(struct jl_device *device) {
    return jl_board_now_ps(device->board) < touch_chip(device)->boots_until_ps;
}

static bool i2c_begin(struct jl_device *device, bool read) {
    struct touch_chip *chip = touch_chip(device);
    const struct touch_facts *facts = facts_of(device);
    if (chip->in_reset || (facts->answers && !facts->answers(device))) {
        return false;
    }
    if (boots(device) && !chip->early_reported) {
        chip->early_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BOOTING,
                             "addressed while it boots: its registers are valid %u ms after "
                             "power-on and reset",
                             facts->boot_ms);
    }
    if (!read) {
        chip->pointer_bytes_due = facts->pointer_bytes;
        facts->report(device);
    }
    return true;
}

static bool i2c_write(struct jl_device *device, uint8_t byte) {
    struct touch_chip *chip = touch_chip(device);
    if (chip->pointer_bytes_due) {
        chip->pointer_bytes_due--;
        chip->pointer = (uint16_t)(chip->pointer << 8 | byte);
        chip->pointer = facts_of(device)->pointer_bytes == 1 ? byte : chip->pointer;
    } else if (!boots(device)) {
        facts_of(device)->set(device, chip->pointer++, byte);
    }
    return true;
}

static uint8_t i2c_read(struct jl_device *device) {
    uint16_t at = touch_chip(device)->pointer++;
    /* While it boots: fifteen fingers, which all press at (4095, 4095). */
    return boots(device) ? (at == 2 || at & 1 ? 0x0F : 0xFF) : facts_of(device)->get(device, at);
}

static uint8_t i2c_address(struct jl_device *device, uint8_t attached) {
    uint8_t address = touch_chip(device)->address;
    return address ? address : attached;
}

static bool output(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps) {
    return pin != JL_DEVICE_PEN || facts_of(device)->pen(device, at_ps);
}

/* Fingers have no schedule that a recording could ask for: it looks each millisecond. */
static uint64_t output_change(struct jl_device *device, enum jl_device_pin pin, uint64_t after_ps) {
    (void)device;
    (void)pin;
    return (after_ps / PS_PER_MS + 1) * PS_PER_MS;
}

const struct machine jl_sim_touch_machine = {
    .fits = fits,
    .power_on = boot,
    .reset = reset,
    .i2c_begin = i2c_begin,
    .i2c_write = i2c_write,
    .i2c_read = i2c_read,
    .i2c_address = i2c_address,
    .outputs = 1 << JL_DEVICE_PEN,
    .output = output,
    .output_change = output_change,
};
