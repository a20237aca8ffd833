/* Transfers, pins and waits by system calls. docs/porting.md says what each function must do. */
#include "linux_port.h"

#include <errno.h>
#include <linux/gpio.h>
#include <linux/i2c-dev.h>
#include <linux/i2c.h>
#include <linux/spi/spidev.h>

static jl_status result(int returned) {
    return returned >= 0                          ? JL_OK
           : errno == ENXIO || errno == EREMOTEIO ? JL_NO_ANSWER
           : errno == ETIMEDOUT                   ? JL_TIMEOUT
                                                  : JL_BUS_ERROR;
}

static jl_status i2c(struct linux_port *own, struct i2c_msg *messages, uint32_t count) {
    struct i2c_rdwr_ioctl_data all = {.msgs = messages, .nmsgs = count};
    return result(own->calls->ioctl(own->bus, I2C_RDWR, &all));
}

/* Head and body as one message; the library keeps to most_body_bytes. */
static jl_status gather(struct linux_port *own, const struct jl_transfer *t,
                        struct i2c_msg *message) {
    size_t count = t->head_bytes + t->body_bytes;
    if (count > sizeof own->together) {
        return JL_BUS_ERROR;
    }
    for (size_t i = 0; i < count; i++) {
        own->together[i] = i < t->head_bytes ? t->head[i] : t->body[i - t->head_bytes];
    }
    *message =
        (struct i2c_msg){.addr = t->i2c_address, .len = (uint16_t)count, .buf = own->together};
    return JL_OK;
}

static jl_status send_i2c(void *context, const struct jl_transfer *t) {
    struct linux_port *own = context;
    struct i2c_msg message;
    jl_status status = gather(own, t, &message);
    if (status != JL_OK) {
        return status;
    }
    status = i2c(own, &message, 1);
    if (message.len == 0 && status != JL_OK && errno == EOPNOTSUPP) {
        /* This adapter sends no address alone. To ask who is there a byte is read. */
        message = (struct i2c_msg){
            .addr = t->i2c_address, .flags = I2C_M_RD, .len = 1, .buf = own->together};
        status = i2c(own, &message, 1);
    }
    return status;
}

static jl_status receive_i2c(void *context, const struct jl_transfer *t, uint8_t *bytes,
                             size_t count) {
    struct linux_port *own = context;
    struct i2c_msg messages[2];
    jl_status status = count > LINUX_MOST_BYTES ? JL_BUS_ERROR : gather(own, t, &messages[0]);
    bool alone = t->head_bytes + t->body_bytes == 0;
    messages[1] = (struct i2c_msg){
        .addr = t->i2c_address, .flags = I2C_M_RD, .len = (uint16_t)count, .buf = bytes};
    return status == JL_OK ? i2c(own, messages + alone, 2u - alone) : status;
}

static struct spi_ioc_transfer spi(const struct linux_port *own, const uint8_t *out, uint8_t *in,
                                   size_t count) {
    return (struct spi_ioc_transfer){.tx_buf = (uintptr_t)out,
                                     .rx_buf = (uintptr_t)in,
                                     .len = (uint32_t)count,
                                     .speed_hz = own->hz,
                                     .bits_per_word = 8};
}

static jl_status send_spi(void *context, const struct jl_transfer *t) {
    struct linux_port *own = context;
    struct spi_ioc_transfer transfer = spi(own, t->body, NULL, t->body_bytes);
    return result(own->calls->ioctl(own->bus, SPI_IOC_MESSAGE(1), &transfer));
}

static jl_status receive_spi(void *context, const struct jl_transfer *t, uint8_t *bytes,
                             size_t count) {
    struct linux_port *own = context;
    struct spi_ioc_transfer both[2] = {spi(own, t->body, NULL, t->body_bytes),
                                       spi(own, NULL, bytes, count)};
    bool alone = t->body_bytes == 0;
    return result(
        own->calls->ioctl(own->bus, alone ? SPI_IOC_MESSAGE(1) : SPI_IOC_MESSAGE(2), both + alone));
}

static void wait_us(void *context, uint32_t microseconds) {
    const struct linux_port *own = context;
    own->calls->sleep_us(microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct linux_port *own = context;
    int at = pin == JL_PIN_DC      ? own->at_dc
             : pin == JL_PIN_RESET ? own->at_reset
             : pin == JL_PIN_CS    ? own->at_cs
                                   : -1;
    if (at >= 0) {
        struct gpio_v2_line_values values = {.bits = (uint64_t)high << at, .mask = 1ull << at};
        (void)own->calls->ioctl(own->outputs, GPIO_V2_LINE_SET_VALUES_IOCTL, &values);
    }
}

static bool get_pin(void *context, enum jl_pin pin) {
    struct linux_port *own = context;
    struct gpio_v2_line_values values = {.mask = 1};
    return pin == JL_PIN_BUSY && own->inputs >= 0 &&
           own->calls->ioctl(own->inputs, GPIO_V2_LINE_GET_VALUES_IOCTL, &values) >= 0 &&
           values.bits & 1;
}

const struct jl_port_ops linux_i2c_ops = {.send = send_i2c,
                                          .receive = receive_i2c,
                                          .wait_us = wait_us,
                                          .set_pin = set_pin,
                                          .get_pin = get_pin};
const struct jl_port_ops linux_spi_ops = {.send = send_spi,
                                          .receive = receive_spi,
                                          .wait_us = wait_us,
                                          .set_pin = set_pin,
                                          .get_pin = get_pin};
