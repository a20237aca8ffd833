/*
 * Without our library: diagonals on a 128x32 OLED (ssd1306), bit by bit on two pins that are pulled
 * low or let go, with the pull-ups of the processor. A key turns light and dark over. ATtiny85: SDA
 * PB0, SCL PB2, the key PB3.
 */
#include <avr/io.h>
#include <util/delay.h>

enum { SDA = 1 << PB0, SCL = 1 << PB2, KEY = 1 << PB3 };

static const uint8_t wake[] = {0xAE, 0xA8, 0x1F, 0xDA, 0x02, 0xA1, 0xC8, 0x20, 0x00,
                               0x21, 0,    127,  0x22, 0,    3,    0x8D, 0x14, 0xAF};

static void low(uint8_t pin) {
    PORTB &= (uint8_t)~pin;
    DDRB |= pin;
}

static void release(uint8_t pin) {
    DDRB &= (uint8_t)~pin;
    PORTB |= pin;
}

static void start(void) {
    low(SDA);
    low(SCL);
}

static void stop(void) {
    low(SDA);
    release(SCL);
    _delay_us(1);
    release(SDA);
    _delay_us(1);
}

/* False: nobody acknowledged. */
static uint8_t put(uint8_t byte) {
    for (uint8_t bit = 0; bit < 8; bit++, byte = (uint8_t)(byte << 1)) {
        if (byte & 0x80) {
            release(SDA);
        } else {
            low(SDA);
        }
        release(SCL);
        _delay_us(1);
        low(SCL);
    }
    release(SDA);
    release(SCL);
    _delay_us(1);
    uint8_t taken = !(PINB & SDA);
    low(SCL);
    return taken;
}

static void command(uint8_t byte) {
    start();
    put(0x3C << 1);
    put(0x00);
    put(byte);
    stop();
}

int main(void) {
    uint8_t pressed = 0;
    release(SDA | SCL);
    PORTB |= KEY;
    _delay_ms(10);
    start();
    uint8_t there = put(0x3C << 1);
    stop();
    if (!there) { /* then the glass stays dark */
        for (;;) {
        }
    }
    for (uint8_t i = 0; i < sizeof wake; i++) {
        command(wake[i]);
    }
    start();
    put(0x3C << 1);
    put(0x40);
    for (uint16_t i = 0; i < 512; i++) {
        put((uint8_t)(1 << i % 8));
    }
    stop();
    for (;;) {
        uint8_t now = !(PINB & KEY);
        if (now != pressed) {
            pressed = now;
            command(now ? 0xA7 : 0xA6);
        }
    }
}
