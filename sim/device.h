/*
 * What an emulated controller implements, and what it may use of the board.
 */
#ifndef JADELAMP_SIM_DEVICE_H
#define JADELAMP_SIM_DEVICE_H

#include "jadelamp/sim/board.h"

enum { DEVICE_PINS = 3, DEVICE_NAME_BYTES = 32 };

/*
 * Callbacks get bytes in the order of the wire; jl_board_now_ps() is the time
 * at which the byte, or the first byte of a block, begins. Members for a bus
 * that the part lacks are NULL.
 */
struct jl_device_ops {
    const char *part;
    size_t state_bytes;
    /* Whether such a glass can be bonded to the part. */
    bool (*fits)(const struct jl_glass *glass);
    /* State is zeroed before. RAM becomes noise here. */
    void (*power_on)(struct jl_device *device);
    void (*reset)(struct jl_device *device, bool low);
    /* Addressed, to be written or read: acknowledges or not. */
    bool (*i2c_begin)(struct jl_device *device, bool read);
    bool (*i2c_write)(struct jl_device *device, uint8_t byte);
    uint8_t (*i2c_read)(struct jl_device *device);
    void (*spi_select)(struct jl_device *device, bool selected);
    void (*spi_write)(struct jl_device *device, const uint8_t *bytes, size_t count, bool data);
    /* The clock of the bus it is being talked to, before each transfer. */
    void (*clocked)(struct jl_device *device, bool i2c, uint32_t clock_hz);
    /* The picture is black and has the size of the glass. */
    void (*show)(struct jl_device *device, struct jl_picture *picture);
    uint8_t (*brightness)(struct jl_device *device);
    const char *(*why_dark)(struct jl_device *device);
};

struct jl_device {
    const struct jl_device_ops *ops;
    struct jl_board *board;
    char name[DEVICE_NAME_BYTES];
    struct jl_glass glass;
    void *state;
    bool unplugged;
    bool pins[DEVICE_PINS];
    int pin_wires[DEVICE_PINS];
    const struct jl_i2c_bus *i2c;
    const struct jl_spi_bus *spi;
    uint64_t noise_seed;
};

/* Adds a diagnostic, printf-like. */
__attribute__((format(printf, 3, 4))) void
device_report(struct jl_device *device, enum jl_severity severity, const char *format, ...);

/* Fills memory with the device's own noise: the same bytes in every run. */
void device_noise(struct jl_device *device, uint8_t *bytes, size_t count);

#endif
