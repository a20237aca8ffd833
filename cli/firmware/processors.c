/* ATmega328P datasheet 36 (register summary), 16.1 (vectors), 1 (pins); ATmega640/1280/2560 33, 14,
 * 1; ATtiny25/45/85 23, 9.1, 1. Data addresses. */
#include "processors.h"

#include <ctype.h>
#include <stdio.h>
#include <strings.h>

/* Timers 0 and 2 are where they are in both. */
#define TIMER_0(a, b)                                                                              \
    {a, 0x44, 0x45, 6, 0x47, 0x47, 0}, {                                                           \
        b, 0x44, 0x45, 4, 0x48, 0x47, 0                                                            \
    }
#define TIMER_2(a, b)                                                                              \
    {a, 0xB0, 0xB1, 6, 0xB3, 0xB3, 0}, {                                                           \
        b, 0xB0, 0xB1, 4, 0xB4, 0xB3, 0                                                            \
    }
/* One of 16 bits, from the address of its TCCRnA on. */
#define WIDE(pin, at, shift, compare)                                                              \
    { pin, at, at + 1, shift, at + compare, at + 8, at + 6 }
#define PIN(port, bit)                                                                             \
    { port, bit }

static const struct pwm_pin atmega328p_pwm[] = {TIMER_0(PIN('D', 6), PIN('D', 5)),
                                                TIMER_2(PIN('B', 3), PIN('D', 3)),
                                                WIDE(PIN('B', 1), 0x80, 6, 8),
                                                WIDE(PIN('B', 2), 0x80, 4, 10),
                                                {.pin = PIN(0, 0)}};

static const struct pwm_pin atmega2560_pwm[] = {TIMER_0(PIN('B', 7), PIN('G', 5)),
                                                TIMER_2(PIN('B', 4), PIN('H', 6)),
                                                WIDE(PIN('B', 5), 0x80, 6, 8),
                                                WIDE(PIN('B', 6), 0x80, 4, 10),
                                                WIDE(PIN('B', 7), 0x80, 2, 12),
                                                WIDE(PIN('E', 3), 0x90, 6, 8),
                                                WIDE(PIN('E', 4), 0x90, 4, 10),
                                                WIDE(PIN('E', 5), 0x90, 2, 12),
                                                WIDE(PIN('H', 3), 0xA0, 6, 8),
                                                WIDE(PIN('H', 4), 0xA0, 4, 10),
                                                WIDE(PIN('H', 5), 0xA0, 2, 12),
                                                WIDE(PIN('L', 3), 0x120, 6, 8),
                                                WIDE(PIN('L', 4), 0x120, 4, 10),
                                                WIDE(PIN('L', 5), 0x120, 2, 12),
                                                {.pin = PIN(0, 0)}};

static const struct pwm_pin attiny85_pwm[] = {{PIN('B', 0), 0x4A, 0x53, 6, 0x49, 0x49, 0},
                                              {PIN('B', 1), 0x4A, 0x53, 4, 0x48, 0x49, 0},
                                              {.pin = PIN(0, 0)}};

static const struct paired_pin attiny85_paired[] = {{PIN('B', 1), 0x50, 0x4E, false},
                                                    {PIN('B', 0), 0x50, 0x4E, true},
                                                    {PIN('B', 4), 0x4C, 0x4B, false},
                                                    {PIN('B', 3), 0x4C, 0x4B, true},
                                                    {.pin = PIN(0, 0)}};

static const struct part known[] = {
    {.name = "atmega328p",
     .other_name = "atmega328",
     .flash_bytes = 32768,
     .eeprom_bytes = 1024,
     .ram_from = 0x100,
     .ram_until = 0x900,
     .ports = {{'B', 0x23, 0xFF}, {'C', 0x26, 0x7F}, {'D', 0x29, 0xFF}},
     .spi = {0x4C, 0x4D, 0x4E, 17, {'B', 2}, {'B', 3}, {'B', 4}, {'B', 5}},
     .twi = {0xB8, 0xB9, 0xBB, 0xBC, 24, {'C', 4}, {'C', 5}},
     .pwm = atmega328p_pwm},
    {.name = "atmega2560",
     .flash_bytes = 262144,
     .eeprom_bytes = 4096,
     .ram_from = 0x200,
     .ram_until = 0x2200,
     .ports = {{'A', 0x20, 0xFF},
               {'B', 0x23, 0xFF},
               {'C', 0x26, 0xFF},
               {'D', 0x29, 0xFF},
               {'E', 0x2C, 0xFF},
               {'F', 0x2F, 0xFF},
               {'G', 0x32, 0x3F},
               {'H', 0x100, 0xFF},
               {'J', 0x103, 0xFF},
               {'K', 0x106, 0xFF},
               {'L', 0x109, 0xFF}},
     .spi = {0x4C, 0x4D, 0x4E, 24, {'B', 0}, {'B', 2}, {'B', 3}, {'B', 1}},
     .twi = {0xB8, 0xB9, 0xBB, 0xBC, 39, {'D', 1}, {'D', 0}},
     .pwm = atmega2560_pwm},
    {.name = "attiny85",
     .flash_bytes = 8192,
     .eeprom_bytes = 512,
     .ram_from = 0x60,
     .ram_until = 0x260,
     .ports = {{'B', 0x36, 0x3F}},
     .usi = {0x2D, 0x2E, 0x2F, 0x30, 14, {'B', 0}, {'B', 1}, {'B', 2}},
     .pwm = attiny85_pwm,
     .paired = attiny85_paired,
     .paired_clock = 0x50,
     .paired_top = 0x4D},
};
enum { KNOWN = sizeof known / sizeof known[0] };

const struct part *part_of_name(const char *name) {
    for (size_t i = 0; i < KNOWN; i++) {
        const struct part *part = &known[i];
        if (strcasecmp(part->name, name) == 0 ||
            (part->other_name && strcasecmp(part->other_name, name) == 0)) {
            return part;
        }
    }
    return NULL;
}

void part_names(char *text, size_t size) {
    size_t length = 0;
    for (size_t i = 0; i < KNOWN && length < size; i++) {
        length +=
            (size_t)snprintf(text + length, size - length, "%s%s", i ? ", " : "", known[i].name);
    }
}

bool part_pin(const struct part *part, const char *name, struct pin *pin) {
    if (toupper((unsigned char)name[0]) != 'P' || !name[1] || name[2] < '0' || name[2] > '7' ||
        name[3]) {
        return false;
    }
    *pin = (struct pin){(char)toupper((unsigned char)name[1]), (uint8_t)(name[2] - '0')};
    for (const struct port_place *port = part->ports; port->letter; port++) {
        if (port->letter == pin->port) {
            return port->bits >> pin->bit & 1;
        }
    }
    return false;
}

void part_pin_names(const struct part *part, char *text, size_t size) {
    size_t length = 0;
    for (const struct port_place *port = part->ports; port->letter && length < size; port++) {
        int last = 7;
        while (!(port->bits >> last & 1)) {
            last--;
        }
        length += (size_t)snprintf(text + length, size - length, "%sP%c0 to P%c%d",
                                   length ? ", " : "", port->letter, port->letter, last);
    }
}
