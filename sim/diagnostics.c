/* What was found wrong, each thing once. */
#include <stdarg.h>
#include <stdio.h>
#include <string.h>

#include "board_parts.h"

const char *jl_severity_name(enum jl_severity severity) {
    static const char *const names[] = {"note", "warning", "error"};
    return names[severity];
}

size_t jl_board_diagnostics(const struct jl_board *board, const struct jl_diagnostic **list) {
    *list = board->diagnostics;
    return board->diagnostic_count;
}

size_t jl_board_diagnostic_total(const struct jl_board *board) {
    return board->diagnostic_total;
}

void jl_board_on_diagnostic(struct jl_board *board, jl_diagnostic_fn fn, void *context) {
    board->on_diagnostic = fn;
    board->diagnostic_context = context;
}

/* So many of a kind are told one by one; more of them, with other numbers in their text, count
 * with the last: a flood leaves place for others. */
enum { MOST_OF_A_CODE = 32 };

/* The one that says the same, or a new one; NULL: no place. */
static struct jl_diagnostic *place_for(struct jl_board *board, const struct jl_diagnostic *found) {
    struct jl_diagnostic *last = NULL;
    int alike = 0;
    for (size_t i = board->diagnostic_count; i > 0; i--) {
        struct jl_diagnostic *one = &board->diagnostics[i - 1];
        if (one->code != found->code || strcmp(one->device, found->device) != 0) {
            continue;
        }
        if (strcmp(one->text, found->text) == 0) {
            return one;
        }
        if (found->code == JL_CODE_RELATIVE) { /* one guess a device, the newest */
            memcpy(one->text, found->text, sizeof one->text);
            return one;
        }
        last = last ? last : one;
        if (++alike == MOST_OF_A_CODE) {
            return last;
        }
    }
    if (board->diagnostic_count == MOST_DIAGNOSTICS) {
        return NULL;
    }
    struct jl_diagnostic *fresh = &board->diagnostics[board->diagnostic_count++];
    *fresh = *found;
    return fresh;
}

static void add(struct jl_board *board, struct jl_diagnostic *found) {
    board->diagnostic_total++;
    found->at_ps += board->now_ps;
    struct jl_diagnostic *one = place_for(board, found);
    if (one) {
        one->last_ps = found->at_ps;
        one->count++;
    }
    if (board->on_diagnostic) {
        board->on_diagnostic(board->diagnostic_context, one ? one : found);
    }
}

void jl_sim_device_report(struct jl_device *device, enum jl_severity severity, enum jl_code code,
                          const char *format, ...) {
    if (device->faults.silent) {
        return;
    }
    struct jl_diagnostic found = {.severity = severity,
                                  .code = code,
                                  .device = device->name,
                                  .part = device->part->name,
                                  .byte = device->bus_bytes ? *device->bus_bytes : 0};
    if (device->at_word_bytes) { /* else no bytes have come by a stream */
        size_t units = device->at_base + device->at / device->at_word_bytes;
        found.at_ps = units * device->at_unit_ps;
        found.byte += units * device->at_unit_bytes;
    }
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(found.text, sizeof found.text, format, arguments);
    va_end(arguments);
    add(device->board, &found);
}

void jl_sim_bus_report(struct jl_board *board, const char *kind, uint64_t byte,
                       enum jl_severity severity, enum jl_code code, const char *format, ...) {
    struct jl_diagnostic found = {
        .severity = severity, .code = code, .device = kind, .part = kind, .byte = byte};
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(found.text, sizeof found.text, format, arguments);
    va_end(arguments);
    add(board, &found);
}
