/* ATmega328P datasheet 36 (register summary), 16.1 (vectors), 1 (pins); ATmega640/1280/2560 33, 14,
 * 1; ATtiny25/45/85 23, 9.1, 1. Data addresses. */
#include "processors.h"

#include <ctype.h>
#include <stdio.h>
#include <strings.h>

static const struct part known[] = {
    {.name = "atmega328p",
     .other_name = "atmega328",
     .flash_bytes = 32768,
     .ram_from = 0x100,
     .ram_until = 0x900,
     .ports = {{'B', 0x23, 0xFF}, {'C', 0x26, 0x7F}, {'D', 0x29, 0xFF}},
     .spi = {0x4C, 0x4D, 0x4E, 17, {'B', 2}, {'B', 3}, {'B', 4}, {'B', 5}},
     .twi = {0xB8, 0xB9, 0xBB, 0xBC, 24, {'C', 4}, {'C', 5}}},
    {.name = "atmega2560",
     .flash_bytes = 262144,
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
     .twi = {0xB8, 0xB9, 0xBB, 0xBC, 39, {'D', 1}, {'D', 0}}},
    {.name = "attiny85",
     .flash_bytes = 8192,
     .ram_from = 0x60,
     .ram_until = 0x260,
     .ports = {{'B', 0x36, 0x3F}},
     .usi = {0x2D, 0x2E, 0x2F, 0x30, 14, {'B', 0}, {'B', 1}, {'B', 2}}},
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
