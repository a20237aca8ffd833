/*
 * What the commands of the emulated controllers are called, how many arguments they take, and how
 * those read: one table a controller, for the machines, for what they report and for whoever
 * explains traffic. The files of this room are data and know nobody.
 */
#ifndef JADELAMP_SIM_COMMANDS_H
#define JADELAMP_SIM_COMMANDS_H

#include <stdbool.h>
#include <stdint.h>

struct command {
    uint8_t first, last; /* opcodes, inclusive */
    uint8_t least, most; /* arguments */
    const char *name;    /* as the datasheet or DCS has it; NULL ends a list */
    /*
     * How it reads, or NULL. In {} stands a value: c for the opcode or the number of an argument, w
     * or l behind it for 16 bits with the high or the low byte first; then, each if wanted, :H-L
     * for bits, *N and +N; then x for hexadecimal, or |words for 0|words for 1 and so on. ANSWER:
     * what comes behind it is read from the part.
     */
    const char *reading;
};

#define ANSWER "<"

struct command_set {
    const struct command *own, *common; /* own ones come first; common: NULL if there are none */
    uint8_t lacks[12];                  /* of the common ones; 0 ends */
    uint8_t soft_reset;                 /* an opcode, or 0: only a pin resets the part */
    bool arguments_as_data;             /* with D/C high, up to `most` of them */
    bool index_of_two;                  /* opcodes have an upper byte in front, which is 0 */
    bool arguments_first;               /* with D/C low, and opcodes behind them with D/C high */
    uint8_t writes[3];                  /* those that pixels follow; 0 ends; else all data are */
    /* A second set, in force after an opcode of `switch_value` under a mask with a bit set. */
    const struct command_set *extended;
    uint8_t switch_mask, switch_value, switch_bit;
};

/* NULL: the set has no such command. */
const struct command *jl_sim_find_command(const struct command_set *set, uint8_t opcode);

#define END_OF_COMMANDS                                                                            \
    { 0, 0, 0, 0, 0, 0 }

extern const struct command_set jl_sim_ssd1305_commands, jl_sim_ssd1306_commands,
    jl_sim_ssd1309_commands, jl_sim_sh1106_commands, jl_sim_ssd0303_commands,
    jl_sim_ssd1315_commands, jl_sim_sh1107_commands;
extern const struct command_set jl_sim_st7565_commands, jl_sim_st7567_commands,
    jl_sim_uc1701_commands, jl_sim_uc1609_commands;
extern const struct command_set jl_sim_ssd1325_commands, jl_sim_ssd1322_commands,
    jl_sim_ssd1327_commands, jl_sim_ssd1331_commands, jl_sim_ssd1351_commands;
extern const struct command_set jl_sim_st7735_commands, jl_sim_st7789_commands,
    jl_sim_ili9341_commands, jl_sim_ili9488_commands, jl_sim_gc9a01_commands,
    jl_sim_st7796_commands, jl_sim_ili9163_commands, jl_sim_gc9107_commands, jl_sim_hx8357_commands;
extern const struct command_set jl_sim_ili9225_commands, jl_sim_memory_lcd_commands,
    jl_sim_t6963c_commands;
extern const struct command_set jl_sim_ssd1680_commands;
extern const struct command_set jl_sim_ks0108_commands, jl_sim_sed1520_commands;
extern const struct command_set jl_sim_ws0010_commands, jl_sim_ws0010_graphics_commands,
    jl_sim_st7036_commands, jl_sim_hd44780_commands, jl_sim_st7920_commands,
    jl_sim_pcd8544_commands;
/* Of parts with one byte for a column, and with two. */
extern const struct command_set jl_sim_uc8151_commands, jl_sim_uc8179_commands;

#endif
