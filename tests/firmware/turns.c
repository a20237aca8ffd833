/*
 * Without our library: counts the steps of a knob for 1.2 s, clockwise up and the other way down,
 * and draws the bits of the sum. An ili9341 by SPI of an ATmega328P: MOSI PB3, SCK PB5, CS PB2, D/C
 * PB1, reset PB0. The knob's contacts are PC0 and PC1, which pull low.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

#define WIRES PORTB
enum { RESET = 1 << PB0, DC = 1 << PB1, CS = 1 << PB2, MOSI = 1 << PB3, SCK = 1 << PB5 };
enum { CONTACTS = 1 << PC0 | 1 << PC1 };

static void put(uint8_t byte) {
    SPDR = byte;
    while (!(SPSR & 1 << SPIF)) {
    }
}

#include "tft.h"

/* What follows each pair of contacts, clockwise: the first one closes first. */
static const uint8_t follows[] = {1, 3, 0, 2};

int main(void) {
    uint8_t before = 0;
    int32_t sum = 0;
    PORTB = CS | DC;
    DDRB = RESET | DC | CS | MOSI | SCK;
    PORTC = CONTACTS;
    SPCR = 1 << SPE | 1 << MSTR | 1 << SPR0;
    _delay_ms(1);
    WIRES |= RESET;
    _delay_ms(130);
    wake();
    for (uint16_t i = 0; i < 1900; i++) {
        _delay_us(500);
        uint8_t now = ~PINC & CONTACTS;
        sum += now != before && now == follows[before];
        sum -= now != before && before == follows[now];
        before = now;
    }
    draw_bits(0, (uint32_t)sum);
    draw_bits(4, 0);
    show();
    cli();
    sleep_mode();
}
