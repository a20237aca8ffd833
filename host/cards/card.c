/*
 * Reading panel cards. inih splits the file; the table below says which keys
 * exist, and each has a reader that fills the card or explains itself.
 */
#include "jadelamp/host/card.h"

#include <ctype.h>
#include <errno.h>
#include <ini.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

#include "card_cells.h"
#include "card_pins.h"
#include "card_steps.h"
#include "card_scanout.h"
#include "card_touch.h"

/* ---- one reader a key ---- */

/* Reads a choice whose value replaces some bits of a set. */
static bool read_bits(struct reading *reading, const char *key, const char *value,
                      const struct choice *choices, uint8_t *set, int mask) {
    int bits;
    if (!jl_host_card_choice(reading, key, value, choices, &bits)) {
        return false;
    }
    *set = (uint8_t)((*set & ~mask) | bits);
    return true;
}

static bool read_name(struct reading *reading, const char *key, const char *value) {
    if (!*value || strlen(value) >= JL_CARD_NAME_BYTES) {
        return FAIL(reading, "%s = %s: expected 1 to %d characters", key, value,
                    JL_CARD_NAME_BYTES - 1);
    }
    strcpy(reading->card->name, value);
    return true;
}

static bool read_controller(struct reading *reading, const char *key, const char *value) {
    reading->card->controller = jl_catalog_find(value);
    if (reading->card->controller) {
        return true;
    }
    char known[400] = "";
    size_t count;
    const struct jl_catalog_entry *entries = jl_catalog(&count);
    for (size_t i = 0; i < count; i++) {
        size_t length = strlen(known);
        snprintf(known + length, sizeof known - length, "%s%s", i ? ", " : "", entries[i].name);
    }
    return FAIL(reading, "%s = %s: unknown controller; known are: %s", key, value, known);
}

static bool read_contrast(struct reading *reading, const char *key, const char *value) {
    long number;
    if (!jl_host_parse_number(value, 1, 255, &number)) {
        return FAIL(reading, "%s = %s: expected a number from 1 to 255 (0xCF or 207)", key, value);
    }
    reading->card->contrast = (uint8_t)number;
    return true;
}

static bool read_orientation(struct reading *reading, const char *key, const char *value) {
    return read_bits(reading, key, value, jl_host_card_turns, &reading->card->turn, 0xFF);
}

static bool read_format(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"usual", PIXELS_USUAL},     {"3-3-2", PIXELS_332},
                                            {"5-6-5", PIXELS_565},       {"6-6-6", PIXELS_666},
                                            {"8-8-8", PIXELS_888},       {"greys", PIXELS_GREYS},
                                            {"palette", PIXELS_PALETTE}, {NULL, 0}};
    int pixels = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &pixels);
    reading->pixels = (enum pixels)pixels;
    return good;
}

static bool read_inverted(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"no", 0}, {"yes", 1}, {NULL, 0}};
    int inverted = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &inverted);
    reading->card->inverted = inverted;
    return good;
}

static bool read_size(struct reading *reading, const char *key, const char *value) {
    if (!jl_host_parse_size(value, &reading->card->width, &reading->card->height)) {
        return FAIL(reading, "%s = %s: expected width x height in pixels, such as 128 x 64", key,
                    value);
    }
    return true;
}

static bool read_offset(struct reading *reading, const char *key, const char *value,
                        const char *what, int *offset) {
    long number;
    if (!jl_host_parse_number(value, 0, 1023, &number)) {
        return FAIL(reading, "%s = %s: expected a RAM %s, 0 to 1023", key, value, what);
    }
    *offset = (int)number;
    return true;
}

static bool read_first_column(struct reading *reading, const char *key, const char *value) {
    return read_offset(reading, key, value, "column", &reading->card->column_offset);
}

static bool read_first_row(struct reading *reading, const char *key, const char *value) {
    return read_offset(reading, key, value, "row", &reading->card->row_offset);
}

static bool read_memory(struct reading *reading, const char *key, const char *value) {
    return jl_host_parse_size(value, &reading->card->ram_width, &reading->card->ram_height) ||
           FAIL(reading, "%s = %s: expected the RAM as strapped, such as 128 x 160", key, value);
}

