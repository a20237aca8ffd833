/*
 * What an emulated controller implements, and what it may use of the board.
 */
#ifndef JADELAMP_SIM_DEVICE_H
#define JADELAMP_SIM_DEVICE_H

#include "jadelamp/sim/board.h"

enum { DEVICE_PINS = JL_DEVICE_D7 + 1, DEVICE_NAME_BYTES = 32 };

/*
 * Callbacks get bytes in the order of the wire; jl_board_now_ps() is the time
 * at which the byte, or the first byte of a block, begins. Members for a bus
 * that the part lacks are NULL.
 */
struct jl_device_ops {
    const char *part;
    const void *facts; /* for a machine behind several parts: what this one has differently */
    size_t state_bytes;
    size_t fixed_bytes; /* of what survives a loss of power, such as trimmers; zeroed at first */
    /* Whether such a glass can be bonded to the part. */
    bool (*fits)(const struct jl_glass *glass);
    /* State is zeroed before. RAM becomes noise here. */
    void (*power_on)(struct jl_device *device);
    void (*reset)(struct jl_device *device, bool low);
    /* Addressed, to be written or read: acknowledges or not. */
    bool (*i2c_begin)(struct jl_device *device, bool read);
    bool (*i2c_write)(struct jl_device *device, uint8_t byte);
    uint8_t (*i2c_read)(struct jl_device *device);
    /* Bytes from SPI or an 8-bit 8080 bus, D/C the same for all of them. */
    void (*write)(struct jl_device *device, const uint8_t *bytes, size_t count, bool data);
    /* Words from a 16-bit 8080 bus. */
    void (*write_words)(struct jl_device *device, const uint16_t *words, size_t count, bool data);
    /* Least write cycles by the datasheet: a bit on SPI, a strobe on 8080, SCL. 0: no such bus. */
    uint32_t serial_cycle_ps, parallel_cycle_ps, i2c_cycle_ps;
    bool select_high; /* CS selects while it is high; on a parallel bus it is low as usual */
    /* CS begins to select. Or NULL. */
    void (*selected)(struct jl_device *device);
    bool no_8080; /* of the parallel buses it has 6800 only */
    /* For parts on plain pins: instead of reset() and selected(), each change of a level. */
    void (*pin_changed)(struct jl_device *device, enum jl_device_pin pin, bool high);
    /* The level of a pin, be it driven by the part or to it. */
    bool (*pin_level)(struct jl_device *device, enum jl_device_pin pin);
    /* The picture is black and has the size of the glass. */
    void (*show)(struct jl_device *device, struct jl_picture *picture);
    uint8_t (*brightness)(struct jl_device *device);
    const char *(*why_dark)(struct jl_device *device);
    /* As show(), but what each line showed when it was scanned last. NULL: as show(). */
    void (*seen)(struct jl_device *device, struct jl_picture *picture);
    /* The level of the TE output at a time. NULL: the part has none. */
    bool (*te)(struct jl_device *device, uint64_t at_ps);
    /* When TE changes next after a time; UINT64_MAX: never. */
    uint64_t (*te_change)(struct jl_device *device, uint64_t after_ps);
};

struct jl_device {
    const struct jl_device_ops *ops;
    struct jl_board *board;
    char name[DEVICE_NAME_BYTES];
    struct jl_glass glass;
    void *state, *fixed;
    bool unplugged;
    bool pins[DEVICE_PINS];
    int pin_wires[DEVICE_PINS];
    const struct jl_i2c_bus *i2c;
    const struct jl_stream_bus *stream;
    uint64_t noise_seed;
    /* the shift register behind a serial input */
    bool three_wire;
    unsigned shifted, shifted_bits;
    bool clock_reported;
    uint64_t tolerated_cycle_ps;
};

/* Adds a diagnostic, printf-like. */
__attribute__((format(printf, 3, 4))) void
device_report(struct jl_device *device, enum jl_severity severity, const char *format, ...);

/* Whether its CS pin selects it now. */
bool device_is_selected(const struct jl_device *device);

/* Time of a byte on its SPI, 8080 or 6800 bus. */
uint64_t device_unit_ps(const struct jl_device *device);

/* Whether bits come one by one to it, and not from 8080. */
bool device_is_serial(const struct jl_device *device);

/* Makes black what a round glass cannot show. */
void glass_hide_corners(const struct jl_glass *glass, struct jl_picture *picture);

/* Fills memory with the device's own noise: the same bytes in every run. */
void device_noise(struct jl_device *device, uint8_t *bytes, size_t count);

#endif
