/*
 * Without our library: two lines on a 16x2 module in 4-bit wiring, with its busy flag read before
 * each byte. ATmega2560: RS PA0, R/W PA1, E PA2, D4 to D7 PA4 to PA7.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

enum { RS = 1 << 0, RW = 1 << 1, E = 1 << 2, LINES = 0xF0 };

static uint16_t asked;

static void pulse(uint8_t nibble, uint8_t rs) {
    PORTA = (uint8_t)(nibble << 4 | rs);
    PORTA |= E;
    _delay_us(1);
    PORTA &= (uint8_t)~E;
    _delay_us(1);
}

static uint8_t is_busy(void) {
    DDRA &= (uint8_t)~LINES;
    PORTA = RW;
    PORTA |= E;
    _delay_us(1);
    uint8_t busy = PINA & 0x80;
    PORTA &= (uint8_t)~E;
    _delay_us(1);
    PORTA |= E; /* the lower half */
    _delay_us(1);
    PORTA &= (uint8_t)~E;
    _delay_us(1);
    PORTA = 0;
    DDRA |= LINES;
    return busy;
}

static void put(uint8_t byte, uint8_t rs) {
    while (is_busy()) {
        asked++;
    }
    pulse(byte >> 4, rs);
    pulse(byte & 0x0F, rs);
}

static void line(const char *text) {
    while (*text) {
        put((uint8_t)*text++, RS);
    }
}

int main(void) {
    DDRA = 0xFF;
    _delay_ms(50);
    pulse(3, 0);
    _delay_ms(5);
    pulse(3, 0);
    _delay_us(150);
    pulse(3, 0);
    _delay_us(50);
    pulse(2, 0);
    _delay_us(50);
    put(0x28, 0);
    put(0x0C, 0);
    put(0x01, 0);
    put(0x06, 0);
    line("Sluice closed");
    put(0xC0, 0);
    line(asked > 100 ? "it was busy" : "never busy");
    cli();
    sleep_mode();
}