static bool read_order(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"usual", 0}, {"swapped", JL_MODULE_BGR}, {NULL, 0}};
    return read_bits(reading, key, value, choices, &reading->card->module, JL_MODULE_BGR);
}

static bool read_ips(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"no", 0}, {"yes", JL_MODULE_IPS}, {NULL, 0}};
    return read_bits(reading, key, value, choices, &reading->card->module, JL_MODULE_IPS);
}

static bool read_shape(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"rectangle", 0}, {"round", 1}, {NULL, 0}};
    int round = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &round);
    reading->card->round = round;
    return good;
}

static bool read_rows(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"alternate", 0}, {"sequential", 1}, {NULL, 0}};
    int sequential = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &sequential);
    reading->rows_sequential = sequential;
    return good;
}

static bool read_chips(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"high", 0}, {"low", JL_MODULE_CHIPS_LOW}, {NULL, 0}};
    return read_bits(reading, key, value, choices, &reading->card->module, JL_MODULE_CHIPS_LOW);
}

static bool read_mounting(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"usual", 0},
                                            {"half-turn", JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y},
                                            {"mirrored-x", JL_MODULE_MIRROR_X},
                                            {"mirrored-y", JL_MODULE_MIRROR_Y},
                                            {NULL, 0}};
    return read_bits(reading, key, value, choices, &reading->card->module,
                     JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y);
}

static bool read_supply(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {
        {"pump", 0}, {"external", JL_MODULE_EXTERNAL_SUPPLY}, {NULL, 0}};
    return read_bits(reading, key, value, choices, &reading->card->module,
                     JL_MODULE_EXTERNAL_SUPPLY);
}

static bool read_color(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"white", JL_GLASS_WHITE},
                                            {"blue", JL_GLASS_BLUE},
                                            {"yellow-blue", JL_GLASS_YELLOW_BLUE},
                                            {"yellow", JL_GLASS_YELLOW},
                                            {"green", JL_GLASS_GREEN},
                                            {"color-oled", JL_GLASS_COLOR_OLED},
                                            {"tft", JL_GLASS_TFT},
                                            {"lcd-green", JL_GLASS_LCD_GREEN},
                                            {"lcd-grey", JL_GLASS_LCD_GREY},
                                            {"lcd-blue", JL_GLASS_LCD_BLUE},
                                            {"silver", JL_GLASS_SILVER},
                                            {"paper", JL_GLASS_PAPER},
                                            {"paper-red", JL_GLASS_PAPER_RED},
                                            {NULL, 0}};
    int kind = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &kind);
    reading->card->glass_kind = (enum jl_glass_kind)kind;
    return good;
}

/* Kinds of bus that only character modules have count on from here. */
enum { CELLS_BUS = 100 };

static bool read_bus_kind(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"i2c", JL_BUS_I2C},
                                            {"spi", JL_BUS_SPI},
                                            {"spi-3wire", JL_BUS_SPI_3WIRE},
                                            {"8080-8", JL_BUS_8080_8},
                                            {"8080-16", JL_BUS_8080_16},
                                            {"6800-8", JL_BUS_6800_8},
                                            {"st7920-serial", JL_BUS_ST7920_SERIAL},
                                            {"memory-lcd", JL_BUS_MEMORY_LCD},
                                            {"rgb", JL_BUS_RGB},
                                            {"parallel-4", CELLS_BUS + JL_CELLS_PARALLEL_4},
                                            {"parallel-8", CELLS_BUS + JL_CELLS_PARALLEL_8},
                                            {"expander", CELLS_BUS + JL_CELLS_EXPANDER},
                                            {NULL, 0}};
    int kind = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &kind);
    if (kind > CELLS_BUS) {
        reading->card->cells.bus = (enum jl_cells_bus)(kind - CELLS_BUS);
        kind = reading->card->cells.bus == JL_CELLS_EXPANDER ? JL_BUS_I2C : JL_BUS_6800_8;
    }
    reading->card->bus = (enum jl_bus_kind)kind;
    return good;
}

static bool read_address(struct reading *reading, const char *key, const char *value) {
    return jl_host_card_address(reading, key, value, &reading->card->i2c_address);
}

static bool read_clock(struct reading *reading, const char *key, const char *value) {
    return jl_host_card_hertz(reading, key, value, &reading->card->clock_hz);
}

