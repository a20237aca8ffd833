/* The display peripheral: memory, FIFO, line buffers, and what it puts on the wires when. */
#include <stdlib.h>
#include <string.h>

#include "board_parts.h"
#include "rgb_line.h"

enum { MOST_BUFFER_BYTES = 1 << 20 };

struct jl_rgb_bus {
    struct timed timed; /* first: the clock's view of it */
    struct jl_board *board;
    struct jl_rgb_source source;
    struct jl_device *glass;
    struct rgb_wires wires;
    int clocks, lines; /* totals */
    double clock_ps;
    uint64_t start_ps, lines_begun; /* of line 0; since then */
    uint32_t pictures;
    uint64_t bytes;
    uint32_t *data; /* data lines at each pixel of a line */
    uint32_t last;  /* what they have while nothing comes */
    uint32_t palette[256], next_palette[256];
    /* frames */
    const uint8_t *frame, *next_frame;
    size_t frame_bytes, next_frame_bytes;
    bool has_next;
    long next_pixel; /* that memory gives */
    double fifo;     /* bytes in it */
    long late;       /* pixels of this picture that came late */
    bool late_reported, tear_reported, hungry_reported;
    uint8_t *as_scanned; /* the frame's bytes as they left; */
    bool is_scanned;     /* all of them, in the colours of now */
    int newer_rows;      /* of this picture: not as in the one before */
    uint8_t *held;       /* a picture of firmware that is over */
    /* line buffers */
    struct line_buffers {
        uint8_t *buffers[2], *older; /* the caller's; and what the one being filled held before */
        size_t bytes;
        jl_rgb_interrupt through; /* NULL: there are none */
        void *context;
    } lines_now, next_lines;
    int buffer, row_of_buffer;
    uint64_t filled_from_ps[2]; /* when the interrupt began */
    bool refilled[2];
    /* recording */
    int record_first, record_count;
    bool recorded;
};

static int total(int active, const struct jl_rgb_porches *porches) {
    return active + porches->sync + porches->back + porches->front;
}

/* ---- from memory to the data lines ---- */

/* 0xRRGGBB to as many lines as there are: the top bits of each colour. */
static uint32_t lines_of(const struct jl_rgb_bus *bus, uint32_t rgb) {
    switch (bus->source.data_lines) {
    case 16:
        return (rgb >> 3 & 31) | (rgb >> 10 & 63) << 5 | (rgb >> 19 & 31) << 11;
    case 18:
        return (rgb >> 2 & 63) | (rgb >> 10 & 63) << 6 | (rgb >> 18 & 63) << 12;
    default:
        return rgb;
    }
}

static uint32_t data_of(const struct jl_rgb_bus *bus, const uint8_t *at) {
    unsigned v;
    switch (bus->source.bits_per_pixel) {
    case 8:
        return lines_of(bus, bus->palette[at[0]]);
    case 16:
        v = at[0] | (unsigned)at[1] << 8;
        if (bus->source.data_lines == 16) {
            return v;
        }
        return lines_of(bus, ((v >> 11) * 33 >> 2) << 16 | ((v >> 5 & 63) * 65 >> 4) << 8 |
                                 (v & 31) * 33 >> 2); /* the top bits again */
    case 24:
        return lines_of(bus, (uint32_t)at[0] << 16 | (uint32_t)at[1] << 8 | at[2]);
    default:
        return lines_of(bus, (uint32_t)at[2] << 16 | (uint32_t)at[1] << 8 | at[0]);
    }
}

/*
 * Memory fills the FIFO all the time; pixels empty it. An empty one gives the pixel before again,
 * and all that follows in the picture comes late by one.
 */
static bool memory_gives(struct jl_rgb_bus *bus, int pixel_bytes) {
    const struct jl_rgb_source *source = &bus->source;
    if (source->memory_bytes_s <= 0) {
        return true;
    }
    double filled = bus->fifo + source->memory_bytes_s / source->timing.clock_hz;
    bool enough = filled >= pixel_bytes;
    bus->late += !enough;
    bus->fifo = filled - (enough ? pixel_bytes : 0);
    return enough;
}

/* Clocks without pixels: memory catches up. */
static void memory_rests(struct jl_rgb_bus *bus, int clocks) {
    const struct jl_rgb_source *source = &bus->source;
    double filled = bus->fifo + clocks * source->memory_bytes_s / source->timing.clock_hz;
    bus->fifo = filled > source->fifo_bytes ? source->fifo_bytes : filled;
}

