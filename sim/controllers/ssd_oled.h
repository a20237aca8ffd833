/*
 * The emulated grey and colour OLED controllers of one family: one machine, described by what
 * the parts' datasheets have differently.
 */
#ifndef JADELAMP_SIM_SSD_OLED_H
#define JADELAMP_SIM_SSD_OLED_H

#include "../device.h"
#include "control_byte.h"
#include "jadelamp/sim/emulators.h"

enum { OLED_ARGUMENTS = 64 };

struct oled_chip;

/* What the first argument of a command may be. */
struct oled_range {
    uint8_t opcode, least, most;
};

struct oled_part {
    int ram_width, ram_height;       /* pixels */
    int unit_pixels;                 /* in a column address */
    const struct oled_range *ranges; /* ends with opcode == 0 */
    bool arguments_as_data;          /* with D/C high */
    bool needs_write_opcode;         /* 5C before pixels */
    bool segment0_right;             /* on the usual module */
    bool split;                      /* odd and even COMs on either side */
    uint8_t multiplex_opcode, split_bit, vertical_bit, mirror_bit; /* of A0's first byte */
    /* The first COM behind a glass of so many rows, where COMs are remapped from the last one of
     * all; NULL: glass begins at COM 0, and the remap at the last COM that is driven. */
    int (*first_com)(int rows);
    bool has_colors;                       /* and bit 2 of A0 exchanges red and blue: */
    uint8_t red_first;                     /* it is so when pixels begin with red */
    uint8_t normal_opcode, all_off_opcode; /* of A4, A6 */
    uint8_t offset_after_reset;            /* A2 */
    uint8_t remap_after_reset;             /* A0 */
    int reset_us, light_ms;                /* least reset pulse; AF to light */
    uint8_t locked_opcodes[8];             /* until FD B1; ends with 0 */
    bool needs_master_configuration;       /* AD 8E */
    /* Bytes of a column address now, and what it holds: one cell a pixel, at segments from `at`. */
    int (*unit_bytes)(const struct oled_chip *chip);
    void (*put_unit)(struct oled_chip *chip, uint32_t *row, int column);
    /* The other way: what is in the RAM, as the bytes of a column address. */
    void (*get_unit)(const struct oled_chip *chip, const uint32_t *row, int column, uint8_t *bytes);
    uint8_t (*brightness)(const struct oled_chip *chip);
    /* Runs chip->command where only this part has it: drawing, scroll setup. NULL: none. */
    void (*run_own)(struct jl_device *device);
};

/* A scroll by itself: set up by a command that each part has its own way. */
struct oled_scroll {
    bool running;
    int cells_a_step;          /* along a row, above 0 towards higher cells */
    int rows_a_step;           /* of the whole RAM, towards row 0 */
    int first_row, last_row;   /* which move along */
    int first_cell, last_cell; /* and what of them */
    int frames;                /* a step; 0: never set up */
    uint64_t next_ps;
};

struct oled_chip {
    /* registers */
    uint8_t remap, start_line, offset, multiplex;
    int column_start, column_end, row_start, row_end, column, row;
    uint8_t mode; /* of A4 .. A7 */
    bool on, was_on, partial, locked, protected_open, master_configured;
    int partial_start, partial_end;
    uint8_t contrast[3], dim_contrast[3], master;
    bool dimmed;
    bool fills, copies_reversed; /* of drawing commands: 26 */
    uint64_t drawn_ps;           /* when the last one is done */
    struct oled_scroll scroll;
    uint64_t on_since_ps;
    /* the stream */
    struct control control;
    uint8_t command, arguments[OLED_ARGUMENTS];
    int argument_count, arguments_due;
    bool writing, extra_reported, window_full, wrapped_reported;
    uint8_t unit[4];
    int unit_filled;
    uint8_t given[4]; /* of reads */
    int given_count;
    bool reading, dummy_given;
    /* pins */
    bool in_reset, reset_reported;
    uint64_t reset_edge_ps, deaf_until_ps;
    bool recovery_reported;
    uint32_t cells[]; /* 0x00RRGGBB by row and segment */
};

/* What all of them do; their facts are a struct oled_part. */
extern const struct machine jl_sim_oled_machine;

/* Commands of other families. */
extern const struct stranger jl_sim_oled_strangers[];

/*
 * Sets up, starts, tells of writes, and moves the RAM of width x height cells up to the virtual
 * clock. A setup that does not fit is told and leaves the one before.
 */
void jl_sim_oled_scroll_set(struct jl_device *device, const struct oled_scroll *wanted, int width,
                            int height);
void jl_sim_oled_scroll_start(struct jl_device *device);
void jl_sim_oled_scroll_tell_write(struct jl_device *device);
void jl_sim_oled_scroll_catch_up(struct jl_device *device, int width, int height);

#define OLED_STATE_BYTES(WIDTH, HEIGHT)                                                            \
    (sizeof(struct oled_chip) + sizeof(uint32_t) * (WIDTH) * (HEIGHT))

#endif
