/* SPI, pins, TWI and waits by polling. docs/porting.md says what each function must do. */
#include "avr_port.h"

#include <avr/io.h>
#include <util/delay.h>

/* PINx and DDRx lie two and one below PORTx (ATmega328P, section 14.4; all parts of the kind). */
enum { TO_INPUTS = -2, TO_DIRECTIONS = -1 };

#ifdef __AVR_ATmega2560__
enum { SPI_OUTPUTS = 1 << PB0 | 1 << PB1 | 1 << PB2 }; /* SS, SCK, MOSI */
#else
enum { SPI_OUTPUTS = 1 << PB2 | 1 << PB5 | 1 << PB3 };
#endif

static void start_pins(const struct avr_wiring *wiring) {
    uint8_t pins = (uint8_t)(wiring->cs | wiring->dc | wiring->reset);
    *wiring->outputs = (uint8_t)(*wiring->outputs | wiring->cs | wiring->reset); /* at rest */
    wiring->outputs[TO_DIRECTIONS] = (uint8_t)(wiring->outputs[TO_DIRECTIONS] | pins);
}

/* Bits of SPR1:0 for F_CPU / 4, / 16 and / 64, and SPI2X to double each (table 19-5). */
void avr_spi_start(const struct avr_wiring *wiring) {
    uint8_t slower = 0; /* halvings of F_CPU / 2 */
    start_pins(wiring);
    DDRB = (uint8_t)(DDRB | SPI_OUTPUTS); /* SS, too: as an input that is low it ends the master */
    while (slower < 6 && F_CPU / 2 >> slower > wiring->spi_hz) {
        slower++;
    }
    SPCR = (uint8_t)(1 << SPE | 1 << MSTR | (slower < 6 ? slower / 2 : 3));
    SPSR = slower < 6 && !(slower & 1) ? 1 << SPI2X : 0;
}

static void spi_put_all(const uint8_t *bytes, size_t count) {
    for (; count; count--) {
        SPDR = *bytes++;
        while (!(SPSR & 1 << SPIF)) { /* the master's own clock: it always ends */
        }
    }
}

static jl_status spi_send(void *context, const struct jl_transfer *t) {
    (void)context;
    spi_put_all(t->head, t->head_bytes);
    spi_put_all(t->body, t->body_bytes);
    return JL_OK;
}

void avr_twi_start(const struct avr_wiring *wiring) {
    start_pins(wiring);
    TWSR = 0;  /* no prescaler */
    TWBR = 12; /* a bit takes 16 + 2 * TWBR cycles: 40 of 16 MHz */
    TWCR = 1 << TWEN;
}

/* Turns of the loop that are clearly too long for nine bits, also of a part that stretches SCL. */
enum { PATIENCE = 10000 };

/* START, an address or a byte, and whether what should have come of it did (table 22-2). */
static jl_status twi_step(uint8_t what, uint8_t wanted, uint8_t or_wanted) {
    TWCR = (uint8_t)(what | 1 << TWINT | 1 << TWEN);
    for (uint16_t turn = 0; turn < PATIENCE; turn++) {
        if (TWCR & 1 << TWINT) {
            uint8_t status = TWSR & 0xF8;
            return status == wanted || status == or_wanted ? JL_OK : JL_NO_ANSWER;
        }
    }
    return JL_TIMEOUT;
}

static jl_status twi_put_all(const uint8_t *bytes, size_t count) {
    jl_status status = JL_OK;
    for (; count && status == JL_OK; count--) {
        TWDR = *bytes++;
        status = twi_step(0, 0x18, 0x28); /* acknowledged: an address, or data */
    }
    return status;
}

static jl_status twi_send(void *context, const struct jl_transfer *t) {
    const uint8_t address = (uint8_t)(t->i2c_address << 1); /* the write bit is 0 */
    (void)context;
    jl_status status = twi_step(1 << TWSTA, 0x08, 0x10);
    if (status == JL_OK) {
        status = twi_put_all(&address, 1);
    }
    if (status == JL_OK) {
        status = twi_put_all(t->head, t->head_bytes);
    }
    if (status == JL_OK) {
        status = twi_put_all(t->body, t->body_bytes);
    }
    TWCR = 1 << TWINT | 1 << TWEN | 1 << TWSTO; /* after an error, too: the bus must be free */
    for (uint16_t turn = 0; turn < PATIENCE && TWCR & 1 << TWSTO; turn++) {
    }
    return status;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    for (; microseconds >= 1000; microseconds -= 1000) {
        _delay_ms(1);
    }
    for (uint16_t left = (uint16_t)microseconds; left; left--) {
        _delay_us(1); /* and what the loop takes */
    }
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    const struct avr_wiring *wiring = context;
    uint8_t bit = pin == JL_PIN_CS      ? wiring->cs
                  : pin == JL_PIN_DC    ? wiring->dc
                  : pin == JL_PIN_RESET ? wiring->reset
                                        : 0;
    *wiring->outputs = (uint8_t)(high ? *wiring->outputs | bit : *wiring->outputs & ~bit);
}

static bool get_pin(void *context, enum jl_pin pin) {
    const struct avr_wiring *wiring = context;
    return pin == JL_PIN_BUSY && (wiring->outputs[TO_INPUTS] & wiring->busy);
}

const struct jl_port_ops avr_spi_ops = {
    .send = spi_send, .wait_us = wait_us, .set_pin = set_pin, .get_pin = get_pin};
/* Without get_pin(): no panel on I2C has a BUSY pin. */
const struct jl_port_ops avr_twi_ops = {.send = twi_send, .wait_us = wait_us, .set_pin = set_pin};