static void read_frame_line(struct jl_rgb_bus *bus) {
    int width = bus->source.timing.width, pixel_bytes = bus->source.bits_per_pixel / 8;
    for (int x = 0; x < width; x++) {
        if (memory_gives(bus, pixel_bytes)) {
            size_t at = (size_t)bus->next_pixel++ * (size_t)pixel_bytes;
            bool inside = at + (size_t)pixel_bytes <= bus->frame_bytes;
            bus->last = inside ? data_of(bus, bus->frame + at) : 0;
            bus->bytes += (uint64_t)pixel_bytes;
        }
        bus->data[x] = bus->last;
    }
    memory_rests(bus, bus->clocks - width);
}

/* The same without looking at the pixels. */
static void skip_frame_line(struct jl_rgb_bus *bus) {
    long width = bus->source.timing.width;
    bus->next_pixel += width;
    bus->bytes += (uint64_t)(width * bus->source.bits_per_pixel / 8);
}

/* A row of the buffer on the wires: what was there before, where the interrupt is not so far. */
static void read_buffer_line(struct jl_rgb_bus *bus, int row) {
    int width = bus->source.timing.width, pixel_bytes = bus->source.bits_per_pixel / 8;
    size_t row_bytes = (size_t)width * (size_t)pixel_bytes;
    size_t at = (size_t)bus->row_of_buffer * row_bytes;
    const uint8_t *buffer = bus->lines_now.buffers[bus->buffer];
    double rate = bus->source.refill_bytes_s;
    if (rate > 0 && bus->refilled[bus->buffer]) {
        double done = (double)(at + row_bytes) / rate * 1e12;
        if ((double)bus->filled_from_ps[bus->buffer] + done > (double)bus->board->now_ps) {
            buffer = bus->lines_now.older + (bus->buffer ? bus->lines_now.bytes : 0);
            bus->late += width;
        }
    }
    for (int x = 0; x < width; x++) {
        bus->data[x] = data_of(bus, buffer + at + (size_t)(x * pixel_bytes));
    }
    memcpy(bus->as_scanned + (size_t)row * row_bytes, buffer + at, row_bytes);
    bus->next_pixel += width; /* where jl_rgb_hold() would go on */
    bus->bytes += row_bytes;
    bus->row_of_buffer++;
    if ((size_t)bus->row_of_buffer * row_bytes < bus->lines_now.bytes) {
        return;
    }
    int through = bus->buffer;
    bus->row_of_buffer = 0;
    bus->buffer ^= 1;
    memcpy(bus->lines_now.older + (through ? bus->lines_now.bytes : 0),
           bus->lines_now.buffers[through], bus->lines_now.bytes);
    /* One interrupt after the other: it begins when the one before is done. */
    uint64_t now = bus->board->now_ps, other = bus->filled_from_ps[through ^ 1];
    uint64_t needs = rate > 0 ? (uint64_t)((double)bus->lines_now.bytes / rate * 1e12) : 0;
    bool waits = bus->refilled[through ^ 1] && other + needs > now;
    bus->filled_from_ps[through] = waits ? other + needs : now;
    bus->refilled[through] = true;
    bus->lines_now.through(bus->lines_now.context);
}

/* ---- what is said of memory ---- */

/* Keeps what leaves memory. Returns whether it is what left in the picture before. */
static bool remember_line(struct jl_rgb_bus *bus, int row) {
    size_t row_bytes = (size_t)bus->source.timing.width * (size_t)bus->source.bits_per_pixel / 8;
    size_t at = (size_t)row * row_bytes;
    if (at + row_bytes > bus->frame_bytes) {
        return false;
    }
    if (memcmp(bus->as_scanned + at, bus->frame + at, row_bytes) == 0) {
        return bus->is_scanned;
    }
    memcpy(bus->as_scanned + at, bus->frame + at, row_bytes);
    bus->newer_rows += bus->is_scanned;
    return false;
}

/* Behind the last row: rows that changed after they had been scanned, in a picture of which other
 * rows had changed before. */
static void look_for_tears(struct jl_rgb_bus *bus) {
    size_t row_bytes = (size_t)bus->source.timing.width * (size_t)bus->source.bits_per_pixel / 8;
    int first = -1, last = -1;
    for (int row = 0; row < bus->source.timing.height; row++) {
        size_t at = (size_t)row * row_bytes;
        if (at + row_bytes <= bus->frame_bytes &&
            memcmp(bus->as_scanned + at, bus->frame + at, row_bytes) != 0) {
            first = first < 0 ? row : first;
            last = row;
        }
    }
    if (first >= 0 && bus->newer_rows && !bus->tear_reported) {
        bus->tear_reported = true;
        jl_sim_device_report(bus->glass, JL_SEVERITY_WARNING, JL_CODE_TORN,
                             "torn: rows %d to %d were drawn on after they had been scanned, in a "
                             "picture whose other rows are newer: swap two buffers at the vertical "
                             "sync",
                             first, last);
    }
}

