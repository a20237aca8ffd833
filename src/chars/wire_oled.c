/*
 * ws0010 (instruction table): an hd44780's instructions, and 13h to 1Fh for the supply of its OLED:
 * bit 2 on, bit 3 graphics.
 */
#include "wire_parallel.h"

enum { SUPPLY_ON = 0x17, LONG_US = 6200 };

static jl_status send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                      const uint8_t *data, size_t count) {
    if ((command & 0xFC) == (JL_CHAR_DISPLAY | JL_CHAR_ON)) {
        (void)jl_wire_send_waiting(panel, enables, SUPPLY_ON, NULL, 0); /* pins give no errors */
    }
    return jl_wire_send_waiting(panel, enables, command, data, count);
}

#define OLED(bits)                                                                                 \
    {                                                                                              \
        .eight_bits = (bits) == 8, .long_us = LONG_US, .check = jl_wire_check,                     \
        .rest = jl_wire_rest, .knock = jl_wire_knock, .send = send, .light = jl_wire_light         \
    }

const struct jl_char_wire jl_char_wire_4_oled = OLED(4);
const struct jl_char_wire jl_char_wire_8_oled = OLED(8);
