/* Firmware as compilers write it: ELF for AVR, or Intel HEX. */
#ifndef JADELAMP_CLI_FIRMWARE_FILE_H
#define JADELAMP_CLI_FIRMWARE_FILE_H

#include "jadelamp/host/complaint.h"

#include <stddef.h>
#include <stdint.h>

enum {
    FIRMWARE_MOST_FLASH = 262144,
    FIRMWARE_MOST_EEPROM = 4096,
    FIRMWARE_MOST_NAMES = 4096,
    FIRMWARE_NAME = 48,
};

struct firmware {
    uint8_t flash[FIRMWARE_MOST_FLASH];
    uint8_t eeprom[FIRMWARE_MOST_EEPROM];
    uint32_t flash_bytes;  /* up to the last one that the file gives */
    uint32_t eeprom_bytes; /* the same; ELF only */
    uint32_t data_bytes;   /* of RAM that it takes: .data and .bss; ELF only */
    char part_name[40];    /* that the file names; or empty */
    struct firmware_name { /* of functions, by address; ELF only */
        uint32_t from, until;
        char text[FIRMWARE_NAME];
    } names[FIRMWARE_MOST_NAMES];
    size_t name_count;
};

/* False: the complaint says what was read, where, and what would be right. */
bool firmware_read(const char *path, struct firmware *firmware, struct jl_complaint *complaint);

/* The function at an address; NULL: the file names none there. */
const char *firmware_function(const struct firmware *firmware, uint32_t address);

#endif