static void report_late(struct jl_rgb_bus *bus) {
    const struct jl_rgb_source *source = &bus->source;
    if (!bus->late || bus->late_reported) {
        return;
    }
    bus->late_reported = true;
    double needs = source->timing.clock_hz * source->bits_per_pixel / 8e6;
    if (bus->lines_now.through) {
        double row_us = bus->clocks / source->timing.clock_hz * 1e6;
        size_t rows = bus->lines_now.bytes * 8 /
                      ((size_t)source->timing.width * (size_t)source->bits_per_pixel);
        jl_sim_device_report(bus->glass, JL_SEVERITY_ERROR, JL_CODE_MEMORY_TOO_SLOW,
                             "the line buffers are filled too slowly: %zu rows take %.1f us at "
                             "%.1f MB/s, and are through in %.1f us; older rows are shown again",
                             rows, (double)bus->lines_now.bytes / source->refill_bytes_s * 1e6,
                             source->refill_bytes_s / 1e6, (double)rows * row_us);
        return;
    }
    jl_sim_device_report(bus->glass, JL_SEVERITY_ERROR, JL_CODE_MEMORY_TOO_SLOW,
                         "memory is too slow: %ld pixels of a picture were late, and what follows "
                         "is shifted; %.1f MB/s are needed while pixels go out, it gives %.1f",
                         bus->late, needs, source->memory_bytes_s / 1e6);
}

/* More than this share of what memory gives, and whoever else uses it makes the FIFO run dry. */
#define HUNGRY 0.6

static void report_hunger(struct jl_rgb_bus *bus) {
    const struct jl_rgb_source *source = &bus->source;
    double pixels = (double)source->timing.width * source->timing.height;
    double mean = pixels / ((double)bus->clocks * bus->lines) * source->timing.clock_hz *
                  source->bits_per_pixel / 8;
    double share = source->memory_bytes_s > 0 ? mean / source->memory_bytes_s : 0;
    if (share > HUNGRY && share <= 1 && !bus->late && !bus->hungry_reported &&
        !bus->lines_now.through) {
        bus->hungry_reported = true;
        jl_sim_device_report(bus->glass, JL_SEVERITY_WARNING, JL_CODE_MEMORY_TOO_SLOW,
                             "pictures take %.1f MB/s, %.0f %% of what memory gives: above 60 %% "
                             "whoever else reads it makes pixels late",
                             mean / 1e6, share * 100);
    }
}

/* ---- line after line ---- */

static void take_next(struct jl_rgb_bus *bus) {
    if (bus->has_next) {
        bus->frame = bus->next_frame;
        bus->frame_bytes = bus->next_frame_bytes;
        bus->has_next = false;
        bus->lines_now.through = NULL;
    }
    if (bus->next_lines.through) {
        free(bus->lines_now.older);
        bus->lines_now = bus->next_lines;
        bus->next_lines = (struct line_buffers){.through = NULL};
        bus->buffer = bus->row_of_buffer = 0;
        bus->refilled[0] = bus->refilled[1] = false;
    }
}

static void begin_picture(struct jl_rgb_bus *bus) {
    take_next(bus);
    if (memcmp(bus->palette, bus->next_palette, sizeof bus->palette) != 0) {
        bus->is_scanned = false;
        memcpy(bus->palette, bus->next_palette, sizeof bus->palette);
    }
    /* A picture that is whole tells it all. */
    bus->is_scanned &= !bus->glass->rgb_anew;
    bus->glass->rgb_anew = false;
    bus->next_pixel = 0;
    bus->newer_rows = 0;
    bus->late = 0;
    bus->fifo = bus->source.fifo_bytes; /* filled while no line is shown */
}

static void end_picture(struct jl_rgb_bus *bus) {
    report_late(bus);
    report_hunger(bus);
    bus->is_scanned = true;
    bus->pictures++;
}

static bool records_in_full(const struct jl_rgb_bus *bus, int line) {
    return !bus->recorded && line >= bus->record_first &&
           line < bus->record_first + bus->record_count;
}

static uint64_t line_start_ps(const struct jl_rgb_bus *bus, uint64_t line) {
    return bus->start_ps + (uint64_t)((double)line * bus->clocks * bus->clock_ps + 0.5);
}