static bool read_works_up_to(struct reading *reading, const char *key, const char *value) {
    return jl_host_card_hertz(reading, key, value, &reading->card->works_up_to);
}

static bool read_overhead(struct reading *reading, const char *key, const char *value) {
    double ns;
    if (!jl_host_parse_quantity(value, jl_host_card_time_units, 0, 1e9, &ns)) {
        return FAIL(reading,
                    "%s = %s: expected a time up to 1 s with its unit (ns, us, ms or s), such as "
                    "20 us",
                    key, value);
    }
    reading->card->overhead_ns = (uint32_t)(ns + 0.5);
    return true;
}

static bool read_cycle(struct reading *reading, const char *key, const char *value) {
    double ns;
    if (!jl_host_parse_quantity(value, jl_host_card_time_units, 1, 1e6, &ns)) {
        return FAIL(reading,
                    "%s = %s: expected the time from write strobe to write strobe with its unit, "
                    "1 ns to 1 ms, such as 66 ns",
                    key, value);
    }
    reading->card->cycle_ns = (uint32_t)(ns + 0.5);
    return true;
}

static bool read_mode(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"0", 0}, {"3", 3}, {NULL, 0}};
    return jl_host_card_choice(reading, key, value, choices, &reading->card->spi_mode);
}

static bool read_most_bytes(struct reading *reading, const char *key, const char *value) {
    long number;
    if (!jl_host_parse_number(value, 1, 65535, &number)) {
        return FAIL(reading, "%s = %s: expected the most payload bytes of a transfer, 1 to 65535",
                    key, value);
    }
    reading->card->most_body_bytes = (uint16_t)number;
    return true;
}

/* ---- the table of keys ---- */

/* What a key is for. */
enum { DOTS = 1, CELLS = 2, SCANNED = 4, DRAWN = DOTS | SCANNED, ALL = 7 };

