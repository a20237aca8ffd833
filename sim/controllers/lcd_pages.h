/* The emulated LCD controllers with pages of 132 columns: what their datasheets have differently.
 */
#ifndef JADELAMP_SIM_LCD_PAGES_H
#define JADELAMP_SIM_LCD_PAGES_H

#include "../device.h"
#include "jadelamp/sim/emulators.h"

enum { LCD_SEGMENTS = 192, LCD_PAGES = 9 }; /* at most */

struct lcd_pages_part {
    int reset_us; /* least pulse, and wait after it */
    int recovery_us;
    int soft_reset_us;    /* busy after E2 */
    bool full_soft_reset; /* E2 resets all, else addresses, COM direction, ratio and volume */
    int segments;
    bool at_once; /* uc1609: its supply needs no steps, and its commands are its own */
};

struct lcd_pages {
    uint8_t ram[LCD_PAGES][LCD_SEGMENTS];
    uint8_t page, column;
    uint8_t first_column; /* of the data since the last command */
    uint8_t start_line, ratio, volume, power;
    bool segments_reversed, commons_reversed, bias_1_7;
    bool on, was_on, all_on, inverted;
    bool read_modify_write;
    uint8_t column_before;
    uint8_t read_ahead; /* of RAM reads: the byte that the next one brings */
    uint8_t command;
    bool argument_due;
    uint64_t power_changed_ps;
    bool in_reset, reset_reported, recovery_reported, past_reported;
    uint64_t reset_edge_ps, deaf_until_ps;
};

/* What all of them do; their facts are a struct lcd_pages_part. */
extern const struct machine jl_sim_lcd_pages_machine, jl_sim_uc1609_machine;

#endif
