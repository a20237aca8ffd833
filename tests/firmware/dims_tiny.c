/*
 * Without our library: a white glass (ili9341, 24x8) whose light the ATtiny85's timer 1 dims, at
 * 8 MHz. SPI by bits: clock PB2, D/C PB3, MOSI PB0, or PB1 where PB0 is the light. OUTPUT: 'A' OC1A
 * (PB1), 'B' OC1B (PB4), inverted, 'C' the opposite of OC1A (PB0), 'D' OC1A up to its top, 'E' the
 * timer stands.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

#define WIRES PORTB
enum {
    MOSI = OUTPUT == 'C' ? 1 << PB1 : 1 << PB0,
    SCK = 1 << PB2,
    DC = 1 << PB3,
    CS = 0 /* it is low for ever */
};

static void put(uint8_t byte) {
    for (uint8_t bit = 0x80; bit; bit >>= 1) {
        PORTB = (uint8_t)((PORTB & ~MOSI) | (byte & bit ? MOSI : 0));
        PORTB |= SCK;
        PORTB &= (uint8_t)~SCK;
    }
}

#include "tft.h"

int main(void) {
    PORTB = DC;
    DDRB = DC | SCK | 1 << PB0 | 1 << PB1 | 1 << PB4;
    _delay_ms(130);
    wake();
    draw_bits(0, 0xFFFFFF);
    draw_bits(4, 0xFFFFFF);
    show();
    OCR1C = 199;
    OCR1A = OUTPUT == 'D' ? 199 : 50;
    OCR1B = 50;
    if (OUTPUT == 'B') {
        GTCCR = 1 << PWM1B | 3 << COM1B0;
        TCCR1 = 1 << CS12;
    } else {
        TCCR1 = (uint8_t)(1 << PWM1A | (OUTPUT == 'C' ? 1 : 2) << COM1A0 |
                          (OUTPUT == 'E' ? 0 : 1 << CS12));
    }
    _delay_ms(2);
    cli();
    sleep_mode();
}
