/* Commands of st7565, st7567 and uc1701 (st7565 datasheet, table of commands), and of uc1609. */
#include "commands.h"

static const struct command common[] = {
    {0x00, 0x0F, 0, 0, "column, low nibble", "column {c:3-0} and the high nibble"},
    {0x10, 0x1F, 0, 0, "column, high nibble", "column {c:3-0*16} and the low nibble"},
    {0x20, 0x27, 0, 0, "resistor ratio", "{c:2-0} of 7"},
    {0x28, 0x2F, 0, 0, "power control",
     "booster {c:2|off|on}, regulator {c:1|off|on}, follower {c:0|off|on}"},
    {0x40, 0x7F, 0, 0, "start line", "row {c:5-0} of the RAM on top"},
    {0x81, 0x81, 1, 1, "electronic volume", "{0:5-0} of 63"},
    {0xA0, 0xA1, 0, 0, "segment direction", "{c:0|normal|reverse}"},
    {0xA2, 0xA3, 0, 0, "bias", "{c:0|1/9|1/7}"},
    {0xA4, 0xA5, 0, 0, "all points on", "{c:0|shows the RAM|all dots on}"},
    {0xA6, 0xA7, 0, 0, "inverse", "{c:0|1 is dark|0 is dark}"},
    {0xAE, 0xAF, 0, 0, "display off or on", "{c:0|off|on}"},
    {0xB0, 0xB8, 0, 0, "page", "page {c:3-0}"},
    {0xC0, 0xCF, 0, 0, "common direction", "{c:3|normal|reverse}"},
    {0xE0, 0xE0, 0, 0, "read-modify-write", 0},
    {0xE2, 0xE2, 0, 0, "reset", 0},
    {0xE3, 0xE3, 0, 0, "no operation", 0},
    {0xEE, 0xEE, 0, 0, "read-modify-write end", 0},
    {0xF8, 0xF8, 1, 1, "booster ratio", "{0:1-0|2, 3 or 4|5|reserved|6} times"},
    END_OF_COMMANDS,
};

static const struct command st7565[] = {
    {0xAC, 0xAC, 0, 0, "static indicator off", 0},
    {0xAD, 0xAD, 1, 1, "static indicator on", "{0x}"},
    END_OF_COMMANDS,
};

static const struct command st7567[] = {
    {0xFE, 0xFE, 0, 0, "test mode", 0},
    END_OF_COMMANDS,
};

static const struct command uc1701[] = {
    {0xAC, 0xAD, 0, 0, "static indicator", "{c:0|off|on}"},
    {0xFA, 0xFA, 1, 1, "advanced control", "{0x}"},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_st7565_commands = {
    .own = st7565,
    .common = common,
    .soft_reset = 0xE2,
};
const struct command_set jl_sim_st7567_commands = {
    .own = st7567,
    .common = common,
    .soft_reset = 0xE2,
};
const struct command_set jl_sim_uc1701_commands = {
    .own = uc1701,
    .common = common,
    .soft_reset = 0xE2,
};

static const struct command uc1609[] = {
    {0x00, 0x0F, 0, 0, "column, low nibble", "column {c:3-0} and the high nibble"},
    {0x10, 0x1F, 0, 0, "column, high nibble", "column {c:3-0*16} and the low nibble"},
    {0x24, 0x27, 0, 0, "temperature", "{c:1-0} of 3"},
    {0x28, 0x2F, 0, 0, "power control", "{c:2-1|outside|reserved|reserved|charge pump}, {c:0x}"},
    {0x40, 0x7F, 0, 0, "scroll line", "row {c:5-0} of the RAM on top"},
    {0x81, 0x81, 1, 1, "volume", "{0} of 255"},
    {0x88, 0x8F, 0, 0, "address control", "columns {c:0|stop|wrap}"},
    {0xA0, 0xA3, 0, 0, "line rate", "{c:1-0} of 3"},
    {0xA4, 0xA5, 0, 0, "all points on", "{c:0|shows the RAM|all dots on}"},
    {0xA6, 0xA7, 0, 0, "inverse", "{c:0|1 is dark|0 is dark}"},
    {0xAE, 0xAF, 0, 0, "display off or on", "{c:0|off|on}"},
    {0xB0, 0xB8, 0, 0, "page", "page {c:3-0}"},
    {0xC0, 0xC7, 0, 0, "mapping",
     "columns {c:1|as they are|mirrored}, rows {c:2|as they are|mirrored}"},
    {0xE2, 0xE2, 0, 0, "reset", 0},
    {0xE3, 0xE3, 0, 0, "no operation", 0},
    {0xE8, 0xEB, 0, 0, "bias", "{c:1-0|1/6|1/7|1/8|1/9}"},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_uc1609_commands = {.own = uc1609, .soft_reset = 0xE2};
