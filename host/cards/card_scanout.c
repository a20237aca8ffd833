/* Glass that is scanned out, in cards: timings, wires, memory. */
#include "card_scanout.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/sim/rgb.h"

enum { MOST_TIMING = 4095 };

static struct jl_scanout_config *config_of(struct reading *reading) {
    return &reading->card->scanout.config;
}

/* ---- timings ---- */

/* Where the value of a key goes; those of sums go to what is compared later. */
static uint16_t *place_of(struct reading *reading, const char *key) {
    struct jl_scanout_config *config = config_of(reading);
    const struct {
        const char *name;
        uint16_t *place;
    } places[] = {
        {"line-sync", &config->line.sync},
        {"line-back-porch", &config->line.back},
        {"line-back-porch-with-sync", &reading->with_sync[0]},
        {"line-front-porch", &config->line.front},
        {"line-total", &reading->totals[0]},
        {"picture-sync", &config->picture.sync},
        {"picture-back-porch", &config->picture.back},
        {"picture-back-porch-with-sync", &reading->with_sync[1]},
        {"picture-front-porch", &config->picture.front},
        {"picture-total", &reading->totals[1]},
    };
    for (size_t i = 0; i < sizeof places / sizeof places[0]; i++) {
        if (strcmp(places[i].name, key) == 0) {
            return places[i].place;
        }
    }
    abort(); /* a key of the table without a place */
}

bool jl_host_card_read_timing(struct reading *reading, const char *key, const char *value) {
    static const struct unit clocks[] = {{"clocks", 1}, {"", 1}, {NULL, 0}};
    static const struct unit lines[] = {{"lines", 1}, {"", 1}, {NULL, 0}};
    bool of_line = key[0] == 'l';
    double number;
    if (!jl_host_parse_quantity(value, of_line ? clocks : lines, 0, MOST_TIMING, &number) ||
        number != (uint16_t)number) {
        return FAIL(reading, "%s = %s: expected a whole number of %s, 0 to %d, such as 20 %s", key,
                    value, of_line ? "clocks" : "lines", MOST_TIMING, of_line ? "clocks" : "lines");
    }
    *place_of(reading, key) = (uint16_t)number;
    return true;
}

static bool set_flag(struct reading *reading, const char *key, const char *value,
                     const struct choice *choices, uint8_t flag) {
    int chosen = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &chosen);
    uint8_t *flags = &config_of(reading)->flags;
    *flags = (uint8_t)(chosen ? *flags | flag : *flags & ~flag);
    return good;
}

bool jl_host_card_read_polarity(struct reading *reading, const char *key, const char *value) {
    static const struct choice syncs[] = {{"low", 0}, {"high", 1}, {NULL, 0}};
    static const struct choice de[] = {{"high", 0}, {"low", 1}, {NULL, 0}};
    uint8_t flag = key[0] == 'h'   ? JL_SCANOUT_HSYNC_HIGH
                   : key[0] == 'v' ? JL_SCANOUT_VSYNC_HIGH
                                   : JL_SCANOUT_DE_LOW;
    return set_flag(reading, key, value, key[0] == 'd' ? de : syncs, flag);
}

bool jl_host_card_read_scan_mode(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"de", 0}, {"sync", 1}, {NULL, 0}};
    return set_flag(reading, key, value, choices, JL_SCANOUT_SYNC);
}

bool jl_host_card_read_edge(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"rising", 0}, {"falling", 1}, {NULL, 0}};
    return set_flag(reading, key, value, choices, JL_SCANOUT_FALLING);
}

bool jl_host_card_read_lines(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"16", 16}, {"18", 18}, {"24", 24}, {NULL, 0}};
    int lines = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &lines);
    config_of(reading)->data_lines = (uint8_t)lines;
    return good;
}

bool jl_host_card_read_scan_clock(struct reading *reading, const char *key, const char *value) {
    struct jl_card_scanout *scanout = &reading->card->scanout;
    uint32_t *place = strcmp(key, "least-clock") == 0  ? &scanout->config.least_hz
                      : strcmp(key, "most-clock") == 0 ? &scanout->config.most_hz
                      : strcmp(key, "link-clock") == 0 ? &scanout->link_hz
                                                       : &scanout->command_hz;
    return jl_host_card_hertz(reading, key, value, place);
}

/* ---- wires ---- */

/* Inputs of a colour on glass of so many lines; color 0 is blue. */
static int inputs_of(int lines, int color) {
    return lines == 16 ? (color == 1 ? 6 : 5) : lines / 3;
}

bool jl_host_card_read_data(struct reading *reading, const char *key, const char *value) {
    if (strlen(value) >= sizeof reading->data) {
        return FAIL(reading, "%s: expected at most 24 names of inputs, such as B3", key);
    }
    strcpy(reading->data, value); /* how many inputs there are is known at the end */
    return true;
}

