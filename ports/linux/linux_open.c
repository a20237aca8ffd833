/* Opening the bus and the pins, and words for what can fail. */
#include <errno.h>
#include <fcntl.h>
#include <linux/gpio.h>
#include <linux/spi/spidev.h>
#include <stdio.h>
#include <string.h>

#include "linux_port.h"

/* What failed, and what to do. Always false. */
static bool tell(char *why, size_t size, const char *what) {
    int error = errno;
    const char *advice =
        error == ENOENT ? "switch the bus on in the board's settings; ls /dev shows what there is"
        : error == EACCES || error == EPERM ? "join the group that ls -l names, and log in again"
        : error == EBUSY  ? "something else uses it: another program, or a driver of the kernel"
        : error == ENODEV ? "the driver is there, the device is not: look at the adapter"
        : error == EINVAL ? "it has no such line or speed, or the kernel is older than 5.10"
        : error == ENOTTY ? "this is no bus of that kind"
                          : "look at the path and the device";
    snprintf(why, size, "%s: %s; %s", what, strerror(error), advice);
    return false;
}

/* Requests lines of the chip; the file of the request, or -1. */
static int request(const struct linux_calls *calls, int chip, const int *lines, uint32_t count,
                   uint64_t flags) {
    struct gpio_v2_line_request wanted = {.num_lines = count, .config.flags = flags};
    snprintf(wanted.consumer, sizeof wanted.consumer, "jadelamp");
    for (uint32_t i = 0; i < count; i++) {
        wanted.offsets[i] = (uint32_t)lines[i];
    }
    return calls->ioctl(chip, GPIO_V2_GET_LINE_IOCTL, &wanted) < 0 ? -1 : wanted.fd;
}

static bool open_pins(struct linux_port *context, const struct linux_wiring *wiring) {
    const struct linux_calls *calls = context->calls;
    int lines[3];
    uint32_t count = 0;
    const struct {
        int line, *at;
    } outputs[] = {{wiring->dc, &context->at_dc},
                   {wiring->reset, &context->at_reset},
                   {wiring->cs, &context->at_cs}};
    for (int i = 0; i < 3; i++) {
        if (outputs[i].line >= 0) {
            *outputs[i].at = (int)count;
            lines[count++] = outputs[i].line;
        }
    }
    int chip = calls->open(wiring->gpio, O_RDWR);
    if (chip < 0) {
        return false;
    }
    bool good = true;
    if (count) {
        context->outputs = request(calls, chip, lines, count, GPIO_V2_LINE_FLAG_OUTPUT);
        struct gpio_v2_line_values high = {.bits = 7, .mask = (1u << count) - 1};
        good = context->outputs >= 0 &&
               calls->ioctl(context->outputs, GPIO_V2_LINE_SET_VALUES_IOCTL, &high) >= 0;
    }
    if (good && wiring->busy >= 0) {
        context->inputs = request(calls, chip, &wiring->busy, 1, GPIO_V2_LINE_FLAG_INPUT);
        good = context->inputs >= 0;
    }
    int error = errno; /* closing must not hide it */
    calls->close(chip);
    errno = error;
    return good;
}

/* What spidev takes at once: a module parameter; 4096 where it cannot be read. */
static uint16_t spi_limit(const struct linux_calls *calls) {
    char text[16] = "";
    long limit = 0;
    int file = calls->open("/sys/module/spidev/parameters/bufsiz", O_RDONLY);
    if (file >= 0) {
        long count = calls->read(file, text, sizeof text - 1);
        for (long i = 0; i < count && text[i] >= '0' && text[i] <= '9' && limit < 100000; i++) {
            limit = limit * 10 + (text[i] - '0');
        }
        calls->close(file);
    }
    return (uint16_t)(limit <= 0 ? 4096 : limit > 65535 ? 65535 : limit);
}

bool linux_port_open(struct linux_port *context, const struct linux_wiring *wiring,
                     const struct linux_calls *calls, struct jl_port *port, char *why,
                     size_t why_bytes) {
    bool spi = strstr(wiring->bus, "spi") != NULL;
    *context = (struct linux_port){.calls = calls,
                                   .inputs = -1,
                                   .outputs = -1,
                                   .at_dc = -1,
                                   .at_reset = -1,
                                   .at_cs = -1,
                                   .hz = wiring->hz};
    context->bus = calls->open(wiring->bus, O_RDWR);
    if (context->bus < 0) {
        return tell(why, why_bytes, wiring->bus);
    }
    uint8_t mode = wiring->cs >= 0 ? SPI_MODE_0 | SPI_NO_CS : SPI_MODE_0;
    const char *failed = spi && calls->ioctl(context->bus, SPI_IOC_WR_MODE, &mode) < 0 ? wiring->bus
                         : wiring->gpio && !open_pins(context, wiring) ? wiring->gpio
                                                                       : NULL;
    if (failed) {
        (void)tell(why, why_bytes, failed);
        linux_port_close(context);
        return false;
    }
    *port = (struct jl_port){.ops = spi ? &linux_spi_ops : &linux_i2c_ops,
                             .context = context,
                             .most_body_bytes = spi ? spi_limit(calls) : LINUX_MOST_BYTES - 1,
                             .clock_hz = spi ? wiring->hz : 0};
    return true;
}

void linux_port_close(struct linux_port *context) {
    int files[] = {context->bus, context->outputs, context->inputs};
    for (int i = 0; i < 3; i++) {
        if (files[i] >= 0) {
            context->calls->close(files[i]);
        }
    }
    context->bus = context->outputs = context->inputs = -1;
}
