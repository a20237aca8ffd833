/* Which format a file has, and what it names. */
#include "firmware_file.h"

#include <errno.h>
#include <stdio.h>
#include <string.h>

#include "firmware_formats.h"

bool firmware_read(const char *path, struct firmware *firmware, struct jl_complaint *complaint) {
    unsigned char head[4] = {0};
    FILE *in = fopen(path, "rb");
    if (!in) {
        return jl_complain(complaint, "%s: %s", path, strerror(errno));
    }
    size_t count = fread(head, 1, sizeof head, in);
    fclose(in);
    memset(firmware, 0, sizeof *firmware);
    memset(firmware->flash, 0xFF, sizeof firmware->flash);
    memset(firmware->eeprom, 0xFF, sizeof firmware->eeprom);
    if (count == sizeof head && memcmp(head, "\177ELF", sizeof head) == 0) {
        return firmware_read_elf(path, firmware, complaint);
    }
    if (head[0] == ':') {
        return firmware_read_hex(path, firmware, complaint);
    }
    return jl_complain(complaint,
                       "%s: is no firmware: expected an ELF file or Intel HEX, as compilers for "
                       "AVR write them",
                       path);
}

const char *firmware_function(const struct firmware *firmware, uint32_t address) {
    for (size_t i = 0; i < firmware->name_count; i++) {
        if (address >= firmware->names[i].from && address < firmware->names[i].until) {
            return firmware->names[i].text;
        }
    }
    return NULL;
}
