/*
 * Instructions of hd44780 (datasheet table 6), st7920 (instruction sets 1 and 2) and pcd8544
 * (table 1): their highest bit that is set says which.
 */
#include "commands.h"

static const struct command hd44780[] = {
    {0x01, 0x01, 0, 0, "clear display", 0},
    {0x02, 0x03, 0, 0, "return home", 0},
    {0x04, 0x07, 0, 0, "entry mode",
     "address {c:1|counts down|counts up}, display {c:0|stays|shifts}"},
    {0x08, 0x0F, 0, 0, "display control",
     "display {c:2|off|on}, cursor {c:1|off|on}, blinking {c:0|off|on}"},
    {0x10, 0x1F, 0, 0, "shift", "{c:3|cursor|display} to the {c:2|left|right}"},
    {0x20, 0x3F, 0, 0, "function set",
     "{c:4|4|8} data lines, {c:3|one line|two lines}, {c:2|5x8|5x10} dots"},
    {0x40, 0x7F, 0, 0, "CGRAM address", "character {c:5-3}, row {c:2-0}"},
    {0x80, 0xFF, 0, 0, "DDRAM address", "{c:6-0x}"},
    END_OF_COMMANDS,
};

static const struct command ws0010[] = {
    {0x01, 0x01, 0, 0, "clear display", 0},
    {0x02, 0x03, 0, 0, "return home", 0},
    {0x04, 0x07, 0, 0, "entry mode",
     "address {c:1|counts down|counts up}, display {c:0|stays|shifts}"},
    {0x08, 0x0F, 0, 0, "display control",
     "display {c:2|off|on}, cursor {c:1|off|on}, blinking {c:0|off|on}"},
    {0x13, 0x13, 0, 0, "supply", "off, characters"},
    {0x17, 0x17, 0, 0, "supply", "on, characters"},
    {0x1B, 0x1B, 0, 0, "supply", "off, graphics"},
    {0x1F, 0x1F, 0, 0, "supply", "on, graphics"},
    {0x10, 0x1F, 0, 0, "shift", "{c:3|cursor|display} to the {c:2|left|right}"},
    {0x20, 0x3F, 0, 0, "function set",
     "{c:4|4|8} data lines, {c:3|one line|two lines}, ROM {c:1-0}"},
    {0x40, 0x7F, 0, 0, "CGRAM address", "character {c:5-3}, row {c:2-0}"},
    {0x80, 0xFF, 0, 0, "DDRAM address", "{c:6-0x}"},
    END_OF_COMMANDS,
};

/* In graphic mode addresses mean something else; the rest is as above. */
static const struct command ws0010_graphics[] = {
    {0x40, 0x41, 0, 0, "row", "dots {c:0*8} to {c:0*8+7}"},
    {0x80, 0xE3, 0, 0, "column", "column {c:6-0}"},
    END_OF_COMMANDS,
};

/* The first table, and the second one behind function set with a bit 0 of 1. */
static const struct command st7036_second[] = {
    {0x01, 0x01, 0, 0, "clear display", 0},
    {0x02, 0x03, 0, 0, "return home", 0},
    {0x04, 0x07, 0, 0, "entry mode",
     "address {c:1|counts down|counts up}, display {c:0|stays|shifts}"},
    {0x08, 0x0F, 0, 0, "display control",
     "display {c:2|off|on}, cursor {c:1|off|on}, blinking {c:0|off|on}"},
    {0x10, 0x1F, 0, 0, "bias", "{c:3|1/5|1/4}"},
    {0x20, 0x3F, 0, 0, "function set",
     "{c:4|4|8} data lines, {c:3|one line|two lines}, table {c:1-0}"},
    {0x40, 0x4F, 0, 0, "icon address", "{c:3-0}"},
    {0x50, 0x5F, 0, 0, "power",
     "icons {c:3|off|on}, booster {c:2|off|on}, contrast {c:1-0*16} and more"},
    {0x60, 0x6F, 0, 0, "follower", "{c:3|off|on}, ratio {c:2-0} of 7"},
    {0x70, 0x7F, 0, 0, "contrast", "{c:3-0} and its upper bits"},
    {0x80, 0xFF, 0, 0, "DDRAM address", "{c:6-0x}"},
    END_OF_COMMANDS,
};

