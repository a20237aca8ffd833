/* The board: clock, devices, diagnostics. */
#include "stream.h"

#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

struct jl_board *jl_board_create(uint64_t noise_seed) {
    struct jl_board *board = calloc(1, sizeof *board);
    if (board) {
        board->noise_seed = noise_seed;
    }
    return board;
}

void jl_board_destroy(struct jl_board *board) {
    if (!board) {
        return;
    }
    for (size_t i = 0; i < board->device_count; i++) {
        free(board->devices[i]->state);
        free(board->devices[i]->fixed);
        free(board->devices[i]);
    }
    for (size_t i = 0; i < board->i2c_count; i++) {
        free(board->i2c[i]);
    }
    for (size_t i = 0; i < board->stream_count; i++) {
        stream_free(board->streams[i]);
    }
    free(board);
}

uint64_t jl_board_now_ps(const struct jl_board *board) {
    return board->now_ps;
}

void jl_board_wait_ps(struct jl_board *board, uint64_t picoseconds) {
    board_advance(board, board->now_ps + picoseconds);
}

/* The bus whose next piece is through first, until then; NULL: none. */
static struct jl_stream_bus *next_stream(struct jl_board *board, uint64_t until_ps) {
    struct jl_stream_bus *first = NULL;
    for (size_t i = 0; i < board->stream_count; i++) {
        struct jl_stream_bus *bus = board->streams[i];
        if (jl_stream_busy(bus) && stream_next_ps(bus) <= until_ps &&
            (!first || stream_next_ps(bus) < stream_next_ps(first))) {
            first = bus;
        }
    }
    return first;
}

/* TE outputs only matter to a recording here; firmware asks for their level. */
static void record_te(struct jl_board *board, uint64_t until_ps) {
    for (size_t i = 0; i < board->device_count; i++) {
        struct jl_device *device = board->devices[i];
        if (!device->ops->te || device->unplugged) {
            continue;
        }
        uint64_t at = board->now_ps;
        while ((at = device->ops->te_change(device, at)) <= until_ps) {
            wire_set(board, device->pin_wires[JL_DEVICE_TE], device->ops->te(device, at), at);
        }
    }
}

void board_advance(struct jl_board *board, uint64_t until_ps) {
    struct jl_stream_bus *bus;
    if (board_records(board)) {
        record_te(board, until_ps);
    }
    while ((bus = next_stream(board, until_ps)) != NULL) {
        uint64_t through = stream_next_ps(bus);
        stream_deliver_until(bus, through);
        board->now_ps = through > board->now_ps ? through : board->now_ps;
    }
    for (size_t i = 0; i < board->stream_count; i++) {
        if (jl_stream_busy(board->streams[i])) {
            stream_deliver_until(board->streams[i], until_ps);
        }
    }
    board->now_ps = until_ps;
}

size_t jl_board_diagnostics(const struct jl_board *board, const struct jl_diagnostic **list) {
    *list = board->diagnostics;
    return board->diagnostic_total < MOST_DIAGNOSTICS ? board->diagnostic_total : MOST_DIAGNOSTICS;
}

size_t jl_board_diagnostic_total(const struct jl_board *board) {
    return board->diagnostic_total;
}

void device_report(struct jl_device *device, enum jl_severity severity, const char *format, ...) {
    struct jl_board *board = device->board;
    size_t at = board->diagnostic_total++;
    if (at >= MOST_DIAGNOSTICS) {
        return;
    }
    struct jl_diagnostic *entry = &board->diagnostics[at];
    entry->at_ps = board->now_ps;
    entry->severity = severity;
    entry->device = device->name;
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(entry->text, sizeof entry->text, format, arguments);
    va_end(arguments);
}

/* splitmix64: a well-known public-domain mixer; here it only has to look like noise. */
static uint64_t next_noise(uint64_t *state) {
    uint64_t z = *state += 0x9E3779B97F4A7C15u;
    z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9u;
    z = (z ^ (z >> 27)) * 0x94D049BB133111EBu;
    return z ^ (z >> 31);
}

void device_noise(struct jl_device *device, uint8_t *bytes, size_t count) {
    for (size_t i = 0; i < count; i++) {
        bytes[i] = (uint8_t)next_noise(&device->noise_seed);
    }
}

