/*
 * What touch controllers on I2C have alike: a pointer is written, registers are read from there
 * on; they boot for a while after power-on and reset; a pen line.
 */
#ifndef JADELAMP_SIM_TOUCH_CHIP_H
#define JADELAMP_SIM_TOUCH_CHIP_H

#include "../fingers.h"

struct touch_chip {
    uint64_t boots_until_ps, reset_edge_ps;
    bool in_reset, early_reported;
    uint8_t pointer_bytes_due;
    uint16_t pointer;
    uint8_t address; /* chosen at reset; 0: as the module has it */
    uint8_t settings[256];
    /* the report that is read */
    struct felt felt[JL_TOUCH_FINGERS];
    bool was_down[JL_TOUCH_FINGERS];
    uint64_t reported_ps;
    bool ready;
    int unanswered; /* times that a report was read again instead of being taken */
};

struct touch_facts {
    uint8_t pointer_bytes;
    uint8_t fingers;
    uint16_t boot_ms, least_reset_ms;
    void (*boot)(struct jl_device *device);
    void (*reset_ends)(struct jl_device *device); /* or NULL */
    bool (*answers)(struct jl_device *device);    /* or NULL: always */
    /* A transaction begins: makes a report. */
    void (*report)(struct jl_device *device);
    uint8_t (*get)(struct jl_device *device, uint16_t at);
    void (*set)(struct jl_device *device, uint16_t at, uint8_t value);
    bool (*pen)(struct jl_device *device, uint64_t at_ps);
};

static inline struct touch_chip *touch_chip(struct jl_device *device) {
    return device->state;
}

/* Takes what is felt now into the report; with what was told before as was_down. */
void jl_sim_touch_take(struct jl_device *device);

/* Whether any finger is down at a time. */
bool jl_sim_touch_any(struct jl_device *device, uint64_t at_ps);

/* A pen line that falls for 0.1 ms every 10 ms while something touches. */
bool jl_sim_touch_pulse(struct jl_device *device, uint64_t at_ps);

extern const struct machine jl_sim_touch_machine;

#endif
