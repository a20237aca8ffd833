/*
 * ws0010 (instruction table): an hd44780's instructions, and 13h to 1Fh for the supply of its OLED:
 * bit 2 on, bit 3 graphics.
 */
#include "wire_parallel.h"

enum { SUPPLY_ON = 0x17, LONG_US = 6200 };

#define OLED(bits)                                                                                 \
    {                                                                                              \
        .eight_bits = (bits) == 8, .long_us = LONG_US, .before_on = SUPPLY_ON,                     \
        .check = jl_wire_check, .rest = jl_wire_rest, .knock = jl_wire_knock,                      \
        .send = jl_wire_send_waiting, .light = jl_wire_light                                       \
    }

const struct jl_char_wire jl_char_wire_4_oled = OLED(4);
const struct jl_char_wire jl_char_wire_8_oled = OLED(8);
