/*
 * The memory of the emulated MIPI DCS parts: where a column and a page lie in it, and pixels of
 * every depth on their way in and out.
 */
#include "dcs.h"

#include <stdlib.h>

enum { MODE_MY = 0x80, MODE_MX = 0x40, MODE_MV = 0x20 };

int jl_sim_dcs_column_limit(const struct dcs_chip *chip) {
    return chip->address_mode & MODE_MV ? chip->height : chip->width;
}

int jl_sim_dcs_page_limit(const struct dcs_chip *chip) {
    return chip->address_mode & MODE_MV ? chip->width : chip->height;
}

/* Where a column and a page lie in the RAM. */
static size_t cell_of(const struct dcs_chip *chip, int column, int page) {
    int x = chip->address_mode & MODE_MV ? page : column;
    int y = chip->address_mode & MODE_MV ? column : page;
    x = chip->address_mode & MODE_MX ? chip->width - 1 - x : x;
    y = chip->address_mode & MODE_MY ? chip->height - 1 - y : y;
    return (size_t)y * (size_t)chip->width + (size_t)x;
}

void jl_sim_dcs_address_of(const struct dcs_chip *chip, int x, int y, int *column, int *page) {
    x = chip->address_mode & MODE_MX ? chip->width - 1 - x : x;
    y = chip->address_mode & MODE_MY ? chip->height - 1 - y : y;
    *column = chip->address_mode & MODE_MV ? y : x;
    *page = chip->address_mode & MODE_MV ? x : y;
}

/* Second argument: SS mirrors the sources, GS the gates. */
bool jl_sim_dcs_b6_mirrors_columns(const struct dcs_chip *chip) {
    return chip->kept_count[0xB6] >= 2 && chip->kept[0xB6][1] & 0x20;
}

bool jl_sim_dcs_b6_mirrors_lines(const struct dcs_chip *chip) {
    return chip->kept_count[0xB6] >= 2 && chip->kept[0xB6][1] & 0x40;
}

/* How far apart neighbours along a column range are. */
static long column_step(const struct dcs_chip *chip) {
    if (chip->address_mode & MODE_MV) {
        return chip->address_mode & MODE_MY ? -chip->width : chip->width;
    }
    return chip->address_mode & MODE_MX ? -1 : 1;
}

/* To the next pixel of the window. */
static void advance(struct dcs_chip *chip) {
    if (chip->column++ == chip->column_end) {
        chip->column = chip->column_start;
        chip->window_full = chip->page == chip->page_end;
        chip->page = chip->window_full ? chip->page_start : chip->page + 1;
    }
}

static void put_pixel(struct jl_device *device, uint32_t color) {
    struct dcs_chip *chip = device->state;
    if (chip->window_full) {
        chip->window_full = false;
        if (!chip->wrapped_reported) {
            chip->wrapped_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_WINDOW_WRAPS,
                                 "more pixels than the window holds: writing goes on at its start");
        }
    }
    if (chip->column < jl_sim_dcs_column_limit(chip) && chip->page < jl_sim_dcs_page_limit(chip)) {
        uint32_t *cell = &chip->cells[cell_of(chip, chip->column, chip->page)];
        jl_sim_stored(device, 1, *cell != color);
        *cell = color;
    }
    advance(chip);
}

uint32_t jl_sim_dcs_next_pixel(struct jl_device *device) {
    struct dcs_chip *chip = device->state;
    bool inside =
        chip->column < jl_sim_dcs_column_limit(chip) && chip->page < jl_sim_dcs_page_limit(chip);
    uint32_t color = inside ? chip->cells[cell_of(chip, chip->column, chip->page)] : 0;
    advance(chip);
    return color;
}

/* Most of all traffic: worth being part of its loop. */
static inline uint32_t from_565(unsigned high, unsigned low) {
    unsigned v = high << 8 | low;
    unsigned r = v >> 11, g = v >> 5 & 63, b = v & 31;
    return (uint32_t)(r << 3 | r >> 2) << 16 | (uint32_t)(g << 2 | g >> 4) << 8 | (b << 3 | b >> 2);
}

static uint32_t from_666(const uint8_t *bytes) {
    uint32_t color = 0;
    for (int i = 0; i < 3; i++) {
        unsigned v = bytes[i] >> 2;
        color = color << 8 | (v << 2 | v >> 4);
    }
    return color;
}

static uint32_t from_444(unsigned r, unsigned g, unsigned b) {
    return (r * 17) << 16 | (g * 17) << 8 | b * 17;
}

static uint32_t from_111(unsigned bits) {
    return (bits & 4 ? 0xFF0000u : 0) | (bits & 2 ? 0xFF00u : 0) | (bits & 1 ? 0xFFu : 0);
}

/* Bytes that make whole pixels: 2 pixels in 3 bytes of 4-4-4, 2 in a byte of 1-1-1. */
static int group_bytes(unsigned format) {
    return format == 5 ? 2 : format == 1 ? 1 : 3;
}

static void put_group(struct jl_device *device, unsigned format, const uint8_t *b) {
    switch (format) {
    case 1:
        put_pixel(device, from_111(b[0] >> 3));
        put_pixel(device, from_111(b[0]));
        break;
    case 3:
        put_pixel(device, from_444(b[0] >> 4, b[0] & 15, b[1] >> 4));
        put_pixel(device, from_444(b[1] & 15, b[2] >> 4, b[2] & 15));
        break;
    case 5:
        put_pixel(device, from_565(b[0], b[1]));
        break;
    default:
        put_pixel(device, from_666(b));
        break;
    }
}