static const struct command st7920[] = {
    {0x01, 0x01, 0, 0, "clear display", 0},
    {0x02, 0x03, 0, 0, "return home", 0},
    {0x04, 0x07, 0, 0, "entry mode",
     "address {c:1|counts down|counts up}, display {c:0|stays|shifts}"},
    {0x08, 0x0F, 0, 0, "display control",
     "display {c:2|off|on}, cursor {c:1|off|on}, blinking {c:0|off|on}"},
    {0x10, 0x1F, 0, 0, "shift", "{c:3|cursor|display} to the {c:2|left|right}"},
    {0x20, 0x3F, 0, 0, "function set", "{c:4|4|8} data lines, {c:2|basic|extended} set"},
    {0x40, 0x7F, 0, 0, "CGRAM address", "{c:5-0}"},
    {0x80, 0xFF, 0, 0, "DDRAM address", "word {c:4-0}"},
    END_OF_COMMANDS,
};

static const struct command st7920_extended[] = {
    {0x01, 0x01, 0, 0, "standby", 0},
    {0x02, 0x03, 0, 0, "scroll or CGRAM address", "{c:0|CGRAM address|scroll}"},
    {0x04, 0x07, 0, 0, "reverse a line", "line {c:1-0}"},
    {0x08, 0x0F, 0, 0, "sleep", "{c:2|begins|ends}"},
    {0x20, 0x3F, 0, 0, "extended function set",
     "{c:4|4|8} data lines, {c:2|basic|extended} set, graphics {c:1|off|on}"},
    {0x40, 0x7F, 0, 0, "scroll address", "{c:5-0}"},
    {0x80, 0xFF, 0, 0, "GDRAM address", "{c:6-0}, the row first, then the word"},
    END_OF_COMMANDS,
};

static const struct command pcd8544[] = {
    {0x00, 0x00, 0, 0, "no operation", 0},
    {0x08, 0x08, 0, 0, "display control", "blank"},
    {0x09, 0x09, 0, 0, "display control", "all dots on"},
    {0x0C, 0x0C, 0, 0, "display control", "shows the RAM"},
    {0x0D, 0x0D, 0, 0, "display control", "shows the RAM inverted"},
    {0x20, 0x27, 0, 0, "function set",
     "power {c:2|on|down}, {c:1|horizontal|vertical} addressing, {c:0|basic|extended} set"},
    {0x40, 0x47, 0, 0, "Y address", "bank {c:2-0}"},
    {0x80, 0xFF, 0, 0, "X address", "column {c:6-0}"},
    END_OF_COMMANDS,
};

static const struct command pcd8544_extended[] = {
    {0x00, 0x00, 0, 0, "no operation", 0},
    {0x04, 0x07, 0, 0, "temperature coefficient", "{c:1-0} of 3"},
    {0x10, 0x17, 0, 0, "bias", "{c:2-0} of 7"},
    {0x20, 0x27, 0, 0, "function set",
     "power {c:2|on|down}, {c:1|horizontal|vertical} addressing, {c:0|basic|extended} set"},
    {0x80, 0xFF, 0, 0, "Vop", "step {c:6-0} of 127"},
    END_OF_COMMANDS,
};

static const struct command_set st7920_second = {.own = st7920_extended};
static const struct command_set pcd8544_second = {.own = pcd8544_extended};

static const struct command_set st7036_behind = {.own = st7036_second};

const struct command_set jl_sim_hd44780_commands = {.own = hd44780};
const struct command_set jl_sim_ws0010_commands = {.own = ws0010};
const struct command_set jl_sim_ws0010_graphics_commands = {.own = ws0010_graphics,
                                                            .common = ws0010};
const struct command_set jl_sim_st7036_commands = {
    .own = hd44780,
    .extended = &st7036_behind,
    .switch_mask = 0xE0,
    .switch_value = 0x20,
    .switch_bit = 0x01,
};
const struct command_set jl_sim_st7920_commands = {
    .own = st7920,
    .extended = &st7920_second,
    .switch_mask = 0xE0,
    .switch_value = 0x20,
    .switch_bit = 0x04,
};
const struct command_set jl_sim_pcd8544_commands = {
    .own = pcd8544,
    .extended = &pcd8544_second,
    .switch_mask = 0xF8,
    .switch_value = 0x20,
    .switch_bit = 0x01,
};