bool jl_host_card_read_rest(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {{"repeat", 0}, {"low", 1}, {NULL, 0}};
    int low = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &low);
    reading->rest_low = low;
    return good;
}

static bool fail_data(struct reading *reading, const char *name, const char *text) {
    return FAIL_KEY(reading, "pins", "data", "[pins] data: %s %s", name, text);
}

/* "B3" to its place. */
static bool take_input(struct reading *reading, const char *name, int line) {
    struct jl_card_scanout *scanout = &reading->card->scanout;
    int lines = scanout->config.data_lines;
    const char *letters = "BGR", *letter = strchr(letters, name[0]);
    char text[120];
    int color = letter ? (int)(letter - letters) : 0;
    int inputs = inputs_of(lines, color);
    if (!letter || name[1] < '0' || name[1] >= '0' + inputs || name[2]) {
        snprintf(text, sizeof text,
                 "is no input of glass with %d lines: expected B0 to B%d, G0 to G%d, R0 to R%d",
                 lines, inputs_of(lines, 0) - 1, inputs_of(lines, 1) - 1, inputs_of(lines, 2) - 1);
        return fail_data(reading, name, text);
    }
    int8_t *wire = &scanout->wires[color][name[1] - '0'];
    if (*wire >= 0) {
        snprintf(text, sizeof text, "stands twice, for the data lines D%d and D%d", *wire, line);
        return fail_data(reading, name, text);
    }
    *wire = (int8_t)line;
    return true;
}

/* Inputs without a data line of their own. */
static void wire_rest(struct reading *reading) {
    struct jl_card_scanout *scanout = &reading->card->scanout;
    for (int c = 0; c < 3 && !reading->rest_low; c++) {
        int inputs = inputs_of(scanout->config.data_lines, c), from = inputs;
        for (int bit = inputs - 1; bit >= 0; bit--) {
            if (scanout->wires[c][bit] < 0) {
                from = from > 0 ? from - 1 : 0;
                scanout->wires[c][bit] = scanout->wires[c][from];
            }
        }
    }
}

static void wire_usual(struct jl_card_scanout *scanout) {
    int line = 0;
    for (int c = 0; c < 3; c++) {
        for (int bit = 0; bit < inputs_of(scanout->config.data_lines, c); bit++) {
            scanout->wires[c][bit] = (int8_t)line++;
        }
    }
}

static bool check_wires(struct reading *reading) {
    struct jl_card_scanout *scanout = &reading->card->scanout;
    int count = 0;
    memset(scanout->wires, JL_RGB_GROUND, sizeof scanout->wires);
    if (!*reading->data) {
        scanout->host_lines = scanout->config.data_lines;
        wire_usual(scanout);
        return true;
    }
    char names[sizeof reading->data], *rest = NULL;
    strcpy(names, reading->data);
    for (char *name = strtok_r(names, " ,", &rest); name; name = strtok_r(NULL, " ,", &rest)) {
        if (!take_input(reading, name, count++)) {
            return false;
        }
    }
    if (count != 16 && count != 18 && count != 24) {
        char text[160] = "";
        for (int c = 0; c < 3; c++) {
            for (int bit = inputs_of(scanout->config.data_lines, c) - 1; bit >= 0; bit--) {
                size_t length = strlen(text);
                if (scanout->wires[c][bit] < 0) {
                    snprintf(text + length, sizeof text - length, " %c%d", "BGR"[c], bit);
                }
            }
        }
        return FAIL_KEY(reading, "pins", "data",
                        "[pins] data: %d names; expected 16, 18 or 24 of them, one for each data "
                        "line from D0 on; not named are%s",
                        count, text);
    }
    scanout->host_lines = (uint8_t)count;
    wire_rest(reading);
    return true;
}

/* ---- memory ---- */

bool jl_host_card_read_memory_size(struct reading *reading, const char *key, const char *value) {
    static const struct unit units[] = {{"bytes", 1}, {"KB", 1024}, {"MB", 1024 * 1024}, {NULL, 0}};
    double bytes;
    bool fifo = strcmp(key, "fifo") == 0;
    if (!jl_host_parse_quantity(value, units, 1, fifo ? 65536 : 1e9, &bytes)) {
        return FAIL(reading, "%s = %s: expected a size with its unit (bytes, KB or MB), such as %s",
                    key, value, fifo ? "256 bytes" : "8 MB");
    }
    struct jl_card_memory *memory = &reading->card->scanout.memory;
    *(fifo ? &memory->fifo_bytes : &memory->bytes) = (uint32_t)bytes;
    return true;
}

