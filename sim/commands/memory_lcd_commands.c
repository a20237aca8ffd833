/* Modes of memory LCDs: the first byte of a transaction. */
#include "commands.h"

static const struct command memory_lcd[] = {
    {0x00, 0x1F, 1, 1, "hold", "VCOM low"},
    {0x20, 0x3F, 1, 1, "clear all", "VCOM low"},
    {0x40, 0x5F, 1, 1, "hold", "VCOM high"},
    {0x60, 0x7F, 1, 1, "clear all", "VCOM high"},
    {0x80, 0xBF, 0, 0, "write lines", "VCOM low"},
    {0xC0, 0xFF, 0, 0, "write lines", "VCOM high"},
    END_OF_COMMANDS,
};

const struct command_set jl_sim_memory_lcd_commands = {.own = memory_lcd};
