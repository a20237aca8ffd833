/* What character ROMs have alike. */
#include "jadelamp/char_wiring.h"

static const struct jl_char_range JL_FLASH ranges[] = {
    {0x0020, 60, 0x20},
    {0x005D, 33, 0x5D},
    {0x00A0, 1, 0x20},
};

const struct jl_char_rom jl_char_rom_ascii = {ranges, sizeof ranges / sizeof ranges[0]};
