/*
 * A port to copy: I2C, and SPI with its pins, on a microcontroller whose
 * registers are made up. Replace what is marked "yours"; docs/porting.md goes
 * through it line by line.
 *
 * Every wait has an end: a panel that is not there must cost milliseconds, not
 * the whole program.
 */
#include "template_port.h"

/* Yours: how many turns of a polling loop are clearly too long. */
#define PATIENCE 100000u

/* Yours: the bits of your bus controller. */
#define I2C_START    0x01u
#define I2C_STOP     0x02u
#define I2C_READY    0x01u
#define I2C_NACKED   0x02u
#define SPI_CAN_TAKE 0x01u
#define SPI_IDLE     0x02u

static bool wait_for(volatile uint32_t *status, uint32_t bits) {
    for (uint32_t turn = 0; turn < PATIENCE; turn++) {
        if (*status & bits) {
            return true;
        }
    }
    return false;
}

jl_status template_i2c_put(volatile struct template_registers *r, uint8_t byte) {
    r->data = byte;
    if (!wait_for(&r->status, I2C_READY)) {
        return JL_TIMEOUT;
    }
    return r->status & I2C_NACKED ? JL_NO_ANSWER : JL_OK;
}

static jl_status put_all(volatile struct template_registers *r, const uint8_t *bytes,
                         size_t count) {
    jl_status status = JL_OK;
    for (size_t i = 0; i < count && status == JL_OK; i++) {
        status = template_i2c_put(r, bytes[i]);
    }
    return status;
}

jl_status template_i2c_put_all(volatile struct template_registers *r, const struct jl_transfer *t) {
    jl_status status = template_i2c_put(r, (uint8_t)(t->i2c_address << 1)); /* the write bit is 0 */
    if (status == JL_OK) {
        status = put_all(r, t->head, t->head_bytes);
    }
    return status == JL_OK ? put_all(r, t->body, t->body_bytes) : status;
}

jl_status template_i2c_send(void *context, const struct jl_transfer *t) {
    struct template_hardware *hw = context;
    hw->bus->control = I2C_START;
    jl_status status = template_i2c_put_all(hw->bus, t);
    hw->bus->control = I2C_STOP; /* after an error too: the next transfer needs a free bus */
    return status;
}

static jl_status spi_put_all(volatile struct template_registers *r, const uint8_t *bytes,
                             size_t count) {
    for (size_t i = 0; i < count; i++) {
        if (!wait_for(&r->status, SPI_CAN_TAKE)) {
            return JL_TIMEOUT;
        }
        r->data = bytes[i];
    }
    /* Idle, not merely empty: D/C changes next, and must not catch the last bit. */
    return wait_for(&r->status, SPI_IDLE) ? JL_OK : JL_TIMEOUT;
}

jl_status template_spi_send(void *context, const struct jl_transfer *t) {
    struct template_hardware *hw = context;
    jl_status status = spi_put_all(hw->bus, t->head, t->head_bytes);
    return status == JL_OK ? spi_put_all(hw->bus, t->body, t->body_bytes) : status;
}

void template_wait_us(void *context, uint32_t microseconds) {
    struct template_hardware *hw = context;
    uint32_t start =
        *hw->microseconds; /* yours: any counter that runs at 1 MHz and wraps at 2^32 */
    while (*hw->microseconds - start <= microseconds) { /* the first tick may be about to come */
    }
}

void template_set_pin(void *context, enum jl_pin pin, bool high) {
    struct template_hardware *hw = context;
    uint32_t bit = pin == JL_PIN_RESET ? hw->reset_bit
                   : pin == JL_PIN_DC  ? hw->dc_bit
                   : pin == JL_PIN_CS  ? hw->cs_bit
                                       : hw->light_bit; /* 0: not wired */
    *hw->outputs = high ? *hw->outputs | bit : *hw->outputs & ~bit;
}

static bool get_pin(void *context, enum jl_pin pin) {
    struct template_hardware *hw = context;
    return pin == JL_PIN_BUSY && hw->busy_bit && (*hw->inputs & hw->busy_bit);
}

const struct jl_port_ops template_i2c_ops = {
    .send = template_i2c_send, .wait_us = template_wait_us, .set_pin = template_set_pin};
const struct jl_port_ops template_spi_ops = {.send = template_spi_send,
                                             .wait_us = template_wait_us,
                                             .set_pin = template_set_pin,
                                             .get_pin = get_pin};
