/*
 * Without our library: draws three bytes that the file gives to the EEPROM, then three that it
 * wrote there itself and reads back. The file has fuses and lock bits, too. An ili9341 by SPI of an
 * ATmega328P: MOSI PB3, SCK PB5, CS PB2, D/C PB1, reset PB0.
 */
#include <avr/eeprom.h>
#include <avr/fuse.h>
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/lock.h>
#include <avr/sleep.h>
#include <util/delay.h>

#define WIRES PORTB
enum { RESET = 1 << PB0, DC = 1 << PB1, CS = 1 << PB2, MOSI = 1 << PB3, SCK = 1 << PB5 };

FUSES = {.low = LFUSE_DEFAULT, .high = HFUSE_DEFAULT, .extended = EFUSE_DEFAULT};
LOCKBITS = LB_MODE_1;

static EEMEM uint8_t space[1000] = {1};
static EEMEM uint8_t kept[3] = {0x12, 0x34, 0x56}, written[3] = {0};

static void put(uint8_t byte) {
    SPDR = byte;
    while (!(SPSR & 1 << SPIF)) {
    }
}

#include "tft.h"

static uint32_t read(const uint8_t *from) {
    return (uint32_t)eeprom_read_byte(from) << 16 | (uint32_t)eeprom_read_byte(from + 1) << 8 |
           eeprom_read_byte(from + 2);
}

int main(void) {
    static const uint8_t news[3] = {0xA5, 0x5A, 0x0F};
    PORTB = CS | DC;
    DDRB = RESET | DC | CS | MOSI | SCK;
    SPCR = 1 << SPE | 1 << MSTR | 1 << SPR0;
    _delay_ms(1);
    WIRES |= RESET;
    _delay_ms(130);
    wake();
    for (uint8_t i = 0; i < 3; i++) {
        eeprom_write_byte(&written[i], news[i]);
    }
    eeprom_busy_wait();
    draw_bits(0, read(kept));
    draw_bits(4, eeprom_read_byte(space) == 1 ? read(written) : 0);
    show();
    cli();
    sleep_mode();
}