static const struct key keys[] = {
    {"panel", "name", read_name, ALL},
    {"panel", "controller", read_controller, ALL},
    {"panel", "orientation", read_orientation, DRAWN},
    {"panel", "contrast", read_contrast, DOTS},
    {"panel", "inverted", read_inverted, DOTS},
    {"panel", "format", read_format, DRAWN},
    {"glass", "size", read_size, ALL},
    {"glass", "first-column", read_first_column, DOTS},
    {"glass", "first-row", read_first_row, DOTS},
    {"glass", "memory", read_memory, DOTS},
    {"glass", "order", read_order, DOTS},
    {"glass", "ips", read_ips, DOTS},
    {"glass", "shape", read_shape, DRAWN},
    {"glass", "rows", read_rows, DOTS},
    {"glass", "mounting", read_mounting, DOTS},
    {"glass", "supply", read_supply, DOTS},
    {"glass", "chips", read_chips, DOTS},
    {"glass", "color", read_color, DOTS | CELLS},
    {"glass", "rom", jl_host_card_read_rom, CELLS},
    {"glass", "halves", jl_host_card_read_halves, CELLS},
    {"glass", "contrast-voltage", jl_host_card_read_voltage, CELLS},
    {"bus", "kind", read_bus_kind, ALL},
    {"bus", "address", read_address, DOTS | CELLS},
    {"bus", "clock", read_clock, ALL},
    {"bus", "works-up-to", read_works_up_to, DOTS | CELLS},
    {"bus", "busy", jl_host_card_read_busy, CELLS},
    {"bus", "outputs", jl_host_card_read_outputs, CELLS},
    {"bus", "cycle", read_cycle, DOTS},
    {"bus", "mode", read_mode, DOTS},
    {"bus", "overhead", read_overhead, DOTS | CELLS},
    {"bus", "most-bytes", read_most_bytes, DOTS | CELLS},
    {"pins", "reset", jl_host_card_read_reset, DRAWN},
    {"pins", "light", jl_host_card_read_light, DRAWN},
    {"pins", "cs", jl_host_card_read_pin, ALL},
    {"pins", "dc", jl_host_card_read_pin, ALL},
    {"pins", "rs", jl_host_card_read_pin, ALL},
    {"pins", "clk", jl_host_card_read_pin, ALL},
    {"pins", "mosi", jl_host_card_read_pin, ALL},
    {"pins", "miso", jl_host_card_read_pin, ALL},
    {"pins", "scl", jl_host_card_read_pin, ALL},
    {"pins", "sda", jl_host_card_read_pin, ALL},
    {"pins", "wr", jl_host_card_read_pin, ALL},
    {"pins", "rd", jl_host_card_read_pin, ALL},
    {"pins", "e", jl_host_card_read_pin, ALL},
    {"pins", "e2", jl_host_card_read_pin, ALL},
    {"pins", "chip1", jl_host_card_read_pin, DOTS},
    {"pins", "chip2", jl_host_card_read_pin, DOTS},
    {"pins", "chip3", jl_host_card_read_pin, DOTS},
    {"pins", "rw", jl_host_card_read_pin, ALL},
    {"pins", "busy", jl_host_card_read_pin, ALL},
    {"pins", "te", jl_host_card_read_pin, ALL},
    {"pins", "d0", jl_host_card_read_pin, ALL},
    {"pins", "d1", jl_host_card_read_pin, ALL},
    {"pins", "d2", jl_host_card_read_pin, ALL},
    {"pins", "d3", jl_host_card_read_pin, ALL},
    {"pins", "d4", jl_host_card_read_pin, ALL},
    {"pins", "d5", jl_host_card_read_pin, ALL},
    {"pins", "d6", jl_host_card_read_pin, ALL},
    {"pins", "d7", jl_host_card_read_pin, ALL},
    {"pins", "d8", jl_host_card_read_pin, ALL},
    {"pins", "d9", jl_host_card_read_pin, ALL},
    {"pins", "d10", jl_host_card_read_pin, ALL},
    {"pins", "d11", jl_host_card_read_pin, ALL},
    {"pins", "d12", jl_host_card_read_pin, ALL},
    {"pins", "d13", jl_host_card_read_pin, ALL},
    {"pins", "d14", jl_host_card_read_pin, ALL},
    {"pins", "d15", jl_host_card_read_pin, ALL},
    {"pins", "key_ok", jl_host_card_read_pin, ALL},
    {"pins", "key_back", jl_host_card_read_pin, ALL},
    {"pins", "key_up", jl_host_card_read_pin, ALL},
    {"pins", "key_down", jl_host_card_read_pin, ALL},
    {"pins", "knob_a", jl_host_card_read_pin, ALL},
    {"pins", "knob_b", jl_host_card_read_pin, ALL},
    {"pins", "touch_cs", jl_host_card_read_pin, DRAWN},
    {"pins", "touch_scl", jl_host_card_read_pin, DRAWN},
    {"pins", "touch_sda", jl_host_card_read_pin, DRAWN},
    {"pins", "touch_reset", jl_host_card_read_pin, DRAWN},
    {"pins", "touch_pen", jl_host_card_read_pin, DRAWN},
    {"touch", "controller", jl_host_card_read_touch, DRAWN},
    {"touch", "address", jl_host_card_read_touch_address, DRAWN},
    {"touch", "clock", jl_host_card_read_touch_clock, DRAWN},
    {"touch", "mounting", jl_host_card_read_touch_mounting, DRAWN},
    {"wake", "step", jl_host_card_read_step, ALL},
    {"bus", "lines", jl_host_card_read_lines, SCANNED},
    {"bus", "least-clock", jl_host_card_read_scan_clock, SCANNED},
    {"bus", "most-clock", jl_host_card_read_scan_clock, SCANNED},
    {"bus", "link-clock", jl_host_card_read_scan_clock, SCANNED},
    {"bus", "command-clock", jl_host_card_read_scan_clock, SCANNED},
    {"scan", "mode", jl_host_card_read_scan_mode, SCANNED},
    {"scan", "edge", jl_host_card_read_edge, SCANNED},
    {"scan", "hsync", jl_host_card_read_polarity, SCANNED},
    {"scan", "vsync", jl_host_card_read_polarity, SCANNED},
    {"scan", "de", jl_host_card_read_polarity, SCANNED},
    {"scan", "line-sync", jl_host_card_read_timing, SCANNED},
    {"scan", "line-back-porch", jl_host_card_read_timing, SCANNED},
    {"scan", "line-back-porch-with-sync", jl_host_card_read_timing, SCANNED},
    {"scan", "line-front-porch", jl_host_card_read_timing, SCANNED},
    {"scan", "line-total", jl_host_card_read_timing, SCANNED},
    {"scan", "picture-sync", jl_host_card_read_timing, SCANNED},
    {"scan", "picture-back-porch", jl_host_card_read_timing, SCANNED},
    {"scan", "picture-back-porch-with-sync", jl_host_card_read_timing, SCANNED},
    {"scan", "picture-front-porch", jl_host_card_read_timing, SCANNED},
    {"scan", "picture-total", jl_host_card_read_timing, SCANNED},
    {"pins", "data", jl_host_card_read_data, SCANNED},
    {"pins", "rest", jl_host_card_read_rest, SCANNED},
    {"memory", "size", jl_host_card_read_memory_size, SCANNED},
    {"memory", "fifo", jl_host_card_read_memory_size, SCANNED},
    {"memory", "speed", jl_host_card_read_memory_speed, SCANNED},
    {"memory", "refill", jl_host_card_read_memory_speed, SCANNED},
    {"memory", "buffers", jl_host_card_read_buffers, SCANNED},
    {"memory", "rows", jl_host_card_read_buffer_rows, SCANNED},
};

