/* Commands of the t6963c. Their arguments come in front of them. */
#include "commands.h"

static const struct command t6963c[] = {
    {0x21, 0x21, 2, 2, "cursor pointer", "column {0}, row {1}"},
    {0x22, 0x22, 2, 2, "offset register", "own characters at 800h times {0:4-0}"},
    {0x24, 0x24, 2, 2, "address pointer", "{1x}{0x}h"},
    {0x40, 0x40, 2, 2, "text home address", "{1x}{0x}h"},
    {0x41, 0x41, 2, 2, "text area", "{0} columns"},
    {0x42, 0x42, 2, 2, "graphic home address", "{1x}{0x}h"},
    {0x43, 0x43, 2, 2, "graphic area", "{0} columns"},
    {0x80, 0x8F, 0, 0, "mode set", "{c:2-0|OR|XOR|?|AND|text attributes}, {c:3|own ROM|own RAM}"},
    {0x90, 0x9F, 0, 0, "display mode",
     "graphics {c:3|off|on}, text {c:2|off|on}, cursor {c:1|off|on}, blinking {c:0|off|on}"},
    {0xA0, 0xA7, 0, 0, "cursor pattern", "{c:2-0+1} lines"},
    {0xB0, 0xB0, 0, 0, "auto write", 0},
    {0xB1, 0xB1, 0, 0, "auto read", 0},
    {0xB2, 0xB2, 0, 0, "auto reset", 0},
    {0xC0, 0xC0, 1, 1, "data write, up", 0},
    {0xC1, 0xC1, 0, 0, "data read, up", 0},
    {0xC2, 0xC2, 1, 1, "data write, down", 0},
    {0xC3, 0xC3, 0, 0, "data read, down", 0},
    {0xC4, 0xC4, 1, 1, "data write", 0},
    {0xC5, 0xC5, 0, 0, "data read", 0},
    {0xE0, 0xE0, 0, 0, "screen peek", 0},
    {0xE8, 0xE8, 0, 0, "screen copy", 0},
    {0xF0, 0xFF, 0, 0, "bit set or reset", "bit {c:2-0} {c:3|reset|set}"},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_t6963c_commands = {
    .own = t6963c, .arguments_as_data = true, .arguments_first = true, .writes = {0xB0}};