static void power_on(struct jl_device *device) {
    memset(device->state, 0, device->ops->state_bytes);
    device->ops->power_on(device);
}

struct jl_device *jl_board_add_device(struct jl_board *board, const struct jl_device_ops *ops,
                                      const char *name, const struct jl_glass *glass) {
    if (board->device_count == MOST_DEVICES || !ops->fits(glass)) {
        return NULL;
    }
    struct jl_device *device = calloc(1, sizeof *device);
    void *state = calloc(1, ops->state_bytes);
    void *fixed = calloc(1, ops->fixed_bytes + 1);
    if (!device || !state || !fixed) {
        free(device);
        free(state);
        free(fixed);
        return NULL;
    }
    device->ops = ops;
    device->board = board;
    device->state = state;
    device->fixed = fixed;
    device->glass = *glass;
    device->noise_seed = board->noise_seed + board->device_count;
    snprintf(device->name, sizeof device->name, "%s", name);
    for (int i = 0; i < DEVICE_PINS; i++) {
        device->pins[i] = i < JL_DEVICE_TE || i >= JL_DEVICE_D0;
        bool has = i <= JL_DEVICE_TE || ops->pin_changed;
        device->pin_wires[i] = has ? wire_create(board, device->pins[i]) : NO_WIRE;
    }
    board->devices[board->device_count++] = device;
    power_on(device);
    return device;
}

void jl_device_set_pin(struct jl_device *device, enum jl_device_pin pin, bool high) {
    if (device->pins[pin] == high) {
        return;
    }
    if (pin != JL_DEVICE_RESET && device->stream && jl_stream_busy(device->stream) &&
        device_is_selected(device)) {
        device_report(device, JL_SEVERITY_ERROR,
                      "%s changed while a transfer was still on the wire: wait for its end first",
                      pin == JL_DEVICE_CS ? "CS" : "D/C");
    }
    device->pins[pin] = high;
    wire_set(device->board, device->pin_wires[pin], high, device->board->now_ps);
    if (device->unplugged) {
        return;
    }
    if (device->ops->pin_changed) {
        device->ops->pin_changed(device, pin, high);
    } else if (pin == JL_DEVICE_RESET) {
        device->ops->reset(device, !high);
    } else if (pin == JL_DEVICE_CS && !device_is_selected(device)) {
        stream_deselected(device);
    } else if (pin == JL_DEVICE_CS && device->ops->selected) {
        device->ops->selected(device);
    }
}

bool jl_device_pin(struct jl_device *device, enum jl_device_pin pin) {
    if (pin == JL_DEVICE_TE) {
        return !device->unplugged && device->ops->te &&
               device->ops->te(device, device->board->now_ps);
    }
    return device->ops->pin_level && !device->unplugged ? device->ops->pin_level(device, pin)
                                                        : device->pins[pin];
}

void jl_device_set_plugged(struct jl_device *device, bool plugged) {
    if (plugged && device->unplugged) {
        power_on(device);
    }
    device->unplugged = !plugged;
}

const char *jl_device_part(const struct jl_device *device) {
    return device->ops->part;
}

const struct jl_glass *jl_device_glass(const struct jl_device *device) {
    return &device->glass;
}

static bool take_picture(struct jl_device *device, struct jl_picture *picture,
                         void (*show)(struct jl_device *device, struct jl_picture *picture)) {
    if (!jl_picture_create(picture, device->glass.width, device->glass.height)) {
        return false;
    }
    if (!jl_device_why_dark(device)) {
        show(device, picture);
        glass_hide_corners(&device->glass, picture);
    }
    return true;
}

bool jl_device_picture(struct jl_device *device, struct jl_picture *picture) {
    return take_picture(device, picture, device->ops->show);
}

bool jl_device_seen(struct jl_device *device, struct jl_picture *picture) {
    return take_picture(device, picture, device->ops->seen ? device->ops->seen : device->ops->show);
}

uint8_t jl_device_brightness(struct jl_device *device) {
    return jl_device_why_dark(device) ? 0 : device->ops->brightness(device);
}

const char *jl_device_why_dark(struct jl_device *device) {
    return device->unplugged ? "the panel is unplugged" : device->ops->why_dark(device);
}