enum { KEY_COUNT = sizeof keys / sizeof keys[0] };
_Static_assert(sizeof keys / sizeof keys[0] <= (size_t)JL_HOST_CARD_MOST_KEYS,
               "reading->lines holds a line of each key");

static bool complain_key(struct reading *reading, const char *section, const char *name) {
    char known[400] = "";
    bool section_known = false;
    for (size_t i = 0; i < KEY_COUNT; i++) {
        if (strcmp(keys[i].section, section) == 0) {
            size_t length = strlen(known);
            snprintf(known + length, sizeof known - length, "%s%s", section_known ? ", " : "",
                     keys[i].name);
            section_known = true;
        }
    }
    if (!*section) {
        return FAIL(reading, "%s stands before the first section: expected a line [panel]", name);
    }
    return section_known
               ? FAIL(reading, "unknown key %s in [%s]; known are: %s", name, section, known)
               : FAIL(reading,
                      "unknown section [%s]; known are: panel, glass, bus, pins, scan, "
                      "memory, touch, wake",
                      section);
}

/* The handler of inih: 1 is good, 0 is an error. */
static int take(void *context, const char *section, const char *name, const char *value) {
    struct reading *reading = context;
    if (reading->failed) {
        return 0;
    }
    for (size_t i = 0; i < KEY_COUNT; i++) {
        const struct key *key = &keys[i];
        if (strcmp(key->section, section) != 0 || strcmp(key->name, name) != 0) {
            continue;
        }
        if (reading->lines[i] && key->read != jl_host_card_read_step) {
            return FAIL(reading, "%s stands twice in [%s], first in line %d", name, section,
                        reading->lines[i]);
        }
        reading->lines[i] = reading->line;
        return key->read(reading, name, value);
    }
    return complain_key(reading, section, name);
}

bool jl_card_is_parallel(const struct jl_card *card) {
    return card->bus == JL_BUS_8080_8 || card->bus == JL_BUS_8080_16 || card->bus == JL_BUS_6800_8;
}

bool jl_card_selects_high(const struct jl_card *card) {
    return card->bus == JL_BUS_ST7920_SERIAL || card->bus == JL_BUS_MEMORY_LCD;
}

