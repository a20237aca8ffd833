/* Commands of ks0108 and sed1520, of each of the two behind a glass. */
#include "commands.h"

static const struct command ks0108[] = {
    {0x3E, 0x3F, 0, 0, "display off or on", "{c:0|off|on}"},
    {0x40, 0x7F, 0, 0, "column", "column {c:5-0} of its half"},
    {0xB8, 0xBF, 0, 0, "page", "page {c:2-0}"},
    {0xC0, 0xFF, 0, 0, "start line", "row {c:5-0} of the RAM on top"},
    END_OF_COMMANDS,
};

static const struct command sed1520[] = {
    {0x00, 0x4F, 0, 0, "column", "column {c:6-0} of its half"},
    {0xA0, 0xA1, 0, 0, "column direction", "{c:0|normal|reverse}"},
    {0xA4, 0xA5, 0, 0, "static drive", "{c:0|shows the RAM|all dots on}"},
    {0xA8, 0xA9, 0, 0, "duty", "1/{c:0|16|32}"},
    {0xAE, 0xAF, 0, 0, "display off or on", "{c:0|off|on}"},
    {0xB8, 0xBB, 0, 0, "page", "page {c:1-0}"},
    {0xC0, 0xDF, 0, 0, "start line", "row {c:4-0} of the RAM on top"},
    {0xE0, 0xE0, 0, 0, "read-modify-write", 0},
    {0xE2, 0xE2, 0, 0, "reset", 0},
    {0xEE, 0xEE, 0, 0, "read-modify-write end", 0},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_ks0108_commands = {.own = ks0108};
const struct command_set jl_sim_sed1520_commands = {.own = sed1520, .soft_reset = 0xE2};
