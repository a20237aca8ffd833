/*
 * Without our library: 0.5 s after the start asks a touch controller where the finger is, and draws
 * the bits of it, 12 of x and 12 of y, over rows that are lit if the pen line was high before and
 * is low now. An ili9341 by SPI of an ATmega328P: MOSI PB3, MISO PB4, SCK PB5, CS PB2, D/C PB1,
 * reset PB0. CHIP: an xpt2046 on the same wires, CS PD6; or an ft6x36 on TWI. Pen line PD7.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

#define RESISTIVE  1
#define CAPACITIVE 2

#define WIRES PORTB
enum { RESET = 1 << PB0, DC = 1 << PB1, CS = 1 << PB2, MOSI = 1 << PB3, SCK = 1 << PB5 };
enum { TOUCH_CS = 1 << PD6, PEN = 1 << PD7 };

static uint8_t put(uint8_t byte) {
    SPDR = byte;
    while (!(SPSR & 1 << SPIF)) {
    }
    return SPDR;
}

#include "tft.h"

#if CHIP == RESISTIVE
/* Twelve bits behind the busy one; the first conversion of a channel settles. */
static uint16_t measure(uint8_t control) {
    uint16_t value = 0;
    for (uint8_t i = 0; i < 2; i++) {
        PORTD &= (uint8_t)~TOUCH_CS;
        put(control);
        value = (uint16_t)(put(0) << 8);
        value |= put(0);
        PORTD |= TOUCH_CS;
    }
    return value >> 3;
}

static uint32_t place(void) {
    return (uint32_t)measure(0xD0) << 12 | measure(0x90);
}
#else
static void twi(uint8_t deed) {
    TWCR = (uint8_t)(1 << TWINT | 1 << TWEN | deed);
    while (!(TWCR & 1 << TWINT)) {
    }
}

static void twi_put(uint8_t byte) {
    TWDR = byte;
    twi(0);
}

/* Registers 3 to 6: x and y, four bits above and eight below. */
static uint32_t place(void) {
    uint8_t bytes[4];
    TWBR = 12; /* 400 kHz */
    twi(1 << TWSTA);
    twi_put(0x38 << 1);
    twi_put(3);
    twi(1 << TWSTA);
    twi_put(0x38 << 1 | 1);
    for (uint8_t i = 0; i < 4; i++) {
        twi(i < 3 ? 1 << TWEA : 0);
        bytes[i] = TWDR;
    }
    TWCR = 1 << TWINT | 1 << TWEN | 1 << TWSTO;
    return (uint32_t)((bytes[0] & 0x0F) << 8 | bytes[1]) << 12 |
           (uint32_t)((bytes[2] & 0x0F) << 8 | bytes[3]);
}
#endif

int main(void) {
    PORTB = CS | DC;
    DDRB = RESET | DC | CS | MOSI | SCK;
    PORTD = TOUCH_CS | PEN;
    DDRD = TOUCH_CS;
    SPCR = 1 << SPE | 1 << MSTR | 1 << SPR0; /* 1 MHz: the slower one of both */
    _delay_ms(1);
    WIRES |= RESET;
    _delay_ms(130);
    wake();
    uint8_t before = PIND & PEN;
    _delay_ms(240);
    uint8_t now = PEN; /* capacitive parts pull it for a moment at each report */
    for (uint16_t i = 0; i < 1000 && now; i++) {
        _delay_us(20);
        now = PIND & PEN;
    }
    uint32_t at = place();
    draw_bits(0, at);
    draw_bits(4, before && !now ? 0xFFFFFF : 0);
    show();
    cli();
    sleep_mode();
}
