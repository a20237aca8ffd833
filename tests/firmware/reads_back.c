/*
 * Without our library: asks an ili9341 who it is (D3h) and what it stores (2Eh), and draws the bits
 * that came, 24 columns by 4 rows each. WAY: by SPI in two modes, by bits that are read behind or
 * before the edge of the clock, by a USI, by 8 lines, or by three wires, on the one that data go
 * out on.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

#define HARDWARE  1 /* SPI in mode 0 */
#define MODE3     2
#define BEHIND    3 /* bits, read behind the edge that takes them */
#define BEFORE    4
#define LINES     5
#define USI_WIRES 6
#define THREE     7

/* ---- wires ---- */

#if WAY == LINES /* ATmega2560: D0..D7 at port A; WR PC0, RD PC1, CS PC2, D/C PC3, reset PC4 */
#define WIRES PORTC
enum { WR = 1 << PC0, RD = 1 << PC1, CS = 1 << PC2, DC = 1 << PC3, RESET = 1 << PC4 };

static void begin(void) {
    PORTC = WR | RD | CS | DC;
    DDRC = WR | RD | CS | DC | RESET;
    DDRA = 0xFF;
}

static void put(uint8_t byte) {
    DDRA = 0xFF;
    PORTA = byte;
    PORTC &= (uint8_t)~WR;
    PORTC |= WR;
}

static uint8_t get(void) {
    DDRA = 0;
    PORTA = 0;
    PORTC &= (uint8_t)~RD;
    _delay_us(1);
    uint8_t byte = PINA;
    PORTC |= RD;
    return byte;
}

#elif WAY ==                                                                                       \
    USI_WIRES /* ATtiny85: DI PB0, DO PB1, USCK PB2, D/C PB3, reset PB4; CS is low for ever */
#define WIRES PORTB
enum { CS = 0, DC = 1 << PB3, RESET = 1 << PB4 };

static void begin(void) {
    PORTB = DC;
    DDRB = DC | RESET | 1 << PB1 | 1 << PB2;
    USICR = 1 << USIWM0 | 1 << USICS1; /* DO is its own before the first clock */
}

static uint8_t exchange(uint8_t byte) {
    USIDR = byte;
    USISR = 1 << USIOIF;
    while (!(USISR & 1 << USIOIF)) {
        USICR = 1 << USIWM0 | 1 << USICS1 | 1 << USICLK | 1 << USITC;
    }
    return USIDR;
}

static void put(uint8_t byte) {
    exchange(byte);
}

static uint8_t get(void) {
    return exchange(0);
}

#else /* ATmega328P: MOSI PB3, MISO PB4, SCK PB5, CS PB2, D/C PB1, reset PB0 */
#define WIRES PORTB
enum {
    RESET = 1 << PB0,
    DC = 1 << PB1,
    CS = 1 << PB2,
    MOSI = 1 << PB3,
    MISO = 1 << PB4,
    SCK = 1 << PB5
};

static void begin(void) {
    PORTB = CS | DC;
    DDRB = RESET | DC | CS | MOSI | SCK;
#if WAY == HARDWARE
    SPCR = 1 << SPE | 1 << MSTR;
#elif WAY == MODE3
    SPCR = 1 << SPE | 1 << MSTR | 1 << CPOL | 1 << CPHA;
#endif
}

static uint8_t exchange(uint8_t byte) {
#if WAY == HARDWARE || WAY == MODE3
    SPDR = byte;
    while (!(SPSR & 1 << SPIF)) {
    }
    return SPDR;
#else
    uint8_t came = 0;
    for (uint8_t bit = 0x80; bit; bit >>= 1) {
        PORTB = (uint8_t)((PORTB & ~MOSI) | (byte & bit ? MOSI : 0));
        if (WAY == BEFORE && PINB & MISO) {
            came |= bit;
        }
        PORTB |= SCK;
        if (WAY == BEHIND && PINB & MISO) {
            came |= bit;
        }
        PORTB &= (uint8_t)~SCK;
    }
    return came;
#endif
}

#if WAY == THREE /* D/C goes in front of a byte; what tft.h does with its pin says which */
static void put(uint8_t byte) {
    DDRB |= MOSI;
    PORTB = (uint8_t)((PORTB & ~MOSI) | (PORTB & DC ? MOSI : 0));
    PORTB |= SCK;
    PORTB &= (uint8_t)~SCK;
    exchange(byte);
}

static uint8_t get(void) {
    uint8_t came = 0;
    DDRB &= (uint8_t)~MOSI;
    PORTB &= (uint8_t)~MOSI;
    for (uint8_t bit = 0x80; bit; bit >>= 1) {
        if (PINB & MOSI) {
            came |= bit;
        }
        PORTB |= SCK;
        PORTB &= (uint8_t)~SCK;
    }
    return came;
}
#else
static void put(uint8_t byte) {
    exchange(byte);
}

static uint8_t get(void) {
    return exchange(0);
}
#endif
#endif

#include "tft.h"

/* Three bytes behind one that says nothing. */
static uint32_t ask(uint8_t opcode) {
    uint32_t value = 0;
    command(opcode, 0, 0);
    for (uint8_t i = 0; i < 4; i++) {
        value = value << 8 | get();
    }
    end();
    return value & 0xFFFFFF;
}

int main(void) {
    static const uint8_t magenta[] = {0xF8, 0x1F};
    begin();
    _delay_ms(1);
    WIRES |= RESET;
    _delay_ms(130);
    uint32_t id = ask(0xD3);
    wake();
    window(0, 0, 1);
    command(0x2C, magenta, 2);
    end();
    window(0, 0, 1);
    uint32_t stored = ask(0x2E);
    draw_bits(0, id);
    draw_bits(4, stored);
    show();
    cli();
    sleep_mode();
}
