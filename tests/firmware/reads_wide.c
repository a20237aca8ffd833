/*
 * Without our library: an ili9341 on 16 lines says who it is (D3h), on D7..D0, and what it stores
 * (2Eh), on all of them. It is drawn in 24 columns: rows 0 and 1 the identity, 2 to 4 and 5 to 7 a
 * pixel each. ATmega2560: D0..D7 at port A,
 * D8..D15 at L; WR PC0, RD PC1, CS PC2, D/C PC3, reset PC4.
 */
#include <avr/interrupt.h>
#include <avr/io.h>
#include <avr/sleep.h>
#include <util/delay.h>

enum { WR = 1 << PC0, RD = 1 << PC1, CS = 1 << PC2, DC = 1 << PC3, RESET = 1 << PC4 };

static void put(uint16_t word) {
    DDRA = DDRL = 0xFF;
    PORTA = (uint8_t)word;
    PORTL = (uint8_t)(word >> 8);
    PORTC &= (uint8_t)~WR;
    PORTC |= WR;
}

static uint16_t get(void) {
    DDRA = DDRL = 0;
    PORTA = PORTL = 0;
    PORTC &= (uint8_t)~RD;
    _delay_us(1);
    uint16_t word = (uint16_t)(PINL << 8 | PINA);
    PORTC |= RD;
    return word;
}

static void command(uint8_t opcode) {
    PORTC |= CS;
    PORTC &= (uint8_t) ~(CS | DC);
    put(opcode);
    PORTC |= DC;
}

static void window(uint8_t top, uint8_t last_column) {
    const uint8_t places[] = {0, 0, 0, last_column, 0, top, 0, 7};
    for (uint8_t i = 0; i < 8; i++) {
        if (!(i & 3)) {
            command(i ? 0x2B : 0x2A);
        }
        put(places[i]);
    }
}

/* From a row on, down to the last one. */
static void draw_bits(uint8_t top, uint32_t bits) {
    window(top, 23);
    command(0x2C);
    for (uint8_t i = 0; i < (8 - top) * 24; i++) {
        put(bits >> (23 - i % 24) & 1 ? 0xFFFF : 0);
    }
}

int main(void) {
    uint16_t words[4];
    uint32_t id = 0;
    PORTC = WR | RD | CS | DC;
    DDRC = WR | RD | CS | DC | RESET;
    _delay_ms(1);
    PORTC |= RESET;
    _delay_ms(130);
    command(0xD3);
    for (uint8_t i = 0; i < 4; i++) {
        id = id << 8 | get();
    }
    command(0x11);
    _delay_ms(120);
    command(0x3A);
    put(0x55);
    window(0, 0);
    command(0x2C);
    put(0xFD40); /* in 6 bits each: FC A8 00, and FC 54 00 below */
    put(0xFAA0);
    window(0, 0);
    command(0x2E);
    for (uint8_t i = 0; i < 4; i++) {
        words[i] = get();
    }
    draw_bits(0, id & 0xFFFFFF); /* red and green, blue and red, green and blue: */
    draw_bits(2, (uint32_t)words[1] << 8 | words[2] >> 8);
    draw_bits(5, (uint32_t)(words[2] & 0xFF) << 16 | words[3]);
    command(0x29);
    PORTC |= CS;
    cli();
    sleep_mode();
}