static bool check_bus(struct reading *reading) {
    static const char *const names[] = {"I2C",
                                        "SPI",
                                        "3-wire SPI",
                                        "8-bit 8080 bus",
                                        "16-bit 8080 bus",
                                        "6800 bus",
                                        "serial bus of the st7920",
                                        "RGB bus",
                                        "SPI without D/C"};
    struct jl_card *card = reading->card;
    const struct jl_catalog_entry *part = card->controller;
    bool i2c = card->bus == JL_BUS_I2C;
    bool parallel = jl_card_is_parallel(card);
    if (card->cells.bus) {
        return FAIL_KEY(reading, "bus", "kind",
                        "[bus] kind: parallel-4, parallel-8 and expander are for character "
                        "modules, not the %s",
                        part->name);
    }
    if (!(part->driver->buses >> card->bus & 1)) {
        return FAIL_KEY(reading, "bus", "kind", "[bus] kind: the %s has no %s", part->name,
                        names[card->bus]);
    }
    if (i2c && !memchr(part->addresses, card->i2c_address ? card->i2c_address : 0xFF,
                       sizeof part->addresses)) {
        return jl_host_card_seen(reading, "bus", "address")
                   ? FAIL_KEY(reading, "bus", "address",
                              "[bus] address = 0x%02X: the %s answers at 0x%02X or 0x%02X",
                              card->i2c_address, part->name, part->addresses[0], part->addresses[1])
                   : FAIL(reading,
                          "the card ends without address in [bus], such as address = 0x%02X",
                          part->addresses[0]);
    }
    if (parallel ? card->clock_hz != 0 : card->cycle_ns != 0) {
        return FAIL_KEY(reading, "bus", parallel ? "clock" : "cycle",
                        "[bus] %s: expected %s, which is what %s has", parallel ? "clock" : "cycle",
                        parallel ? "cycle" : "clock", parallel ? "a parallel bus" : "a serial bus");
    }
    if (!card->clock_hz && !parallel) {
        uint32_t most_hz = i2c ? jl_catalog_most_i2c_hz(part) : jl_catalog_most_serial_hz(part);
        card->clock_hz = most_hz < 8000000 ? most_hz : 8000000;
    }
    if (!card->cycle_ns && parallel) {
        card->cycle_ns = jl_catalog_least_cycle_ns(part);
    }
    if (i2c && card->clock_hz > 5000000) {
        return FAIL_KEY(reading, "bus", "clock",
                        "[bus] clock: I2C ends at 5 MHz; the %s allows %u kHz", part->name,
                        (unsigned)(jl_catalog_most_i2c_hz(part) / 1000));
    }
    return true;
}

/* Of modules of this size, whichever OLED controller they have. */
static bool rows_usually_sequential(const struct jl_card *card) {
    return strcmp(card->controller->kind, "monochrome OLED") == 0 &&
           ((card->width == 128 && card->height == 32) ||
            (card->width == 96 && card->height == 16));
}

static bool check_glass(struct reading *reading) {
    struct jl_card *card = reading->card;
    const struct jl_catalog_entry *part = card->controller;
    int width = part->driver->ram_width, height = part->driver->ram_height;
    if (card->ram_width > width || card->ram_height > height) {
        return FAIL_KEY(reading, "glass", "memory", "[glass] memory = %d x %d: the %s has %d x %d",
                        card->ram_width, card->ram_height, part->name, width, height);
    }
    width = card->ram_width ? card->ram_width : width;
    height = card->ram_height ? card->ram_height : height;
    if (card->column_offset + card->width > width || card->row_offset + card->height > height) {
        /* The key that is too much for a glass that would fit alone. */
        const char *key = card->width > width || card->height > height ? "size"
                          : card->column_offset + card->width > width  ? "first-column"
                                                                       : "first-row";
        return FAIL_KEY(reading, "glass", key,
                        "[glass] %d x %d pixels from column %d, row %d on: the %s has %d x %d",
                        card->width, card->height, card->column_offset, card->row_offset,
                        part->name, width, height);
    }
    /* On e-paper the frame is turned, and the part knows nothing of it. */
    if (!part->driver->paper && !(part->driver->turns >> card->turn & 1)) {
        return FAIL_KEY(reading, "panel", "orientation",
                        "[panel] orientation: the %s cannot turn %s", part->name,
                        part->driver->turns == JL_TURNS_NONE ? "its picture: expected upright"
                                                             : "by a quarter");
    }
    if (!jl_host_card_seen(reading, "glass", "color")) {
        card->glass_kind = part->glass_kind;
    }
    bool paper = card->glass_kind >= JL_GLASS_PAPER;
    if (paper != (part->driver->paper != NULL)) {
        return FAIL_KEY(reading, "glass", "color", "[glass] color: the %s drives %s", part->name,
                        paper ? "no e-paper" : "e-paper: expected paper or paper-red");
    }
    if (card->module & JL_MODULE_LIGHT_WIRED && (card->glass_kind < JL_GLASS_TFT || paper)) {
        return FAIL_KEY(reading, "pins", "light",
                        paper ? "[pins] light: e-paper has none: leave it out"
                              : "[pins] light: the dots of this glass shine by themselves: leave "
                                "it out");
    }
    if (jl_host_card_seen(reading, "glass", "chips") && !part->chips) {
        return FAIL_KEY(reading, "glass", "chips",
                        "[glass] chips: the %s stands behind its glass alone", part->name);
    }
    if (jl_host_card_seen(reading, "glass", "rows") &&
        reading->rows_sequential != rows_usually_sequential(card)) {
        card->module |= JL_MODULE_ROWS_OTHER;
    }
    return true;
}