/* The board's time is the line's end. */
static void clock_out(struct jl_rgb_bus *bus) {
    const struct jl_rgb_source *source = &bus->source;
    const struct jl_rgb_timing *t = &source->timing;
    int line = (int)(bus->lines_begun % (unsigned)bus->lines);
    if (line == 0) {
        begin_picture(bus);
    }
    int row = line - t->picture.sync - t->picture.back;
    bool active = row >= 0 && row < t->height;
    struct rgb_line wave = {.clock_hz = t->clock_hz,
                            .falling = t->falling,
                            .clocks = bus->clocks,
                            .hsync_driven = source->drives_syncs,
                            .hsync_high = t->hsync_high,
                            .hsync_clocks = t->line.sync,
                            .vsync_driven = source->drives_syncs,
                            .vsync = (line < t->picture.sync) == t->vsync_high,
                            .de_driven = source->drives_de,
                            .de_high = !t->de_low,
                            .first = t->line.sync + t->line.back,
                            .pixels = active ? t->width : 0,
                            .data = bus->data};
    bool in_full = jl_sim_board_records(bus->board) && records_in_full(bus, line);
    if (active && bus->lines_now.through) {
        read_buffer_line(bus, row);
    } else if (active) {
        /* With memory that may be late, pixels stand elsewhere in each picture. */
        wave.same = remember_line(bus, row) && source->memory_bytes_s <= 0 && !in_full;
        if (wave.same) {
            skip_frame_line(bus);
        } else {
            read_frame_line(bus);
        }
        if (row == t->height - 1) {
            look_for_tears(bus);
        }
    }
    if (jl_sim_board_records(bus->board)) {
        jl_sim_rgb_record_line(bus->board, &bus->wires, &wave, line_start_ps(bus, bus->lines_begun),
                               bus->clock_ps, in_full);
        bus->recorded |= line == bus->record_first + bus->record_count - 1;
    }
    bus->glass->machine->take_line(bus->glass, &wave);
    if (line == bus->lines - 1) {
        end_picture(bus);
    }
    bus->lines_begun++;
}

static uint64_t next_ps(const struct timed *timed) {
    const struct jl_rgb_bus *bus = (const struct jl_rgb_bus *)timed;
    return line_start_ps(bus, bus->lines_begun + 1);
}

static uint64_t begun_ps(const struct timed *timed) {
    const struct jl_rgb_bus *bus = (const struct jl_rgb_bus *)timed;
    return line_start_ps(bus, bus->lines_begun);
}

static void deliver_until(struct timed *timed, uint64_t until_ps) {
    struct jl_rgb_bus *bus = (struct jl_rgb_bus *)timed;
    uint64_t kept = bus->board->now_ps;
    while (next_ps(timed) <= until_ps) {
        bus->board->now_ps = next_ps(timed);
        clock_out(bus);
    }
    bus->board->now_ps = kept;
}

static void release(struct timed *timed) {
    struct jl_rgb_bus *bus = (struct jl_rgb_bus *)timed;
    free(bus->data);
    free(bus->as_scanned);
    free(bus->lines_now.older);
    free(bus->next_lines.older);
    free(bus->held);
    free(bus);
}

static const struct timed_ops rgb_ops = {next_ps, begun_ps, deliver_until, release};

/* ---- the calls ---- */

static bool possible(const struct jl_rgb_timing *t) {
    const struct jl_rgb_porches *porches[] = {&t->line, &t->picture};
    for (int i = 0; i < 2; i++) {
        if (porches[i]->sync < 0 || porches[i]->back < 0 || porches[i]->front < 0) {
            return false;
        }
    }
    return t->width >= 1 && t->height >= 1 && t->clock_hz >= 1000 && t->clock_hz <= 1e9 &&
           total(t->width, &t->line) <= UINT16_MAX && total(t->height, &t->picture) <= UINT16_MAX;
}

static bool known_bits(const struct jl_rgb_source *source, const struct jl_rgb_panel *panel) {
    int bits = source->bits_per_pixel, lines = source->data_lines;
    for (int c = 0; c < 3; c++) {
        if (panel->bits[c] < 5 || panel->bits[c] > 8) {
            return false;
        }
        for (int i = 0; i < panel->bits[c]; i++) {
            if (panel->wires[c][i] < JL_RGB_GROUND || panel->wires[c][i] >= lines) {
                return false;
            }
        }
    }
    return (bits == 8 || bits == 16 || bits == 24 || bits == 32) &&
           (lines == 16 || lines == 18 || lines == 24);
}