/* The pixel format in force: ili9488-like parts have no 16 bits on a serial bus. */
unsigned jl_sim_dcs_format(const struct jl_device *device, const struct dcs_part *part) {
    const struct dcs_chip *chip = device->state;
    unsigned format = chip->pixel_format & 7;
    return format == 5 && jl_sim_device_is_serial(device) && !part->serial_16_bits ? 6 : format;
}

/* As many 5-6-5 pixels as go into the present line of the window; most of all traffic. */
static size_t put_run_565(struct jl_device *device, const uint8_t *bytes, size_t count) {
    struct dcs_chip *chip = device->state;
    size_t anew = 0;
    int room = chip->column_end - chip->column + 1;
    if (chip->column_end >= jl_sim_dcs_column_limit(chip) ||
        chip->page >= jl_sim_dcs_page_limit(chip) || room < 1 || chip->window_full) {
        return 0;
    }
    size_t pixels = count / 2;
    pixels = pixels < (size_t)room - 1 ? pixels : (size_t)room - 1; /* not the one that wraps */
    long step = column_step(chip);
    uint32_t *cell = &chip->cells[cell_of(chip, chip->column, chip->page)];
    for (size_t i = 0; i < pixels; i++, cell += step) {
        uint32_t color = from_565(bytes[2 * i], bytes[2 * i + 1]);
        anew += *cell != color;
        *cell = color;
    }
    chip->column += (int)pixels;
    jl_sim_stored(device, pixels, anew);
    return pixels * 2;
}

void jl_sim_dcs_take_pixels(struct jl_device *device, const struct dcs_part *part,
                            const uint8_t *bytes, size_t count) {
    struct dcs_chip *chip = device->state;
    unsigned format = jl_sim_dcs_format(device, part);
    int group = group_bytes(format);
    if (chip->asleep && !chip->asleep_reported) {
        chip->asleep_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_ASLEEP,
            "memory is written while the controller sleeps: nothing shows until 11 "
            "(exit_sleep_mode) and 29 (set_display_on)");
    }
    bool swapped = format == 5 && part->low_byte_first && part->low_byte_first(chip);
    for (size_t all = count; count;) {
        if (format == 5 && chip->pixel_bytes == 0 && !swapped) {
            size_t used = put_run_565(device, bytes, count);
            bytes += used;
            count -= used;
            if (!count) {
                break;
            }
        }
        device->at = all - count;
        chip->pixel[chip->pixel_bytes++] = *bytes++;
        count--;
        if (chip->pixel_bytes == group) {
            const uint8_t other[2] = {chip->pixel[1], chip->pixel[0]};
            chip->pixel_bytes = 0;
            put_group(device, format, swapped ? other : chip->pixel);
        }
    }
}

/* ---- the order of bytes ---- */

/* A photograph or a shade has neighbours that are alike; with the bytes exchanged it has none. */
enum { ENOUGH_STEPS = 400, MOST_PIXELS = 8192, MOST_LOOKS = 10, TIMES_ROUGHER = 3 };

static long difference(unsigned one, unsigned other) {
    return labs((long)(one >> 11) - (long)(other >> 11)) * 2 +
           labs((long)(one >> 5 & 63) - (long)(other >> 5 & 63)) +
           labs((long)(one & 31) - (long)(other & 31)) * 2;
}

static unsigned to_565(uint32_t color) {
    return (color >> 19 & 31) << 11 | (color >> 10 & 63) << 5 | (color >> 3 & 31);
}

static unsigned exchanged(unsigned v) {
    return (v << 8 & 0xFF00) | v >> 8;
}

void jl_sim_dcs_judge_bytes(struct jl_device *device, const struct dcs_part *part) {
    struct dcs_chip *chip = device->state;
    long rough = 0, smooth = 0, steps = 0, pixels = 0;
    if (chip->bytes_judged || chip->byte_looks == MOST_LOOKS ||
        jl_sim_dcs_format(device, part) != 5 || device->window.bytes < 2 * ENOUGH_STEPS ||
        chip->column_end >= jl_sim_dcs_column_limit(chip) ||
        chip->page_end >= jl_sim_dcs_page_limit(chip)) {
        return;
    }
    chip->byte_looks++;
    for (int page = chip->page_start; page <= chip->page_end && pixels < MOST_PIXELS; page++) {
        for (int column = chip->column_start; column < chip->column_end; column++, pixels++) {
            unsigned one = to_565(chip->cells[cell_of(chip, column, page)]);
            unsigned next = to_565(chip->cells[cell_of(chip, column + 1, page)]);
            rough += difference(one, next);
            smooth += difference(exchanged(one), exchanged(next));
            steps += one != next;
        }
    }
    chip->bytes_judged = steps >= ENOUGH_STEPS;
    if (chip->bytes_judged && rough > TIMES_ROUGHER * smooth) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_BYTES_EXCHANGED,
                             "with the two bytes of each pixel exchanged, neighbours would be far "
                             "more alike: is the low byte sent first? The high one goes first");
    }
}
