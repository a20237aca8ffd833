/* The template port's context: where the hardware is. Yours will differ. */
#ifndef TEMPLATE_PORT_H
#define TEMPLATE_PORT_H

#include "jadelamp/port.h"

/* A made-up bus controller. */
struct template_registers {
    uint32_t control;
    uint32_t status;
    uint32_t data;
};

struct template_hardware {
    volatile struct template_registers *bus;
    volatile uint32_t *microseconds; /* counts up at 1 MHz */
    volatile uint32_t *outputs;      /* one bit a pin */
    uint32_t reset_bit, dc_bit, cs_bit;
};

extern const struct jl_port_ops template_i2c_ops;
extern const struct jl_port_ops template_spi_ops;

#endif
