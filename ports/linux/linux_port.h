/*
 * A whole port for Linux, on a small board or through a USB adapter: I2C by i2c-dev, SPI by spidev,
 * pins by the GPIO character device (version 2 of its interface, Linux 5.10 and later).
 */
#ifndef LINUX_PORT_H
#define LINUX_PORT_H

#include "jadelamp/port.h"

/** What the port asks of the kernel, as the system calls of these names; errors in errno. */
struct linux_calls {
    int (*open)(const char *path, int flags);
    int (*ioctl)(int file, unsigned long request, void *argument);
    long (*read)(int file, void *bytes, unsigned long count);
    int (*close)(int file);
    void (*sleep_us)(uint32_t microseconds);
};

/** Of ports for I2C and SPI; linux_port_open() chooses. */
extern const struct jl_port_ops linux_i2c_ops, linux_spi_ops;

/** The kernel that this program runs on. Tests play another one. */
extern const struct linux_calls linux_kernel;

enum { LINUX_NOT_WIRED = -1, LINUX_MOST_BYTES = 4096 };

/** What is where. Paths are not kept after linux_port_open(). */
struct linux_wiring {
    const char *bus;  /**< "/dev/i2c-1" or "/dev/spidev0.0" */
    const char *gpio; /**< "/dev/gpiochip0", or NULL: no pins */
    /**
     * Lines of that chip, or LINUX_NOT_WIRED. Without cs the bus drives its own, which rises behind
     * each transfer: enough to draw, but parts cannot be read so.
     */
    int dc, reset, cs, busy;
    uint32_t hz; /**< of SPI; I2C has the clock that the system gave it */
};

/** The context of the port: the caller's, from linux_port_open() to linux_port_close(). */
struct linux_port {
    const struct linux_calls *calls;
    int bus, outputs, inputs;   /* files; -1: none */
    int at_dc, at_reset, at_cs; /* bits among the outputs; -1: none */
    uint32_t hz;
    uint8_t together[LINUX_MOST_BYTES]; /* head and body: I2C takes them in one piece */
};

/**
 * Opens the bus and the pins, outputs high, and fills in `port`, with this context.
 *
 * @param why the caller's, at least 160 bytes: what failed and what to do, when false is returned
 */
bool linux_port_open(struct linux_port *context, const struct linux_wiring *wiring,
                     const struct linux_calls *calls, struct jl_port *port, char *why,
                     size_t why_bytes);

/** Gives the bus and the pins back. */
void linux_port_close(struct linux_port *context);

#endif
