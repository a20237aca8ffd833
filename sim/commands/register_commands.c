/* Registers of 16 bits: ili9225 (instruction list). */
#include "commands.h"

static const struct command ili9225[] = {
    {0x01, 0x01, 2, 2, "driver output",
     "sources {0:0|from the first|from the last}, gates {0:1|from the first|from the last}"},
    {0x02, 0x02, 2, 2, "inversion", "{0wx}"},
    {0x03, 0x03, 2, 2, "entry mode",
     "order {0:4|RGB|BGR}, rows count {1:5|up|down}, columns {1:4|to the left|to the right}, "
     "{1:3|a "
     "row|a column} at a time"},
    {0x07, 0x07, 2, 2, "display control",
     "display {1:1-0|off|off|off|on}, gates {1:4|off|on}, {1:2|inverted|as it is}"},
    {0x08, 0x08, 2, 2, "porches", "{0} and {1} lines"},
    {0x0B, 0x0B, 2, 2, "frame cycle", "{0wx}"},
    {0x0C, 0x0C, 2, 2, "RGB interface", "{0wx}"},
    {0x0F, 0x0F, 2, 2, "oscillator", "{0wx}"},
    {0x10, 0x10, 2, 2, "power control 1", "outputs' current {0:3-0}, standby {1:0|off|on}"},
    {0x11, 0x15, 2, 2, "power control", "{0wx}"},
    {0x20, 0x20, 2, 2, "column address", "column {0w}"},
    {0x21, 0x21, 2, 2, "row address", "row {0w}"},
    {0x22, 0x22, 0, 0, "write RAM", 0},
    {0x28, 0x28, 2, 2, "software reset", "{0wx}"},
    {0x30, 0x30, 2, 2, "gate scan", "from gate {1*8}"},
    {0x31, 0x33, 2, 2, "scroll", "{0w}"},
    {0x34, 0x35, 2, 2, "partial picture", "row {0w}"},
    {0x36, 0x36, 2, 2, "last column", "{0w}"},
    {0x37, 0x37, 2, 2, "first column", "{0w}"},
    {0x38, 0x38, 2, 2, "last row", "{0w}"},
    {0x39, 0x39, 2, 2, "first row", "{0w}"},
    {0x50, 0x59, 2, 2, "gamma", "{0wx}"},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_ili9225_commands = {
    .own = ili9225,
    .arguments_as_data = true,
    .index_of_two = true,
    .writes = {0x22},
};
