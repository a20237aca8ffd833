/*
 * Without our library: an ssd1306 on I2C by the USI of an ATtiny85 in two-wire mode
 * (datasheet 15.3.4): the shift register drives SDA, PB0, and the program toggles SCL, PB2, by
 * USITC. Both are pulled low or let go. Draws a checked board of pages.
 */
#include <avr/io.h>
#include <util/delay.h>

enum { SDA = 1 << PB0, SCL = 1 << PB2 };
enum { FLAGS = 1 << USISIF | 1 << USIOIF | 1 << USIPF | 1 << USIDC };
enum { EIGHT_BITS = FLAGS, ONE_BIT = FLAGS | 14 }; /* edges to the overflow: 16, and 2 */

static uint8_t shift(uint8_t flags) {
    const uint8_t toggle = 1 << USIWM1 | 1 << USICS1 | 1 << USICLK | 1 << USITC;
    USISR = flags;
    do {
        _delay_us(2);
        USICR = toggle;
        while (!(PINB & SCL)) { /* a slave may stretch it */
        }
        _delay_us(1);
        USICR = toggle;
    } while (!(USISR & 1 << USIOIF));
    uint8_t came = USIDR;
    USIDR = 0xFF;
    DDRB |= SDA;
    return came;
}

static void start(void) {
    PORTB |= SCL;
    _delay_us(2);
    PORTB &= (uint8_t)~SDA;
    _delay_us(2);
    PORTB &= (uint8_t)~SCL;
    PORTB |= SDA;
}

/* True: nobody answered. */
static uint8_t put(uint8_t byte) {
    PORTB &= (uint8_t)~SCL;
    USIDR = byte;
    shift(EIGHT_BITS);
    DDRB &= (uint8_t)~SDA;
    return shift(ONE_BIT) & 1;
}

static void stop(void) {
    PORTB &= (uint8_t)~SDA;
    PORTB |= SCL;
    _delay_us(2);
    PORTB |= SDA;
    _delay_us(2);
}

static const uint8_t wake[] = {0xAE, 0xA8, 31,   0xDA, 0x02, 0xA1,
                               0xC8, 0x20, 0x00, 0x8D, 0x14, 0xAF};

int main(void) {
    PORTB |= SDA | SCL;
    DDRB |= SDA | SCL;
    USIDR = 0xFF;
    USICR = 1 << USIWM1 | 1 << USICS1 | 1 << USICLK;
    USISR = FLAGS;
    _delay_ms(10);
    start();
    uint8_t refused = put(0x3C << 1);
    put(0x00);
    for (uint8_t i = 0; i < sizeof wake; i++) {
        refused |= put(wake[i]);
    }
    stop();
    start();
    refused |= put(0x3C << 1);
    put(0x40);
    for (uint16_t i = 0; i < 512; i++) {
        put((i / 8 + i / 128) & 1 ? 0xFF : 0x00);
    }
    stop();
    start();
    refused = (uint8_t)(refused | !put(0x3D << 1)); /* nobody is there */
    stop();
    if (refused) {
        start();
        put(0x3C << 1);
        put(0x00);
        put(0xAE); /* then it is dark */
        stop();
    }
    for (;;) {
    }
}