struct jl_rgb_bus *jl_board_add_rgb(struct jl_board *board, const struct jl_rgb_source *source,
                                    struct jl_device *glass, const struct jl_rgb_panel *panel) {
    if (board->rgb_count == MOST_RGB || !glass->machine->take_line || !possible(&source->timing) ||
        !possible(&panel->timing) || !known_bits(source, panel)) {
        return NULL;
    }
    struct jl_rgb_bus *bus = calloc(1, sizeof *bus);
    size_t width = (size_t)source->timing.width;
    size_t bytes = width * (size_t)source->timing.height * (size_t)source->bits_per_pixel / 8;
    uint32_t *data = calloc(width, sizeof *data);
    uint8_t *as_scanned = calloc(bytes, 1);
    if (!bus || !data || !as_scanned) {
        free(bus);
        free(data);
        free(as_scanned);
        return NULL;
    }
    *bus = (struct jl_rgb_bus){.timed.ops = &rgb_ops,
                               .board = board,
                               .source = *source,
                               .glass = glass,
                               .data = data,
                               .as_scanned = as_scanned};
    bus->clocks = total(source->timing.width, &source->timing.line);
    bus->lines = total(source->timing.height, &source->timing.picture);
    bus->clock_ps = 1e12 / source->timing.clock_hz;
    bus->record_first = source->timing.picture.sync + source->timing.picture.back;
    bus->record_count = 2;
    jl_sim_rgb_wires_create(board, source, &bus->wires);
    board->rgb_count++;
    board->timed[board->timed_count++] = &bus->timed;
    glass->rgb_wires = &bus->wires;
    glass->rgb_lines = source->data_lines;
    glass->machine->attach_rgb(glass, panel, source->data_lines);
    return bus;
}

static void start(struct jl_rgb_bus *bus) {
    if (!bus->timed.in_flight) {
        bus->start_ps = bus->board->now_ps;
        bus->timed.in_flight = true;
        take_next(bus);
    }
}

void jl_rgb_show(struct jl_rgb_bus *bus, const void *pixels, size_t bytes) {
    bus->next_frame = pixels;
    bus->next_frame_bytes = bytes;
    bus->has_next = true;
    bus->next_lines.through = NULL;
    start(bus);
}

bool jl_rgb_is_shown(const struct jl_rgb_bus *bus) {
    return !bus->has_next;
}

void jl_rgb_palette(struct jl_rgb_bus *bus, const uint32_t *colors) {
    for (int i = 0; i < 256; i++) {
        bus->next_palette[i] = colors[i] & 0xFFFFFF;
    }
}

void jl_rgb_show_lines(struct jl_rgb_bus *bus, uint8_t *const buffers[2], size_t buffer_bytes,
                       jl_rgb_interrupt through, void *context) {
    uint8_t *older = buffer_bytes <= MOST_BUFFER_BYTES ? calloc(2, buffer_bytes) : NULL;
    if (!older) {
        return;
    }
    free(bus->next_lines.older);
    bus->has_next = false;
    bus->next_lines = (struct line_buffers){.buffers = {buffers[0], buffers[1]},
                                            .older = older,
                                            .bytes = buffer_bytes,
                                            .through = through,
                                            .context = context};
    start(bus);
}

bool jl_rgb_hold(struct jl_rgb_bus *bus) {
    const struct jl_rgb_timing *t = &bus->source.timing;
    size_t bytes = (size_t)t->width * (size_t)t->height * (size_t)bus->source.bits_per_pixel / 8;
    const uint8_t *from = bus->lines_now.through ? bus->as_scanned
                          : bus->has_next        ? bus->next_frame
                                                 : bus->frame;
    size_t has = bus->lines_now.through ? bytes
                 : bus->has_next        ? bus->next_frame_bytes
                                        : bus->frame_bytes;
    if (!bus->timed.in_flight || bus->held) {
        return true;
    }
    bus->held = calloc(bytes, 1);
    bus->timed.in_flight = bus->held != NULL;
    if (bus->held) {
        memcpy(bus->held, from, has < bytes ? has : bytes);
        bus->frame = bus->held;
        bus->frame_bytes = bytes;
        bus->lines_now.through = NULL;
        bus->has_next = false;
        bus->next_lines.through = NULL;
    }
    return bus->held != NULL;
}

uint64_t jl_rgb_byte_count(const struct jl_rgb_bus *bus) {
    return bus->bytes;
}

uint32_t jl_rgb_picture_count(const struct jl_rgb_bus *bus) {
    return bus->pictures;
}

void jl_rgb_record_lines(struct jl_rgb_bus *bus, int first, int count) {
    bus->record_first = first;
    bus->record_count = count;
    bus->recorded = false;
}
