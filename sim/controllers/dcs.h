/*
 * The emulated controllers that follow the MIPI Display Command Set: one machine, described by
 * what the parts' datasheets have differently.
 */
#ifndef JADELAMP_SIM_DCS_H
#define JADELAMP_SIM_DCS_H

#include "../device.h"
#include "jadelamp/sim/emulators.h"

enum { DCS_ARGUMENTS = 128, DCS_KEPT_ARGUMENTS = 5 };

struct dcs_chip;

struct dcs_part {
    int ram_width, ram_height;
    uint8_t lock_after[2]; /* vendor commands need these before; or 0, 0 */
    /* Or they need this one with its keys, one each time, or (third one) all together, until it
     * comes with a closing one; 0: they do not. */
    uint8_t key_command, keys[3], closing_keys[2];
    int command_wait_ms; /* after soft reset and sleep out */
    uint8_t formats;     /* of 3Ah, 1 << (low digit) each */
    bool serial_16_bits; /* takes 5-6-5 over a serial bus */
    /* Outputs that the part mirrors by itself, whatever the address mode. NULL: none. */
    bool (*mirrors_columns)(const struct dcs_chip *chip);
    bool (*mirrors_lines)(const struct dcs_chip *chip);
    /* Whether 5-6-5 pixels come with the low byte first now. NULL: never. */
    bool (*low_byte_first)(const struct dcs_chip *chip);
    uint8_t id[3];        /* what 04h and DAh to DCh read */
    uint8_t vendor_id[3]; /* what D3h reads behind its dummy byte; or 0, 0, 0 */
    /* Scan-out: time of a line, and lines of vertical blanking before the first one. */
    uint64_t (*line_ps)(const struct dcs_chip *chip);
    int (*blank_lines)(const struct dcs_chip *chip);
    /* Lines of blanking at 60 Hz, where both are NULL: the register's formula is not emulated. */
    int blank_at_60_hz;
};

struct dcs_chip {
    int width, height; /* of the RAM as strapped */
    /* registers */
    uint8_t address_mode, pixel_format;
    bool asleep, was_awake, on, was_on, inverted, idle, partial, scrolling, te_on;
    uint8_t all_pixels; /* 22h off, 23h on; 0: as the RAM says */
    int column_start, column_end, page_start, page_end;
    int partial_start, partial_end;
    int scroll_top, scroll_rows, scroll_start;
    uint8_t brightness, light_control;
    uint8_t kept[256][DCS_KEPT_ARGUMENTS]; /* first arguments of the vendor's commands */
    uint8_t kept_count[256];
    uint8_t unlocked; /* how many of lock_after, or of the keys, came */
    /* the stream */
    uint8_t command;
    bool command_known, command_ignored, writing;
    uint8_t arguments[DCS_ARGUMENTS];
    int argument_count, least_arguments, most_arguments;
    uint8_t pixel[3];
    int pixel_bytes;
    int column, page;
    bool window_full, wrapped_reported, asleep_reported;
    bool bytes_judged; /* whether they come in the right order; and how often that was tried */
    uint8_t byte_looks;
    /* what is being read: bits still to come, or the memory */
    uint64_t reply;
    int reply_bits;
    bool reading_memory, dummy_due, answers; /* the command is one that reads */
    uint8_t read_pixel[3];
    int read_bytes; /* of that pixel, still to come */
    /* times */
    bool in_reset, reset_reported;
    uint64_t reset_edge_ps, deaf_until_ps, sleep_out_from_ps, toggled_ps;
    const char *deaf_after;
    bool deaf_reported;
    /* scan-out */
    uint64_t scan_start_ps, scanned_ps;
    /* width * height each: 0x00RRGGBB as shown at full colours; RAM, then what was scanned last */
    uint32_t cells[];
};

/* What all of them do; their facts are a struct dcs_part. */
extern const struct machine jl_sim_dcs_machine;

/* Commands of other families. */
extern const struct stranger jl_sim_dcs_strangers[];

/* Display function control (B6) as ili9341 and ili9488 have it, for mirrors_columns and _lines. */
bool jl_sim_dcs_b6_mirrors_columns(const struct dcs_chip *chip);
bool jl_sim_dcs_b6_mirrors_lines(const struct dcs_chip *chip);

/* Inside the machine: what a command gives to read, and the next 8 bits of it. */
void jl_sim_dcs_read_begin(struct jl_device *device);
uint8_t jl_sim_dcs_read(struct jl_device *device);
uint16_t jl_sim_dcs_read_word(struct jl_device *device);
bool jl_sim_dcs_gives(const struct jl_device *device);

/* How many columns and pages there are, as the address mode has them. */
int jl_sim_dcs_column_limit(const struct dcs_chip *chip);
int jl_sim_dcs_page_limit(const struct dcs_chip *chip);

/* Where a program addresses a place of the RAM now. */
void jl_sim_dcs_address_of(const struct dcs_chip *chip, int x, int y, int *column, int *page);

/* The pixel format that counts on the bus of the device: the low digit of 3Ah. */
unsigned jl_sim_dcs_format(const struct jl_device *device, const struct dcs_part *part);

/* Pixels for the window. */
void jl_sim_dcs_take_pixels(struct jl_device *device, const struct dcs_part *part,
                            const uint8_t *bytes, size_t count);

/* Whether the window that was just written looks as if the bytes of 5-6-5 pixels were exchanged. */
void jl_sim_dcs_judge_bytes(struct jl_device *device, const struct dcs_part *part);

/* The pixel at the address, 0x00RRGGBB; then the address goes on. */
uint32_t jl_sim_dcs_next_pixel(struct jl_device *device);

/* State of a part with such a RAM. */
#define DCS_STATE_BYTES(WIDTH, HEIGHT)                                                             \
    (sizeof(struct dcs_chip) + 2 * sizeof(uint32_t) * (WIDTH) * (HEIGHT))

#endif
