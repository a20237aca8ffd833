/*
 * A whole port for AVR: SPI and its pins, and TWI (I2C), by polling. For the ATmega328P and the
 * ATmega2560, whose registers have the same names; other parts of the kind need their SPI pins in
 * avr_spi_start(). Wants F_CPU, the clock in Hz, from the compiler's command line.
 */
#ifndef AVR_PORT_H
#define AVR_PORT_H

#include "jadelamp/port.h"

/**
 * Where the panel hangs; the caller's, kept as long as the port is used. The pins of one I/O port,
 * as bits; 0 is not wired.
 */
struct avr_wiring {
    volatile uint8_t *outputs; /**< PORTx; its DDRx and PINx lie just below */
    uint8_t cs, dc, reset, busy;
    uint32_t spi_hz; /**< the panel's fastest clock on SPI; the port takes the next one below */
};

/** Of ports for SPI; their context is a struct avr_wiring. Not from interrupts. */
extern const struct jl_port_ops avr_spi_ops;
/** Of ports for I2C; their context is a struct avr_wiring, of which reset matters. */
extern const struct jl_port_ops avr_twi_ops;

/** SPI as master, mode 0, at F_CPU / 2, / 4 ... / 128 up to spi_hz, and the pins of the wiring as
 * outputs. */
void avr_spi_start(const struct avr_wiring *wiring);

/** TWI at 400 kHz with a clock of 16 MHz, and in proportion with others. */
void avr_twi_start(const struct avr_wiring *wiring);

#endif
