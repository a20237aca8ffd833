/*
 * What a port adds for touch, and to read panels: receive(), on I2C and on SPI, and the touch pins.
 * A touch controller gets a jl_port of its own with these operations, since its bus has another
 * clock or address.
 */
#include "template_port.h"

/* Yours: the bits of your bus controller. */
#define I2C_START       0x01u
#define I2C_STOP        0x02u
#define I2C_ACKNOWLEDGE 0x04u /* what comes in; without it the part stops sending */
#define PATIENCE        100000u
#define ARRIVED         0x04u

static bool wait_for_byte(volatile struct template_registers *r) {
    for (uint32_t turn = 0; turn < PATIENCE; turn++) {
        if (r->status & ARRIVED) {
            return true;
        }
    }
    return false;
}

/* Sends what is to be sent, then a repeated START with the read bit, and bytes until the count. */
static jl_status i2c_receive(void *context, const struct jl_transfer *t, uint8_t *bytes,
                             size_t count) {
    struct template_hardware *hw = context;
    jl_status status = JL_OK;
    hw->bus->control = I2C_START;
    if (t->head_bytes + t->body_bytes) {
        status = template_i2c_put_all(hw->bus, t);
        hw->bus->control = I2C_START;
    }
    if (status == JL_OK) {
        status = template_i2c_put(hw->bus, (uint8_t)(t->i2c_address << 1 | 1));
    }
    for (size_t i = 0; i < count && status == JL_OK; i++) {
        hw->bus->control = i + 1 < count ? I2C_ACKNOWLEDGE : 0;
        status = wait_for_byte(hw->bus) ? JL_OK : JL_TIMEOUT;
        bytes[i] = (uint8_t)hw->bus->data;
    }
    hw->bus->control = I2C_STOP;
    return status;
}

/* Sends, then clocks bytes in by sending zeros; what came in while sending is dropped. */
static jl_status spi_receive(void *context, const struct jl_transfer *t, uint8_t *bytes,
                             size_t count) {
    struct template_hardware *hw = context;
    jl_status status = template_spi_send(context, t);
    (void)hw->bus->data;
    for (size_t i = 0; i < count && status == JL_OK; i++) {
        hw->bus->data = 0;
        status = wait_for_byte(hw->bus) ? JL_OK : JL_TIMEOUT;
        bytes[i] = (uint8_t)hw->bus->data;
    }
    return status;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct template_hardware *hw = context;
    uint32_t bit = pin == JL_PIN_TOUCH_RESET ? hw->reset_bit
                   : pin == JL_PIN_TOUCH_CS  ? hw->cs_bit
                                             : 0;
    *hw->outputs = high ? *hw->outputs | bit : *hw->outputs & ~bit;
}

/* The pen line stands where a display's port has BUSY. */
static bool get_pin(void *context, enum jl_pin pin) {
    struct template_hardware *hw = context;
    return pin == JL_PIN_PEN && (*hw->inputs & hw->busy_bit);
}

const struct jl_port_ops template_i2c_touch_ops = {.send = template_i2c_send,
                                                   .receive = i2c_receive,
                                                   .wait_us = template_wait_us,
                                                   .set_pin = set_pin,
                                                   .get_pin = get_pin};
const struct jl_port_ops template_spi_touch_ops = {.send = template_spi_send,
                                                   .receive = spi_receive,
                                                   .wait_us = template_wait_us,
                                                   .set_pin = set_pin,
                                                   .get_pin = get_pin};
