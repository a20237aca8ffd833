/*
 * Emulated xpt2046: a 12-bit converter behind resistive glass (datasheet). A byte with bit 7 set
 * starts a conversion; the 16 clocks behind it bring a busy bit, the number from its top bit on,
 * and zeros.
 *
 * Taken where the sheet leaves room: the glass tells 200 to 3900 from its left to its right edge,
 * and from its upper to its lower one; a finger presses with Z1 of 700 and Z2 of 2600; the first
 * conversion after another channel is off by up to 200; the pen line is low while a finger is there
 * and the last control byte re-armed it (PD 00).
 */
#include "../fingers.h"

#define PS_PER_MS ((uint64_t)1000000000)
enum { LOW_END = 200, HIGH_END = 3900, Z1 = 700, Z2 = 2600, MOST = 4095 };
enum { POWER = 0x03, CHANNEL = 0x70, START = 0x80 };
enum { AT_Y = 0x10, AT_Z1 = 0x30, AT_Z2 = 0x40, AT_X = 0x50 };

struct xpt2046 {
    uint8_t control;
    uint16_t reply; /* what is still to come, from bit 15 on */
    uint8_t channel;
};

static struct xpt2046 *chip_of(struct jl_device *device) {
    return device->state;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->width >= 2 && glass->height >= 2;
}

static void power_on(struct jl_device *device) {
    (void)device; /* all zero: armed, nothing converted */
}

static int across(int at, int size) {
    int value = LOW_END + (at * (HIGH_END - LOW_END) + (size - 1) / 2) / (size - 1);
    return value < 0 ? 0 : value > MOST ? MOST : value;
}

static int measure(struct jl_device *device, uint8_t channel) {
    struct felt felt = jl_sim_finger(device, 0, jl_board_now_ps(device->board));
    switch (channel) {
    case AT_X:
        return felt.down ? jl_sim_touch_reading(device, across(felt.x, jl_sim_touch_width(device)),
                                                false, MOST)
                         : 0;
    case AT_Y:
        return felt.down ? jl_sim_touch_reading(device, across(felt.y, jl_sim_touch_height(device)),
                                                true, MOST)
                         : MOST;
    case AT_Z1:
        return felt.down ? Z1 - device->flaws.faint : 0;
    case AT_Z2:
        return felt.down ? Z2 : MOST;
    default: /* temperature, battery, the free input */
        return 0;
    }
}

static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {
    struct xpt2046 *chip = chip_of(device);
    (void)data; /* it has no such line */
    for (size_t i = 0; i < count; i++) {
        if (!(bytes[i] & START)) {
            continue;
        }
        uint8_t noise;
        uint8_t channel = bytes[i] & CHANNEL;
        int value = measure(device, channel);
        jl_sim_device_noise(device, &noise, 1);
        if (channel != chip->channel) {
            value += noise % 200;
        }
        chip->channel = channel;
        chip->control = bytes[i];
        chip->reply = (uint16_t)((value > MOST ? MOST : value) << 3);
    }
}

static uint8_t read(struct jl_device *device) {
    struct xpt2046 *chip = chip_of(device);
    uint8_t byte = (uint8_t)(chip->reply >> 8);
    chip->reply = (uint16_t)(chip->reply << 8);
    return byte;
}

/* Behind a conversion there are zeros. */
static bool gives(const struct jl_device *device) {
    (void)device;
    return true;
}

static bool output(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps) {
    const struct xpt2046 *chip = device->state;
    return pin != JL_DEVICE_PEN || !jl_sim_finger(device, 0, at_ps).down || (chip->control & POWER);
}

/* Fingers have no schedule that a recording could ask for: it looks each millisecond. */
static uint64_t output_change(struct jl_device *device, enum jl_device_pin pin, uint64_t after_ps) {
    (void)device;
    (void)pin;
    return (after_ps / PS_PER_MS + 1) * PS_PER_MS;
}

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .write = write,
    .read = read,
    .gives = gives,
    .outputs = 1 << JL_DEVICE_PEN,
    .output = output,
    .output_change = output_change,
};

const struct jl_emulated_part jl_emulated_xpt2046 = {
    .name = "xpt2046",
    .machine = &machine,
    .state_bytes = sizeof(struct xpt2046),
    .serial_cycle_ps = 400000,
    .serial_read_cycle_ps = 400000,
};
