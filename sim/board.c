/* The board: clock, devices, diagnostics. */
#include "board_parts.h"

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
        free(board->devices[i]);
    }
    for (size_t i = 0; i < board->i2c_count; i++) {
        free(board->i2c[i]);
    }
    for (size_t i = 0; i < board->spi_count; i++) {
        free(board->spi[i]);
    }
    free(board);
}

uint64_t jl_board_now_ps(const struct jl_board *board) {
    return board->now_ps;
}

void jl_board_wait_ps(struct jl_board *board, uint64_t picoseconds) {
    board->now_ps += picoseconds;
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
    if (!device || !state) {
        free(device);
        free(state);
        return NULL;
    }
    device->ops = ops;
    device->board = board;
    device->state = state;
    device->glass = *glass;
    device->noise_seed = board->noise_seed + board->device_count;
    snprintf(device->name, sizeof device->name, "%s", name);
    for (int i = 0; i < DEVICE_PINS; i++) {
        device->pins[i] = true;
        device->pin_wires[i] = wire_create(board, true);
    }
    board->devices[board->device_count++] = device;
    power_on(device);
    return device;
}

void jl_device_set_pin(struct jl_device *device, enum jl_device_pin pin, bool high) {
    if (device->pins[pin] == high) {
        return;
    }
    device->pins[pin] = high;
    wire_set(device->board, device->pin_wires[pin], high, device->board->now_ps);
    if (device->unplugged) {
        return;
    }
    if (pin == JL_DEVICE_RESET) {
        device->ops->reset(device, !high);
    } else if (pin == JL_DEVICE_CS && device->spi) {
        device->ops->spi_select(device, !high);
    }
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

bool jl_device_picture(struct jl_device *device, struct jl_picture *picture) {
    if (!jl_picture_create(picture, device->glass.width, device->glass.height)) {
        return false;
    }
    if (!jl_device_why_dark(device)) {
        device->ops->show(device, picture);
    }
    return true;
}

uint8_t jl_device_brightness(struct jl_device *device) {
    return jl_device_why_dark(device) ? 0 : device->ops->brightness(device);
}

const char *jl_device_why_dark(struct jl_device *device) {
    return device->unplugged ? "the panel is unplugged" : device->ops->why_dark(device);
}
