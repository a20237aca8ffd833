/*
 * Runs an example on the bus that the command line names.
 * usage: PROGRAM /dev/i2c-1
 *        PROGRAM /dev/spidev0.0 /dev/gpiochip0 DC RESET [HZ]     (lines of the chip)
 */
#include <stdio.h>
#include <stdlib.h>

#include "example.h"
#include "linux_port.h"

/* A whole number up to a limit, or -1. */
static long number(const char *text, long most) {
    char *end;
    long value = strtol(text, &end, 10);
    return end != text && *end == '\0' && value >= 0 && value <= most ? value : -1;
}

int main(int argc, char **argv) {
    static struct linux_port context;
    struct linux_wiring wiring = {.dc = LINUX_NOT_WIRED,
                                  .reset = LINUX_NOT_WIRED,
                                  .cs = LINUX_NOT_WIRED,
                                  .busy = LINUX_NOT_WIRED,
                                  .hz = 8000000};
    bool good = argc == 2 || argc == 5 || argc == 6;
    if (good && argc > 2) {
        wiring.gpio = argv[2];
        wiring.dc = (int)number(argv[3], 1023);
        wiring.reset = (int)number(argv[4], 1023);
        long hz = argc > 5 ? number(argv[5], 100000000) : 8000000;
        wiring.hz = (uint32_t)hz;
        good = wiring.dc >= 0 && wiring.reset >= 0 && hz > 0;
    }
    if (!good) {
        fprintf(stderr,
                "usage: %s BUS [GPIOCHIP DC RESET [HZ]], such as /dev/i2c-1, or\n"
                "       /dev/spidev0.0 /dev/gpiochip0 25 24 8000000\n",
                argv[0]);
        return 2;
    }
    struct jl_port port;
    char why[160];
    wiring.bus = argv[1];
    if (!linux_port_open(&context, &wiring, &linux_kernel, &port, why, sizeof why)) {
        fprintf(stderr, "%s\n", why);
        return 1;
    }
    jl_status status = example_run(&port);
    linux_port_close(&context);
    printf("%s\n", jl_status_text(status));
    return status == JL_OK ? 0 : 1;
}
