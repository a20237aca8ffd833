/*
 * Without our library: a memory LCD (ls013b7dh03) by SPI of an ATmega328P, the lowest bit first
 * (DORD), selected while high: MOSI PB3, SCK PB5, select PD4. Each line is its number, 16 bytes and
 * 8 bits of nothing. Draws diagonals.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

enum { MOSI = 1 << PB3, SCK = 1 << PB5, SS = 1 << PB2, SELECT = 1 << PD4 };
enum { WRITE = 0x01, LINES = 128 };

static void put(uint8_t byte) {
    SPDR = byte;
    while (!(SPSR & 1 << SPIF)) {
    }
}

int main(void) {
    DDRB = MOSI | SCK | SS; /* or SS would end the master */
    DDRD = SELECT;
    SPCR = 1 << SPE | 1 << MSTR | 1 << DORD | 1 << SPR0; /* 1 MHz */
    _delay_ms(1);
    PORTD |= SELECT;
    _delay_us(6);
    put(WRITE);
    for (uint8_t line = 1; line <= LINES; line++) {
        put(line);
        for (uint8_t i = 0; i < 16; i++) {
            put((uint8_t)(1 << (line - 1) % 8));
        }
        put(0);
    }
    put(0);
    _delay_us(2);
    PORTD &= (uint8_t)~SELECT;
    cli();
    sleep_mode();
}
