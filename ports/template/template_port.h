/* The template port's context: where the hardware is. Yours will differ. */
#ifndef TEMPLATE_PORT_H
#define TEMPLATE_PORT_H

#include "jadelamp/scanout.h"

/* A made-up bus controller. */
struct template_registers {
    uint32_t control;
    uint32_t status;
    uint32_t data;
};

struct template_hardware {
    volatile struct template_registers *bus;
    volatile uint32_t *microseconds;               /* counts up at 1 MHz */
    volatile uint32_t *outputs;                    /* one bit a pin */
    uint32_t reset_bit, dc_bit, cs_bit, light_bit; /* 0: not wired */
    volatile uint32_t *inputs;                     /* of e-paper: where BUSY is read, */
    uint32_t busy_bit;                             /* and its bit; 0: not wired */
};

extern const struct jl_port_ops template_i2c_ops;
extern const struct jl_port_ops template_spi_ops;

/* A made-up DMA channel that feeds the bus. */
struct template_dma {
    uint32_t source;
    uint32_t count;
    uint32_t control;
};

/* SPI by DMA, in template_dma.c. */
struct template_dma_hardware {
    struct template_hardware spi; /* first: the SPI operations take it, too */
    volatile struct template_dma *dma;
    uint32_t started_us; /* when the transfer under way was */
};

extern const struct jl_port_ops template_spi_dma_ops;

/* Plain pins, for character modules, in template_pins.c. */
struct template_pins {
    volatile uint32_t *microseconds;                  /* counts up at 1 MHz */
    volatile uint32_t *outputs, *inputs, *directions; /* one bit a pin; 1: it is an output */
    uint32_t bits[JL_PIN_D7 + 1];                     /* of each pin; 0: not wired */
};

extern const struct jl_port_ops template_pins_ops;

/* Touch, in template_touch.c. */
extern const struct jl_port_ops template_i2c_touch_ops;
extern const struct jl_port_ops template_spi_touch_ops;

/* A made-up display peripheral, for glass that is scanned out, in template_scanout.c. */
struct template_display {
    uint32_t address, other_address, bytes;
    uint32_t control;
    uint32_t color; /* number in bits 31..24, then red, green, blue */
};

struct template_display_hardware {
    struct template_hardware spi; /* first: of the command port, and the pins */
    volatile struct template_display *display;
    volatile uint32_t *cache_clean; /* writes back the cache line of an address */
    struct jl_scanout_lines *lines;
};

extern const struct jl_port_ops template_display_ops;
void template_line_buffer_through(struct template_display_hardware *hw);

/* What several ports do. */
jl_status template_i2c_send(void *context, const struct jl_transfer *transfer);
jl_status template_i2c_put(volatile struct template_registers *r, uint8_t byte);
jl_status template_i2c_put_all(volatile struct template_registers *r,
                               const struct jl_transfer *transfer);
jl_status template_spi_send(void *context, const struct jl_transfer *transfer);
void template_wait_us(void *context, uint32_t microseconds);
void template_set_pin(void *context, enum jl_pin pin, bool high);

#endif
