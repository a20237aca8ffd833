/* The start of a program: the wiring, the port, the example; then the processor sleeps. */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>

#include "avr_port.h"
#include "example.h"

#ifdef ON_SPI
#define OPERATIONS avr_spi_ops
#define START      avr_spi_start
#else
#define OPERATIONS avr_twi_ops
#define START      avr_twi_start
#endif

static struct avr_wiring wiring = {
#ifdef PORTE
    .outputs = &PORTE,
#else
    .outputs = &PORTD,
#endif
    .cs = 1 << 3,
    .dc = 1 << 4,
    .reset = 1 << 5,
#ifdef SPI_HZ
    .spi_hz = SPI_HZ,
#else
    .spi_hz = 4000000, /* what nearly all panels take */
#endif
};

int main(void) {
    const struct jl_port port = {.ops = &OPERATIONS, .context = &wiring};
    START(&wiring);
    (void)example_run(&port);
    cli();
    for (;;) {
        sleep_mode();
    }
}
