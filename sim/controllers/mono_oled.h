/* The emulated 1-bit OLED controllers: what their datasheets have differently. */
#ifndef JADELAMP_SIM_MONO_OLED_H
#define JADELAMP_SIM_MONO_OLED_H

#include "../device.h"
#include "control_byte.h"
#include "jadelamp/sim/emulators.h"

/* Where the panel voltage comes from, unless the glass has one from outside. */
enum mono_oled_supply {
    MONO_OLED_PUMP,      /* 8D 14, counts from AF on */
    MONO_OLED_CONVERTER, /* AD 8B */
    MONO_OLED_OUTSIDE,   /* always */
};

struct mono_oled_part {
    int segments;
    const char *no_effect; /* opcodes that are taken without effect here */
    enum mono_oled_supply supply;
    bool column_stops;   /* no wrapping in page addressing */
    bool fine_deselect;  /* DB has more than three levels */
    bool scroll_columns; /* a scroll takes columns a step where others have a dummy */
    bool pump_after_reset;
    /* Commons run along the columns of the RAM, segments along its pages, and there are 128 of
     * each (sh1107). */
    bool sideways;
    uint8_t contrast_after_reset, clock_after_reset;
    uint8_t reset_us, recovery_us; /* least pulse, and least wait after it */
};

enum { MONO_OLED_SEGMENTS = 132, MONO_OLED_PAGES = 16, MONO_OLED_ARGUMENTS = 6 };

enum addressing { ADDRESS_HORIZONTAL = 0, ADDRESS_VERTICAL = 1, ADDRESS_PAGE = 2 };

struct scroll {
    bool running;
    bool left;
    bool vertical_too;
    uint8_t first_page, last_page;
    uint8_t rows_a_step, columns_a_step;
    int frames_a_step;
    uint64_t next_ps;
    int vertical_shift; /* rows moved so far inside the scroll area */
};

struct mono_oled {
    uint8_t ram[MONO_OLED_PAGES][MONO_OLED_SEGMENTS];
    int segments, pages, lines; /* columns and pages of the RAM; commons */
    /* pointers and windows */
    enum addressing addressing;
    uint8_t column, page;
    uint8_t column_start, column_end, page_start, page_end;
    uint8_t page_mode_column;
    /* geometry */
    uint8_t start_line, offset, multiplex; /* multiplex: rows - 1 */
    bool segment_remap, common_remap;
    bool alternative_pins, swap_sides;
    /* light */
    bool locked, lock_reported;
    bool read_modify_write;
    uint8_t column_before; /* of E0 */
    bool on, was_on, pump_enabled, pump_running, all_on, inverted;
    uint8_t contrast, dim_contrast;
    bool dimmed;
    uint64_t on_since_ps;
    /* timing registers */
    uint8_t clock, precharge;
    /* scroll */
    struct scroll scroll;
    uint8_t fixed_rows, scroll_rows;
    /* the stream */
    uint8_t read_ahead; /* of RAM reads: the byte that the next one brings */
    struct control control;
    uint8_t command, arguments[MONO_OLED_ARGUMENTS];
    uint8_t argument_count, arguments_due;
    /* reset and once-only reports */
    bool in_reset, reset_reported, asleep_reported, scroll_reported, past_reported;
    bool overrun_reported;
    uint64_t reset_edge_ps;
    bool reset_pulsed, recovery_reported;
};

/* What all of them do; their facts are a struct mono_oled_part. */
extern const struct machine jl_sim_mono_oled_machine;
/* The same of parts that are sideways. */
extern const struct machine jl_sim_sideways_oled_machine;

/* Those of ssd1306, which ssd1315 has, too. */
extern const struct mono_oled_part jl_sim_ssd1306_facts;
extern const struct stranger jl_sim_ssd1306_strangers[];

#endif
