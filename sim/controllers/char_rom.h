/* Character ROMs as drawn in fonts/: eight rows a code from the top, bit 4 is the left dot. */
#ifndef JADELAMP_SIM_CHAR_ROM_H
#define JADELAMP_SIM_CHAR_ROM_H

#include <stdint.h>

struct char_rom {
    uint8_t rows[256][8];
    uint16_t text[256]; /* the code point that it shows, 0: none */
};

extern const struct char_rom jl_sim_char_rom_a00, jl_sim_char_rom_a02;

/* Half-width characters of the st7920, bit 7 is the left dot; blank where it has none. */
extern const uint8_t jl_sim_char_rom_8x16[128][16];

#endif
