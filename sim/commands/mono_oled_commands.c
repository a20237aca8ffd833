/*
 * Commands of ssd1305, ssd1306 (datasheet rev 1.1, table 9-1, and 23h and D6h of later revisions),
 * ssd1309, ssd1315, sh1106, sh1107 and ssd0303.
 */
#include "commands.h"

static const struct command common[] = {
    {0x00, 0x0F, 0, 0, "column start, low nibble", "column {c:3-0} and the high nibble"},
    {0x10, 0x1F, 0, 0, "column start, high nibble", "column {c:3-0*16} and the low nibble"},
    {0x40, 0x7F, 0, 0, "start line", "row {c:5-0} of the RAM on top"},
    {0x81, 0x81, 1, 1, "contrast", "{0} of 255"},
    {0xA0, 0xA1, 0, 0, "segment remap", "column 0 at {c:0|segment 0|the last segment}"},
    {0xA4, 0xA5, 0, 0, "entire display on", "{c:0|shows the RAM|all pixels on}"},
    {0xA6, 0xA7, 0, 0, "inverse display", "{c:0|1 is lit|0 is lit}"},
    {0xA8, 0xA8, 1, 1, "multiplex ratio", "{0+1} rows"},
    {0xAE, 0xAF, 0, 0, "display off or on", "{c:0|off|on}"},
    {0xB0, 0xB7, 0, 0, "page start", "page {c:2-0}"},
    {0xC0, 0xC0, 0, 0, "COM scan direction", "from COM0 up"},
    {0xC8, 0xC8, 0, 0, "COM scan direction", "from the last COM down"},
    {0xD3, 0xD3, 1, 1, "display offset", "{0} rows"},
    {0xD5, 0xD5, 1, 1, "clock", "oscillator {0:7-4} of 15, divided by {0:3-0+1}"},
    {0xD9, 0xD9, 1, 1, "precharge", "phase 1 {0:3-0}, phase 2 {0:7-4} clocks"},
    {0xDA, 0xDA, 1, 1, "COM pins",
     "{0:4|sequential|alternative}, left and right {0:5|as they are|exchanged}"},
    {0xDB, 0xDB, 1, 1, "deselect level", "{0x}"},
    {0xE3, 0xE3, 0, 0, "no operation", 0},
    END_OF_COMMANDS,
};

/* Addressing modes with windows. */
#define WINDOW_COMMANDS                                                                            \
    {0x20, 0x20, 1, 1, "memory addressing mode", "{0:1-0|horizontal|vertical|page|reserved}"},     \
        {0x21, 0x21, 2, 2, "column address", "columns {0} to {1}"}, {                              \
        0x22, 0x22, 2, 2, "page address", "pages {0:2-0} to {1:2-0}"                               \
    }

#define SCROLL_COMMANDS                                                                            \
    {0x26,                                                                                         \
     0x26,                                                                                         \
     6,                                                                                            \
     6,                                                                                            \
     "scroll right",                                                                               \
     "pages {1:2-0} to {3:2-0}, "                                                                  \
     "{2:2-0|5|64|128|256|3|4|25|2} frames a step"},                                               \
        {0x27,                                                                                     \
         0x27,                                                                                     \
         6,                                                                                        \
         6,                                                                                        \
         "scroll left",                                                                            \
         "pages {1:2-0} to {3:2-0}, "                                                              \
         "{2:2-0|5|64|128|256|3|4|25|2} frames a step"},                                           \
        {0x29,                                                                                     \
         0x29,                                                                                     \
         5,                                                                                        \
         5,                                                                                        \
         "scroll up and right",                                                                    \
         "pages {1:2-0} to {3:2-0}, {4:5-0} rows and "                                             \
         "a column each "                                                                          \
         "{2:2-0|5|64|128|256|3|4|25|2} frames"},                                                  \
        {0x2A,                                                                                     \
         0x2A,                                                                                     \
         5,                                                                                        \
         5,                                                                                        \
         "scroll up and left",                                                                     \
         "pages {1:2-0} to {3:2-0}, {4:5-0} rows and a "                                           \
         "column each "                                                                            \
         "{2:2-0|5|64|128|256|3|4|25|2} frames"},                                                  \
        {0x2E, 0x2E, 0, 0, "scroll stop", 0}, {0x2F, 0x2F, 0, 0, "scroll start", 0}, {             \
        0xA3, 0xA3, 2, 2, "vertical scroll area", "{0:5-0} rows fixed, {1:6-0} rows scroll"        \
    }

