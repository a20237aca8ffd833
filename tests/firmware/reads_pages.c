/*
 * Without our library, on a 6800 bus of 8 lines: writes 24 columns to page 0 of an st7565 (128x64),
 * reads them back, and writes what came, with every bit turned around, to page 1. ATmega2560:
 * D0..D7 at port A; E PC0, R/W PC1, CS PC2, A0 PC3, reset PC4.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

enum { E = 1 << PC0, RW = 1 << PC1, CS = 1 << PC2, DATA = 1 << PC3, RESET = 1 << PC4 };
enum { COLUMNS = 24 };

static void put(uint8_t data, uint8_t byte) {
    PORTC = (uint8_t)(RESET | data);
    DDRA = 0xFF;
    PORTA = byte;
    PORTC |= E;
    _delay_us(1);
    PORTC &= (uint8_t)~E;
    PORTC |= CS;
}

static uint8_t get(void) {
    DDRA = 0;
    PORTA = 0;
    PORTC = RESET | DATA | RW;
    PORTC |= E;
    _delay_us(1);
    uint8_t byte = PINA;
    PORTC &= (uint8_t)~E;
    PORTC |= CS;
    return byte;
}

static void go_to(uint8_t page) {
    put(0, (uint8_t)(0xB0 | page));
    put(0, 0x10);
    put(0, 0x00);
}

int main(void) {
    static const uint8_t wake[] = {0xA2, 0xA0, 0xC8, 0x26, 0x81, 0x20, 0x40, 0xA4, 0xA6};
    uint8_t came[COLUMNS];
    PORTC = CS;
    DDRC = E | RW | CS | DATA | RESET;
    _delay_ms(1);
    PORTC |= RESET;
    _delay_ms(2);
    for (uint8_t i = 0; i < sizeof wake; i++) {
        put(0, wake[i]);
    }
    for (uint8_t power = 0x2C; power <= 0x2F; power++) { /* 2D says the same as 2C */
        put(0, power);
        _delay_ms(50);
    }
    for (uint8_t page = 0; page < 9; page++) { /* the icons, too */
        go_to(page);
        for (uint8_t i = 0; i < 132; i++) {
            put(DATA, 0);
        }
    }
    go_to(0);
    for (uint8_t i = 0; i < COLUMNS; i++) {
        put(DATA, (uint8_t)(i * 37 + 11));
    }
    go_to(0);
    get(); /* what stood there before the address */
    for (uint8_t i = 0; i < COLUMNS; i++) {
        came[i] = get();
    }
    go_to(1);
    for (uint8_t i = 0; i < COLUMNS; i++) {
        put(DATA, (uint8_t)~came[i]);
    }
    put(0, 0xAF);
    cli();
    sleep_mode();
}
