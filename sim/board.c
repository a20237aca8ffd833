/* The board: clock and diagnostics. */
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

bool jl_board_go_to_ps(struct jl_board *board, uint64_t at_ps) {
    if (at_ps < board->now_ps) {
        return false;
    }
    board_advance(board, at_ps);
    return true;
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

/* Outputs of devices only matter to a recording here; firmware asks for their level. */
static void record_outputs(struct jl_board *board, uint64_t until_ps) {
    for (size_t i = 0; i < board->device_count; i++) {
        struct jl_device *device = board->devices[i];
        const struct machine *machine = device->machine;
        for (int pin = 0; pin < DEVICE_PINS && !device->unplugged; pin++) {
            if (!(machine->outputs >> pin & 1)) {
                continue;
            }
            uint64_t at = board->now_ps;
            wire_set(board, device->pin_wires[pin],
                     machine->output(device, (enum jl_device_pin)pin, at), at);
            while ((at = machine->output_change(device, (enum jl_device_pin)pin, at)) <= until_ps) {
                wire_set(board, device->pin_wires[pin],
                         machine->output(device, (enum jl_device_pin)pin, at), at);
            }
        }
    }
}

void board_advance(struct jl_board *board, uint64_t until_ps) {
    struct jl_stream_bus *bus;
    if (board_records(board)) {
        record_outputs(board, until_ps);
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
    if (board_records(board)) {
        /* Bytes that are on the wire now are told when they are through. */
        uint64_t known_ps = until_ps;
        for (size_t i = 0; i < board->stream_count; i++) {
            uint64_t begun_ps = stream_begun_ps(board->streams[i]);
            known_ps = begun_ps < known_ps ? begun_ps : known_ps;
        }
        recorder_write_until(board, known_ps);
    }
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
