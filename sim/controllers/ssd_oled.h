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

struct oled_command {
    uint8_t first, last; /* opcodes, inclusive */
    uint8_t arguments;
};

struct oled_part {
    int ram_width, ram_height;                         /* pixels */
    int unit_pixels;                                   /* in a column address */
    const struct oled_command *commands;               /* ends with last == 0 */
    const char *no_effect;                             /* opcodes that change nothing here */
    bool arguments_as_data;                            /* with D/C high */
    bool needs_write_opcode;                           /* 5C before pixels */
    bool segment0_right;                               /* on the usual module */
    bool split;                                        /* odd and even COMs on either side */
    uint8_t multiplex_opcode, split_bit, vertical_bit; /* the bits are of A0's first byte */
    uint8_t normal_opcode, all_off_opcode;             /* of A4, A6 */
    uint8_t offset_after_reset;                        /* A2 */
    uint8_t remap_after_reset;                         /* A0 */
    int reset_us, light_ms;                            /* least reset pulse; AF to light */
    uint8_t locked_opcodes[8];                         /* until FD B1; ends with 0 */
    bool needs_master_configuration;                   /* AD 8E */
    /* Bytes of a column address now, and what it holds: one cell a pixel, at segments from `at`. */
    int (*unit_bytes)(const struct oled_chip *chip);
    void (*put_unit)(struct oled_chip *chip, uint32_t *row, int column);
    uint8_t (*brightness)(const struct oled_chip *chip);
};

struct oled_chip {
    /* registers */
    uint8_t remap, start_line, offset, multiplex;
    int column_start, column_end, row_start, row_end, column, row;
    uint8_t mode; /* of A4 .. A7 */
    bool on, was_on, partial, locked, protected_open, master_configured;
    int partial_start, partial_end;
    uint8_t contrast[3], master;
    uint64_t on_since_ps;
    /* the stream */
    struct control control;
    uint8_t command, arguments[OLED_ARGUMENTS];
    int argument_count, arguments_due;
    bool writing, extra_reported, window_full, wrapped_reported;
    uint8_t unit[4];
    int unit_filled;
    /* pins */
    bool in_reset, reset_reported;
    uint64_t reset_edge_ps, deaf_until_ps;
    bool recovery_reported;
    uint32_t cells[]; /* 0x00RRGGBB by row and segment */
};

bool oled_fits(const struct oled_part *part, const struct jl_glass *glass);
void oled_power_on(struct jl_device *device, const struct oled_part *part);
void oled_reset(struct jl_device *device, const struct oled_part *part, bool low);
void oled_write(struct jl_device *device, const struct oled_part *part, const uint8_t *bytes,
                size_t count, bool data);
void oled_write_words(struct jl_device *device, const struct oled_part *part, const uint16_t *words,
                      size_t count, bool data);
bool oled_i2c_begin(struct jl_device *device, const struct oled_part *part);
bool oled_i2c_write(struct jl_device *device, const struct oled_part *part, uint8_t byte);
void oled_show(struct jl_device *device, const struct oled_part *part, struct jl_picture *picture);
const char *oled_why_dark(struct jl_device *device, const struct oled_part *part);

/* A part's callbacks but those of I2C and 16 bits. */
#define OLED_CALLBACKS(PART)                                                                       \
    static bool fits(const struct jl_glass *glass) {                                               \
        return oled_fits(&(PART), glass);                                                          \
    }                                                                                              \
    static void power_on(struct jl_device *device) {                                               \
        oled_power_on(device, &(PART));                                                            \
    }                                                                                              \
    static void reset(struct jl_device *device, bool low) {                                        \
        oled_reset(device, &(PART), low);                                                          \
    }                                                                                              \
    static void write(struct jl_device *device, const uint8_t *bytes, size_t count, bool data) {   \
        oled_write(device, &(PART), bytes, count, data);                                           \
    }                                                                                              \
    static void show(struct jl_device *device, struct jl_picture *picture) {                       \
        oled_show(device, &(PART), picture);                                                       \
    }                                                                                              \
    static uint8_t brightness(struct jl_device *device) {                                          \
        return (PART).brightness(device->state);                                                   \
    }                                                                                              \
    static const char *why_dark(struct jl_device *device) {                                        \
        return oled_why_dark(device, &(PART));                                                     \
    }

#define OLED_WORDS(PART)                                                                           \
    static void write_words(struct jl_device *device, const uint16_t *words, size_t count,         \
                            bool data) {                                                           \
        oled_write_words(device, &(PART), words, count, data);                                     \
    }

#define OLED_STATE_BYTES(WIDTH, HEIGHT)                                                            \
    (sizeof(struct oled_chip) + sizeof(uint32_t) * (WIDTH) * (HEIGHT))

#endif