/* Of the formats with such pixels, the one that the controller takes on this bus. */
static bool check_format(struct reading *reading) {
    static const struct {
        enum pixels pixels;
        const struct jl_format *format;
    } formats[] = {{PIXELS_332, &jl_rgb332},     {PIXELS_565, &jl_rgb565},
                   {PIXELS_565, &jl_rgb565_cpu}, {PIXELS_666, &jl_rgb666},
                   {PIXELS_666, &jl_rgb666_low}, {PIXELS_GREYS, &jl_grey2_planes}};
    struct jl_card *card = reading->card;
    const struct jl_controller *driver = card->controller->driver;
    enum jl_wires wires = card->bus == JL_BUS_8080_16 ? JL_WIRES_WORD
                          : jl_card_is_parallel(card) ? JL_WIRES_PARALLEL
                                                      : JL_WIRES_SERIAL;
    uint16_t layouts = driver->layouts[wires];
    enum pixels pixels = reading->pixels;
    card->format = card->glass_kind == JL_GLASS_PAPER_RED ? &jl_black_white_red : driver->format;
    if (pixels == PIXELS_USUAL && layouts >> driver->format->layout & 1) {
        return true;
    }
    if (pixels == PIXELS_USUAL) {
        pixels = PIXELS_565;
    }
    for (size_t i = 0; i < sizeof formats / sizeof formats[0]; i++) {
        if (formats[i].pixels == pixels && layouts >> formats[i].format->layout & 1) {
            card->format = formats[i].format;
            return true;
        }
    }
    return FAIL_KEY(
        reading, "panel", jl_host_card_seen(reading, "panel", "format") ? "format" : "controller",
        "[panel] format: the %s does not take these pixels on this bus", card->controller->name);
}

/* Keys that say nothing about such a panel. */
static bool check_keys(struct reading *reading, int what) {
    const char *name = reading->card->controller->name;
    for (size_t i = 0; i < KEY_COUNT; i++) {
        const struct key *key = &keys[i];
        if (!reading->lines[i] || key->what & what) {
            continue;
        }
        if (what == SCANNED || key->what == SCANNED) {
            return jl_host_card_fail_at(
                reading, reading->lines[i], "[%s] %s: only for %s", key->section, key->name,
                what == SCANNED ? "panels with a memory, and this one is scanned out"
                                : "glass that is scanned out ([bus] kind = rgb)");
        }
        return jl_host_card_fail_at(
            reading, reading->lines[i], "[%s] %s: only for %s, and the %s drives %s", key->section,
            key->name, what == CELLS ? "graphic panels" : "character modules", name,
            what == CELLS ? "cells" : "pixels");
    }
    return true;
}

/* Glass that is scanned out need not have a controller with a name. */
static bool check_required(struct reading *reading) {
    static const struct {
        const char *section, *name, *example;
    } required[] = {
        {"panel", "controller", "ssd1306"}, {"glass", "size", "128 x 64"}, {"bus", "kind", "i2c"}};
    struct jl_card *card = reading->card;
    if (card->bus == JL_BUS_RGB && !card->controller) {
        card->controller = jl_catalog_find("rgb-glass");
    }
    if (!card->controller && reading->stand_in) {
        card->controller = reading->stand_in;
        card->controller_left_out = true;
    }
    for (size_t i = 0; i < sizeof required / sizeof required[0]; i++) {
        if (!jl_host_card_seen(reading, required[i].section, required[i].name) &&
            !(i == 0 && card->controller)) {
            return FAIL(reading, "the card ends without %s in [%s], such as %s = %s%s",
                        required[i].name, required[i].section, required[i].name,
                        required[i].example,
                        i ? "" : "; jadelamp check --rank tells which one understands a sequence");
        }
    }
    return true;
}

