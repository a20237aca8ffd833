/*
 * Without our library: a squared picture on a 128x64 OLED (ssd1306) by TWI interrupts, while main()
 * sleeps. ATmega328P.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <stdbool.h>

static const uint8_t wake[] = {0x00, 0xAE, 0xA8, 0x3F, 0xD3, 0x00, 0x40, 0xA1,
                               0xC8, 0xDA, 0x12, 0x20, 0x00, 0x21, 0,    127,
                               0x22, 0,    7,    0x8D, 0x14, 0xA4, 0xA6, 0xAF};
static const uint8_t *bytes;
static volatile uint16_t left;
static volatile uint16_t place; /* of the picture */
static volatile bool done;
static bool picture;

static uint8_t next_byte(void) {
    if (!picture) {
        return *bytes++;
    }
    uint16_t at = place++;
    return at == 0 ? 0x40 : ((at - 1) / 128 + (at - 1) % 128 / 8) % 2 ? 0xFF : 0x00;
}

ISR(TWI_vect) {
    switch (TWSR & 0xF8) {
    case 0x08:
        TWDR = 0x3C << 1;
        TWCR = 1 << TWINT | 1 << TWEN | 1 << TWIE;
        break;
    case 0x18:
    case 0x28:
        if (left) {
            left--;
            TWDR = next_byte();
            TWCR = 1 << TWINT | 1 << TWEN | 1 << TWIE;
            break;
        }
        /* fall through */
    default:
        TWCR = 1 << TWINT | 1 << TWEN | 1 << TWSTO;
        done = true;
        break;
    }
}

static void send(uint16_t count) {
    left = count;
    done = false;
    while (TWCR & 1 << TWSTO) {
    }
    TWCR = 1 << TWINT | 1 << TWEN | 1 << TWIE | 1 << TWSTA;
    cli();
    while (!done) {
        sleep_enable();
        sei();
        sleep_cpu();
        cli();
    }
    sei();
}

int main(void) {
    TWBR = (F_CPU / 400000 - 16) / 2;
    sei();
    bytes = wake;
    send(sizeof wake);
    picture = true;
    send(1025);
    for (;;) {
        sleep_mode();
    }
}
