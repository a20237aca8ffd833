/* Firmware with a mistake, named by TROUBLE. ATmega328P, an 84x48 LCD on SPI. */
#include <avr/io.h>
#include <util/delay.h>

enum { LOST, DEEP, WILD, SLAVE, WAITS, TOO_FAST };

static volatile uint8_t sink;

__attribute__((noinline)) static void deeper(uint16_t level) {
    volatile uint8_t room[64];
    room[level % 64] = (uint8_t)level;
    if (level) {
        deeper(level - 1);
    }
    sink = room[level % 64];
}

__attribute__((noinline)) static void wait_for_a_bus_that_is_off(void) {
    while (!(SPSR & 1 << SPIF)) {
    }
}

int main(void) {
    DDRB = TROUBLE == SLAVE ? 1 << PB3 | 1 << PB5 : 1 << PB2 | 1 << PB3 | 1 << PB5;
    DDRD = 0x38;
    if (TROUBLE != WAITS) {
        SPCR = 1 << SPE | 1 << MSTR;
    }
    for (uint8_t i = 0; i < 20; i++) {
        SPDR = 0x20;
        if (TROUBLE != TOO_FAST && TROUBLE != SLAVE) {
            wait_for_a_bus_that_is_off();
        }
    }
    if (TROUBLE == DEEP) {
        deeper(60);
    }
    if (TROUBLE == WILD) {
        ((void (*)(void))0x3000)();
    }
    for (;;) {
    }
}
