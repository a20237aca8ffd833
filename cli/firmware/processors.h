/* Processors whose firmware can run: where their registers are and what their pins are. */
#ifndef JADELAMP_CLI_FIRMWARE_PROCESSORS_H
#define JADELAMP_CLI_FIRMWARE_PROCESSORS_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

/* Port A to L by letter, bit 0 to 7; letter 0: none. */
struct pin {
    char port;
    uint8_t bit;
};

/* Of each port, PIN, DDR and PORT follow each other; address of PIN in data space. */
struct port_place {
    char letter;
    uint16_t address;
    uint8_t bits; /* pins that it has, a bit each */
};

/* An output of a timer. Registers in data space. */
struct pwm_pin {
    struct pin pin;
    uint16_t control_a, control_b;
    uint8_t shift; /* of its two bits in control_a */
    uint16_t compare, first_compare;
    uint16_t capture; /* ICRn; 0: a timer of 8 bits */
};

/* An output of the ATtiny's timer 1, whose outputs come in pairs and whose top is a register of its
 * own. */
struct paired_pin {
    struct pin pin;
    uint16_t control; /* PWM1x and COM1x */
    uint16_t compare;
    bool opposite; /* /OC1x */
};

struct part {
    const char *name;
    const char *other_name; /* the same for a program; or NULL */
    uint32_t flash_bytes, eeprom_bytes;
    uint16_t ram_from, ram_until; /* data space; until is not included */
    struct port_place ports[12];
    /* Registers in data space, and interrupt vectors; 0: there is no such part. */
    struct {
        uint16_t spcr, spsr, spdr;
        uint8_t vector;
        struct pin ss, mosi, miso, sck;
    } spi;
    struct {
        uint16_t twbr, twsr, twdr, twcr;
        uint8_t vector;
        struct pin sda, scl;
    } twi;
    struct {
        uint16_t usicr, usisr, usidr, usibr;
        uint8_t vector; /* of overflow */
        struct pin in, out, clock;
    } usi;
    const struct pwm_pin *pwm;       /* until port 0 */
    const struct paired_pin *paired; /* the same; NULL: there are none */
    uint16_t paired_clock, paired_top;
};

/* NULL: not known. Case makes no difference. */
const struct part *part_of_name(const char *name);

/* "atmega328p, ..." into text. */
void part_names(char *text, size_t size);

/* Reads "PB2" into a pin that the part has. */
bool part_pin(const struct part *part, const char *name, struct pin *pin);

/* "PB0 to PB7, PC0 ..." into text. */
void part_pin_names(const struct part *part, char *text, size_t size);

#endif
