/*
 * What the emulated MIPI DCS parts give to read (DCS 1.02 section 6; the parts' datasheets for the
 * identities). Before the data comes something to be thrown away: on a parallel bus a byte; on
 * SPI one clock before 04h and 09h, eight before the memory and D3h, and none before single
 * registers. So a master that forgets it sees bits that are shifted, as on the part.
 */
#include "dcs.h"

enum { BITS_NORMAL = 0x08, BITS_ON = 0x04, BITS_AWAKE = 0x10, BITS_BOOSTER = 0x80 };

static uint8_t power_mode(const struct dcs_chip *chip) {
    return (uint8_t)((chip->asleep ? 0 : BITS_BOOSTER | BITS_AWAKE) | (chip->idle ? 0x40 : 0) |
                     (chip->partial ? 0x20 : BITS_NORMAL) | (chip->on ? BITS_ON : 0));
}

/* 09h: the address mode, the pixel format, and the switches one by one. */
static uint32_t status(const struct dcs_chip *chip) {
    uint32_t bits = chip->asleep ? 0 : 0x80000000u;
    bits |= (uint32_t)(chip->address_mode & 0xFC) << 23;
    bits |= (uint32_t)(chip->pixel_format & 7) << 20;
    bits |= (chip->idle ? 0x80000u : 0) | (chip->partial ? 0x40000u : 0) |
            (chip->asleep ? 0 : 0x20000u) | (chip->partial ? 0 : 0x10000u);
    bits |= (chip->scrolling ? 0x8000u : 0) | (chip->inverted ? 0x2000u : 0) |
            (chip->on ? 0x400u : 0) | (chip->te_on ? 0x200u : 0);
    return bits;
}

/* Values of `bits` bits behind `dummy` of them. */
static void give(struct dcs_chip *chip, uint64_t value, int bits, int dummy) {
    chip->reply = value;
    chip->reply_bits = bits + dummy;
}

static uint32_t three(const uint8_t id[3]) {
    return (uint32_t)id[0] << 16 | (uint32_t)id[1] << 8 | id[2];
}

void jl_sim_dcs_read_begin(struct jl_device *device) {
    struct dcs_chip *chip = device->state;
    const struct dcs_part *part = device->part->facts;
    bool serial = jl_sim_device_is_serial(device);
    chip->reply_bits = 0;
    chip->reading_memory = chip->command == 0x2E || chip->command == 0x3E;
    chip->dummy_due = chip->reading_memory;
    chip->read_bytes = 0;
    switch (chip->command) {
    case 0x04:
        give(chip, three(part->id), 24, serial ? 1 : 8);
        break;
    case 0x09:
        give(chip, status(chip), 32, serial ? 1 : 8);
        break;
    case 0x0A:
        give(chip, power_mode(chip), 8, serial ? 0 : 8);
        break;
    case 0x0B:
        give(chip, chip->address_mode, 8, serial ? 0 : 8);
        break;
    case 0x0C:
        give(chip, chip->pixel_format, 8, serial ? 0 : 8);
        break;
    case 0x0D:
        give(chip, (chip->scrolling ? 0x80u : 0) | (chip->inverted ? 0x20u : 0), 8, serial ? 0 : 8);
        break;
    case 0x0E:
        give(chip, chip->te_on ? 0x80 : 0, 8, serial ? 0 : 8);
        break;
    case 0x52:
        give(chip, chip->brightness, 8, serial ? 0 : 8);
        break;
    case 0x54:
        give(chip, chip->light_control, 8, serial ? 0 : 8);
        break;
    case 0xD3:
        give(chip, three(part->vendor_id), 24, 8);
        break;
    case 0xDA:
    case 0xDB:
    case 0xDC:
        give(chip, part->id[chip->command - 0xDA], 8, serial ? 0 : 8);
        break;
    default:
        break;
    }
    chip->answers = chip->reply_bits || chip->reading_memory;
}

/* Memory is read in 18 bits, three bytes a pixel, whatever it is written in. */
static uint8_t read_memory(struct jl_device *device) {
    struct dcs_chip *chip = device->state;
    if (chip->dummy_due) {
        chip->dummy_due = false;
        return 0;
    }
    if (chip->read_bytes == 0) {
        uint32_t color = jl_sim_dcs_next_pixel(device);
        for (int i = 0; i < 3; i++) {
            chip->read_pixel[i] = (uint8_t)(color >> (16 - 8 * i) & 0xFC);
        }
        chip->read_bytes = 3;
    }
    return chip->read_pixel[3 - chip->read_bytes--];
}

bool jl_sim_dcs_gives(const struct jl_device *device) {
    const struct dcs_chip *chip = device->state;
    return chip->answers && !chip->in_reset;
}

uint8_t jl_sim_dcs_read(struct jl_device *device) {
    struct dcs_chip *chip = device->state;
    unsigned byte = 0;
    if (chip->in_reset) {
        return 0xFF;
    }
    if (chip->reading_memory) {
        return read_memory(device);
    }
    for (int bit = 0; bit < 8; bit++) {
        byte <<= 1;
        if (chip->reply_bits) {
            chip->reply_bits--;
            byte |= chip->reply_bits < 40 ? (unsigned)(chip->reply >> chip->reply_bits & 1) : 0;
        }
    }
    return (uint8_t)byte;
}

/* On 16 lines the memory comes as it goes there in 18 bits a pixel: red and green, blue and the
 * next one's red, green and blue, the first of two on D15..D8. All else is on D7..D0. */
uint16_t jl_sim_dcs_read_word(struct jl_device *device) {
    const struct dcs_chip *chip = device->state;
    if (chip->in_reset) {
        return 0xFFFF;
    }
    bool pixels = chip->reading_memory && !chip->dummy_due;
    uint8_t first = pixels ? read_memory(device) : 0;
    return (uint16_t)(first << 8 | jl_sim_dcs_read(device));
}