/* What no single line can be blamed for. */
static bool check_whole(struct reading *reading) {
    struct jl_card *card = reading->card;
    if (!check_required(reading)) {
        return false;
    }
    bool cells = !card->controller->driver, scanned = card->controller->scanned;
    if (scanned && card->bus != JL_BUS_RGB) {
        return FAIL_KEY(reading, "bus", "kind",
                        "[bus] kind: the %s has no memory, its pixels come over kind = rgb",
                        card->controller->name);
    }
    if (!check_keys(reading, scanned ? SCANNED : cells ? CELLS : DOTS)) {
        return false;
    }
    if (scanned) {
        return jl_host_card_check_scanout(reading) && jl_host_card_check_touch(reading);
    }
    return cells
               ? jl_host_card_check_cells(reading) && jl_host_card_check_steps(reading)
               : jl_host_card_check_steps(reading) && check_bus(reading) && check_glass(reading) &&
                     check_format(reading) && jl_host_card_check_touch(reading);
}

static bool read_stream(FILE *stream, const char *path, const struct jl_catalog_entry *stand_in,
                        struct jl_card *card, struct jl_complaint *complaint) {
    memset(card, 0, sizeof *card);
    struct reading reading = {.keys = keys,
                              .stand_in = stand_in,
                              .key_count = KEY_COUNT,
                              .path = path,
                              .stream = stream,
                              .card = card,
                              .complaint = complaint,
                              .bytes_left = JL_CARD_MOST_BYTES};
    int bad_line = ini_parse_stream(jl_host_card_next_line, &reading, take, &reading);
    /* inih goes on after a line it cannot read, so an earlier one is the first mistake. */
    if (bad_line > 0 && (!reading.failed || bad_line < reading.failed_line)) {
        reading.failed = false;
        jl_host_card_fail_at(&reading, bad_line, "expected [section] or key = value");
    }
    if (!reading.failed && reading.bytes_left <= 0) {
        FAIL(&reading, "the card is longer than %d bytes", JL_CARD_MOST_BYTES);
    }
    if (!reading.failed && !*card->name) {
        const char *slash = strrchr(path, '/');
        snprintf(card->name, sizeof card->name, "%.31s", slash ? slash + 1 : path);
        char *dot = strrchr(card->name, '.');
        if (dot && dot != card->name) {
            *dot = '\0';
        }
    }
    return !reading.failed && check_whole(&reading);
}

bool jl_card_read(const char *path, struct jl_card *card, struct jl_complaint *complaint) {
    struct stat info;
    FILE *stream = stat(path, &info) == 0 && S_ISDIR(info.st_mode) ? NULL : fopen(path, "r");
    if (!stream) {
        return jl_complain(complaint, "cannot read the card %s: %s", path,
                           errno ? strerror(errno) : "it is a directory");
    }
    bool good = read_stream(stream, path, NULL, card, complaint);
    fclose(stream);
    return good;
}

bool jl_host_card_read_text_as(const char *name, const char *text, size_t bytes,
                               const struct jl_catalog_entry *stand_in, struct jl_card *card,
                               struct jl_complaint *complaint) {
    /* One byte more, since no stream has a size of 0; reading ends before it. */
    char *copy = malloc(bytes + 1);
    FILE *stream = copy ? fmemopen(copy, bytes + 1, "w+") : NULL;
    bool good = stream && fwrite(text, 1, bytes, stream) == bytes && fflush(stream) == 0;
    if (good) {
        rewind(stream);
        good = read_stream(stream, name, stand_in, card, complaint);
    } else {
        jl_complain(complaint, "out of memory for the card %s", name);
    }
    if (stream) {
        fclose(stream);
    }
    free(copy);
    return good;
}

bool jl_card_read_text(const char *name, const char *text, size_t bytes, struct jl_card *card,
                       struct jl_complaint *complaint) {
    return jl_host_card_read_text_as(name, text, bytes, NULL, card, complaint);
}
