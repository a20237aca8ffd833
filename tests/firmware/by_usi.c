/*
 * Without our library: a frame around a 128x32 OLED (ssd1306) by SPI of the USI, clocked by
 * software strobes. ATtiny85: DO PB1, USCK PB2, CS PB0, D/C PB3, reset PB4.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

enum { CS = 1 << PB0, DC = 1 << PB3, RESET = 1 << PB4 };

static const uint8_t wake[] = {0xAE, 0xA8, 0x1F, 0xDA, 0x02, 0xA1, 0xC8, 0x20, 0x00,
                               0x21, 0,    127,  0x22, 0,    3,    0x8D, 0x14, 0xAF};

static void put(uint8_t byte) {
    USIDR = byte;
    USISR = 1 << USIOIF;
    while (!(USISR & 1 << USIOIF)) {
        USICR = 1 << USIWM0 | 1 << USICS1 | 1 << USICLK | 1 << USITC;
    }
}

int main(void) {
    DDRB = CS | DC | RESET | 1 << PB1 | 1 << PB2;
    PORTB = CS;
    _delay_us(10);
    PINB = RESET; /* a one turns it over: high */
    _delay_us(10);
    PORTB &= (uint8_t)~CS;
    for (uint8_t i = 0; i < sizeof wake; i++) {
        put(wake[i]);
    }
    PORTB |= DC;
    for (uint16_t i = 0; i < 512; i++) {
        uint8_t x = i % 128, page = (uint8_t)(i / 128);
        put(x == 0 || x == 127 ? 0xFF : page == 0 ? 0x01 : page == 3 ? 0x80 : 0);
    }
    PORTB |= CS;
    cli();
    sleep_mode();
}