static const struct command ssd1305[] = {
    WINDOW_COMMANDS,
    {0x26, 0x26, 4, 4, "scroll right",
     "pages {1:2-0} to {3:2-0}, {0} columns each {2:2-0|6|32|64|128|3|4|2|2} frames"},
    {0x27, 0x27, 4, 4, "scroll left",
     "pages {1:2-0} to {3:2-0}, {0} columns each {2:2-0|6|32|64|128|3|4|2|2} frames"},
    {0x29, 0x29, 5, 5, "scroll up and right",
     "pages {1:2-0} to {3:2-0}, {0} columns and {4:5-0} rows a step"},
    {0x2A, 0x2A, 5, 5, "scroll up and left",
     "pages {1:2-0} to {3:2-0}, {0} columns and {4:5-0} rows a step"},
    {0x2E, 0x2E, 0, 0, "scroll stop", 0},
    {0x2F, 0x2F, 0, 0, "scroll start", 0},
    {0x82, 0x82, 1, 1, "brightness of the colour banks", "{0} of 255"},
    {0x91, 0x91, 4, 4, "look-up table of drive pulse widths", 0},
    {0x92, 0x93, 4, 4, "colours of banks", 0},
    {0xA3, 0xA3, 2, 2, "vertical scroll area", "{0:5-0} rows fixed, {1:6-0} rows scroll"},
    {0xAB, 0xAB, 3, 3, "dim mode", "contrast {1}, colour banks {2}"},
    {0xAC, 0xAC, 0, 0, "display on, dim", 0},
    {0xAD, 0xAD, 1, 1, "master configuration", "{0x}"},
    {0xD8, 0xD8, 1, 1, "area colour and low power", "{0x}"},
    {0xE0, 0xE0, 0, 0, "read-modify-write", 0},
    {0xEE, 0xEE, 0, 0, "read-modify-write end", 0},
    END_OF_COMMANDS,
};

static const struct command ssd1306[] = {
    WINDOW_COMMANDS,
    SCROLL_COMMANDS,
    {0x23, 0x23, 1, 1, "fade out and blinking", "{0:5-4|off|reserved|fade out|blink}"},
    {0x8D, 0x8D, 1, 1, "charge pump", "{0:2|off|on}"},
    {0xD6, 0xD6, 1, 1, "zoom", "{0:0|off|on}"},
    END_OF_COMMANDS,
};

static const struct command ssd1309[] = {
    WINDOW_COMMANDS,
    SCROLL_COMMANDS,
    {0xDC, 0xDC, 1, 1, "GPIO", "{0x}"},
    {0xFD, 0xFD, 1, 1, "command lock", "{0:2|unlocked|locked}"},
    END_OF_COMMANDS,
};

static const struct command sh1106[] = {
    {0x30, 0x33, 0, 0, "converter voltage", "step {c:1-0} of 3"},
    {0xAD, 0xAD, 1, 1, "DC-DC converter", "{0:0|off|on}"},
    {0xE0, 0xE0, 0, 0, "read-modify-write", 0},
    {0xEE, 0xEE, 0, 0, "read-modify-write end", 0},
    END_OF_COMMANDS,
};

/* Its table is its own: columns of the RAM are scanned, and pages lie along the segments. */
static const struct command sh1107[] = {
    {0x00, 0x0F, 0, 0, "column start, low nibble", "column {c:3-0} and the high digit"},
    {0x10, 0x17, 0, 0, "column start, high digit", "column {c:2-0*16} and the low nibble"},
    {0x20, 0x21, 0, 0, "memory addressing mode", "{c:0|page|vertical}"},
    {0x81, 0x81, 1, 1, "contrast", "{0} of 255"},
    {0xA0, 0xA1, 0, 0, "segment remap", "row 0 at {c:0|segment 0|the last segment}"},
    {0xA4, 0xA5, 0, 0, "entire display on", "{c:0|shows the RAM|all pixels on}"},
    {0xA6, 0xA7, 0, 0, "inverse display", "{c:0|1 is lit|0 is lit}"},
    {0xA8, 0xA8, 1, 1, "multiplex ratio", "{0+1} columns"},
    {0xAD, 0xAD, 1, 1, "DC-DC converter", "{0:0|off|on}"},
    {0xAE, 0xAF, 0, 0, "display off or on", "{c:0|off|on}"},
    {0xB0, 0xBF, 0, 0, "page start", "page {c:3-0}"},
    {0xC0, 0xC0, 0, 0, "COM scan direction", "from COM0 up"},
    {0xC8, 0xC8, 0, 0, "COM scan direction", "from the last COM down"},
    {0xD3, 0xD3, 1, 1, "display offset", "{0} columns"},
    {0xD5, 0xD5, 1, 1, "clock", "oscillator {0:7-4} of 15, divided by {0:3-0+1}"},
    {0xD9, 0xD9, 1, 1, "precharge", "phase 1 {0:3-0}, phase 2 {0:7-4} clocks"},
    {0xDB, 0xDB, 1, 1, "deselect level", "{0x}"},
    {0xDC, 0xDC, 1, 1, "start line", "column {0} of the RAM first"},
    {0xE0, 0xE0, 0, 0, "read-modify-write", 0},
    {0xE3, 0xE3, 0, 0, "no operation", 0},
    {0xEE, 0xEE, 0, 0, "read-modify-write end", 0},
    END_OF_COMMANDS,
};

static const struct command ssd0303[] = {
    {0xAD, 0xAD, 1, 1, "DC-DC converter", "{0:0|off|on}"},
    {0xD8, 0xD8, 1, 1, "area colour and low power", "{0x}"},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_ssd0303_commands = {.own = ssd0303, .common = common};
const struct command_set jl_sim_ssd1305_commands = {.own = ssd1305, .common = common};
const struct command_set jl_sim_ssd1306_commands = {.own = ssd1306, .common = common};
/* The set of ssd1306, by its sheet; only analogue ranges differ. */
const struct command_set jl_sim_ssd1315_commands = {.own = ssd1306, .common = common};
const struct command_set jl_sim_ssd1309_commands = {.own = ssd1309, .common = common};
const struct command_set jl_sim_sh1106_commands = {.own = sh1106, .common = common};
const struct command_set jl_sim_sh1107_commands = {.own = sh1107};