bool jl_host_card_read_memory_speed(struct reading *reading, const char *key, const char *value) {
    static const struct unit units[] = {{"MB/s", 1e6}, {"GB/s", 1e9}, {NULL, 0}};
    double bytes_s;
    if (!jl_host_parse_quantity(value, units, 1e5, 4e9, &bytes_s)) {
        return FAIL(reading,
                    "%s = %s: expected what the memory gives to the display, 0.1 MB/s to 4 GB/s, "
                    "such as 80 MB/s",
                    key, value);
    }
    struct jl_card_memory *memory = &reading->card->scanout.memory;
    *(strcmp(key, "refill") == 0 ? &memory->refill_bytes_s : &memory->bytes_s) = (uint32_t)bytes_s;
    return true;
}

bool jl_host_card_read_buffers(struct reading *reading, const char *key, const char *value) {
    static const struct choice choices[] = {
        {"one", JL_BUFFERS_ONE}, {"two", JL_BUFFERS_TWO}, {"lines", JL_BUFFERS_LINES}, {NULL, 0}};
    int buffers = 0;
    bool good = jl_host_card_choice(reading, key, value, choices, &buffers);
    reading->card->scanout.memory.buffers = (enum jl_card_buffers)buffers;
    return good;
}

bool jl_host_card_read_buffer_rows(struct reading *reading, const char *key, const char *value) {
    long rows;
    if (!jl_host_parse_number(value, 1, 1024, &rows)) {
        return FAIL(reading, "%s = %s: expected the rows of a line buffer, 1 to 1024", key, value);
    }
    reading->card->scanout.memory.rows = (int16_t)rows;
    return true;
}

static bool check_memory(struct reading *reading) {
    const struct jl_card *card = reading->card;
    struct jl_card_memory *memory = &reading->card->scanout.memory;
    uint32_t width = (uint32_t)card->width, bytes = card->format->bits_per_pixel / 8u;
    bool lines = memory->buffers == JL_BUFFERS_LINES;
    if (lines != (memory->rows != 0)) {
        return FAIL_KEY(reading, "memory", lines ? "buffers" : "rows",
                        "[memory] buffers = lines and rows belong together, such as rows = 10");
    }
    if (lines && card->height % memory->rows) {
        return FAIL_KEY(reading, "memory", "rows",
                        "[memory] rows = %d: the %d rows of the glass are no multiple of it",
                        memory->rows, card->height);
    }
    if (lines && card->format == &jl_palette8) {
        return FAIL_KEY(reading, "panel", "format",
                        "[panel] format = palette: line buffers are drawn in colours");
    }
    uint64_t rows = lines ? 2u * (uint32_t)memory->rows
                          : (uint32_t)card->height * (memory->buffers == JL_BUFFERS_ONE ? 1u : 2u);
    uint64_t needs = width * bytes * rows;
    if (memory->bytes && needs > memory->bytes) {
        return FAIL_KEY(reading, "memory", "size",
                        "[memory] size: %s of %d x %llu pixels, %u bytes each, take %.0f KB, and "
                        "there are %.0f",
                        lines                               ? "two line buffers"
                        : memory->buffers == JL_BUFFERS_ONE ? "a frame"
                                                            : "two frames",
                        card->width,
                        (unsigned long long)(memory->buffers == JL_BUFFERS_ONE ? rows : rows / 2),
                        (unsigned)bytes, (double)needs / 1024, memory->bytes / 1024.0);
    }
    memory->fifo_bytes = memory->fifo_bytes ? memory->fifo_bytes : 256;
    return true;
}

/* ---- the whole ---- */

/* Porches that stand with the sync, and totals that repeat what is known. */
static bool check_sums(struct reading *reading, int which) {
    static const char *const names[] = {"line", "picture"};
    struct jl_scanout_config *config = config_of(reading);
    struct jl_porches *porches = which ? &config->picture : &config->line;
    int pixels = which ? reading->card->height : reading->card->width;
    char with[32], total_key[16], back[24], sync[16], front[24];
    snprintf(with, sizeof with, "%s-back-porch-with-sync", names[which]);
    snprintf(back, sizeof back, "%s-back-porch", names[which]);
    snprintf(sync, sizeof sync, "%s-sync", names[which]);
    snprintf(front, sizeof front, "%s-front-porch", names[which]);
    snprintf(total_key, sizeof total_key, "%s-total", names[which]);
    if (!jl_host_card_seen(reading, "scan", sync) || !porches->sync) {
        return FAIL_KEY(reading, "scan", sync,
                        "[scan] %s: expected the length of the pulse, 1 or more, such as %s = %s",
                        sync, sync, which ? "10 lines" : "20 clocks");
    }
    bool has_with = jl_host_card_seen(reading, "scan", with);
    if (has_with == jl_host_card_seen(reading, "scan", back)) {
        return FAIL_KEY(reading, "scan", has_with ? with : sync,
                        "[scan] expected either %s or %s (a sheet that gives it with the pulse)",
                        back, with);
    }
    if (has_with && reading->with_sync[which] < porches->sync) {
        return FAIL_KEY(reading, "scan", with, "[scan] %s = %d: it is shorter than the pulse of %d",
                        with, reading->with_sync[which], porches->sync);
    }
    if (has_with) {
        porches->back = (uint16_t)(reading->with_sync[which] - porches->sync);
    }
    if (!jl_host_card_seen(reading, "scan", front)) {
        return FAIL(reading, "the card ends without %s in [scan]", front);
    }
    int sum = porches->sync + porches->back + pixels + porches->front;
    if (reading->totals[which] && reading->totals[which] != sum) {
        return FAIL_KEY(reading, "scan", total_key, "[scan] %s = %d: %d + %d + %d + %d are %d",
                        total_key, reading->totals[which], porches->sync, porches->back, pixels,
                        porches->front, sum);
    }
    return true;
}

