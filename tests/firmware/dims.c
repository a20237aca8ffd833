/*
 * Without our library: a white glass (ili9341, 24x8) whose light a timer dims. TIMER 0: fast PWM,
 * inverted; 2: phase-correct; 3: of 10 bits; 9: no clock. 100 and more: timer 3 in a waveform of
 * its 16, with a top of 799 where that is set, and 199 to compare; 200 and more: timer 2 in one of
 * its 8, 99 and 24. ATmega2560: SS PB0, SCK PB1, MOSI PB2, D/C PB4, CS PB5, reset PB6; light PG5
 * (OC0B), PH6 (OC2B), PE3 (OC3A), PE4 (OC3B).
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

#define WIRES PORTB
enum {
    SS = 1 << PB0,
    SCK = 1 << PB1,
    MOSI = 1 << PB2,
    DC = 1 << PB4,
    CS = 1 << PB5,
    RESET = 1 << PB6
};

static void put(uint8_t byte) {
    SPDR = byte;
    while (!(SPSR & 1 << SPIF)) {
    }
}

#include "tft.h"

int main(void) {
    PORTB = CS | DC;
    DDRB = SS | RESET | DC | CS | MOSI | SCK;
    DDRG = 1 << PG5;
    DDRH = 1 << PH6;
    DDRE = 1 << PE3 | 1 << PE4;
    SPCR = 1 << SPE | 1 << MSTR;
    _delay_ms(1);
    WIRES |= RESET;
    _delay_ms(130);
    wake();
    draw_bits(0, 0xFFFFFF);
    draw_bits(4, 0xFFFFFF);
    show();
#if TIMER == 0 /* inverted: high for 256 - 192 of 256 */
    OCR0B = 191;
    TCCR0A = 3 << COM0B0 | 1 << WGM01 | 1 << WGM00;
    TCCR0B = 1 << CS01;
#elif TIMER == 2 /* high for 51 of 255 */
    OCR2B = 51;
    TCCR2A = 2 << COM2B0 | 1 << WGM20;
    TCCR2B = 1 << CS21;
#elif TIMER == 3 /* high for 512 of 1024 */
    OCR3A = 511;
    TCCR3A = 2 << COM3A0 | 1 << WGM31 | 1 << WGM30;
    TCCR3B = 1 << WGM32 | 1 << CS31;
#elif TIMER >= 200
    OCR2A = 99;
    OCR2B = 24;
    TCCR2A = 2 << COM2B0 | (TIMER & 3);
    TCCR2B = (TIMER - 200) >> 2 << WGM22 | 1 << CS21;
#elif TIMER >= 100
    ICR3 = 799;
    OCR3A = 799;
    OCR3B = 199;
    TCCR3A = 2 << COM3B0 | (TIMER & 3);
    TCCR3B = (TIMER - 100) >> 2 << WGM32 | 1 << CS31;
#else /* the timer stands: the pin is low as its port is */
    OCR2B = 51;
    TCCR2A = 2 << COM2B0 | 1 << WGM20;
#endif
    _delay_ms(2);
    cli();
    sleep_mode();
}