static bool check_clock(struct reading *reading) {
    struct jl_scanout_config *config = config_of(reading);
    struct jl_scanout_sums sums;
    double mhz = config->clock_hz / 1e6;
    if (!config->clock_hz) {
        return FAIL(reading, "the card ends without clock in [bus], such as clock = 33.3 MHz");
    }
    if (config->most_hz && config->least_hz > config->most_hz) {
        return FAIL_KEY(reading, "bus", "least-clock",
                        "[bus] least-clock: it is above most-clock, %.2f MHz",
                        config->most_hz / 1e6);
    }
    if (config->clock_hz < config->least_hz) {
        return FAIL_KEY(reading, "bus", "clock",
                        "[bus] clock = %.2f MHz: it is below least-clock, %.2f MHz", mhz,
                        config->least_hz / 1e6);
    }
    if (config->most_hz && config->clock_hz > config->most_hz) {
        return FAIL_KEY(reading, "bus", "clock",
                        "[bus] clock = %.2f MHz: it is above most-clock, %.2f MHz", mhz,
                        config->most_hz / 1e6);
    }
    return jl_scanout_sums(config, reading->card->format->bits_per_pixel, &sums) == JL_OK ||
           FAIL_KEY(reading, "bus", "clock",
                    "[bus] clock = %.2f MHz: a picture of %d x %d takes more than a second", mhz,
                    config->width, config->height);
}

static bool check_controller(struct reading *reading) {
    struct jl_card *card = reading->card;
    bool has_port = card->controller->driver->buses >> JL_BUS_SPI_3WIRE & 1;
    int most_width = has_port ? card->controller->driver->ram_width : 1280;
    if (card->width > most_width || card->height > 864) {
        return FAIL_KEY(reading, "glass", "size",
                        "[glass] size = %d x %d: expected at most %d x 864", card->width,
                        card->height, most_width);
    }
    if (card->scanout.command_hz && !has_port) {
        return FAIL_KEY(reading, "bus", "command-clock",
                        "[bus] command-clock: this glass has no command port; one with has a "
                        "controller, such as st7701");
    }
    if (card->has_wake && !has_port) {
        return FAIL_KEY(reading, "wake", "step",
                        "[wake] step: this glass has no command port to send it to");
    }
    if (has_port && !card->scanout.command_hz) {
        card->scanout.command_hz = 2000000;
    }
    return true;
}

bool jl_host_card_check_scanout(struct reading *reading) {
    static const struct {
        enum pixels pixels;
        const struct jl_format *format;
    } formats[] = {{PIXELS_USUAL, &jl_rgb565_cpu},
                   {PIXELS_565, &jl_rgb565_cpu},
                   {PIXELS_888, &jl_rgb888},
                   {PIXELS_PALETTE, &jl_palette8}};
    struct jl_card *card = reading->card;
    struct jl_scanout_config *config = &card->scanout.config;
    for (size_t i = 0; i < sizeof formats / sizeof formats[0]; i++) {
        card->format = formats[i].pixels == reading->pixels ? formats[i].format : card->format;
    }
    if (!card->format) {
        return FAIL_KEY(reading, "panel", "format",
                        "[panel] format: frames that are scanned out are 5-6-5, 8-8-8 or palette");
    }
    card->glass_kind = JL_GLASS_TFT;
    config->width = (int16_t)card->width;
    config->height = (int16_t)card->height;
    config->clock_hz = card->clock_hz;
    config->data_lines = config->data_lines ? config->data_lines : 24;
    return check_controller(reading) && check_sums(reading, 0) && check_sums(reading, 1) &&
           check_clock(reading) && check_wires(reading) && check_memory(reading);
}
