/* What the controllers found wrong. */
#include "board_parts.h"

#include <stdarg.h>
#include <stdio.h>

size_t jl_board_diagnostics(const struct jl_board *board, const struct jl_diagnostic **list) {
    *list = board->diagnostics;
    return board->diagnostic_total < MOST_DIAGNOSTICS ? board->diagnostic_total : MOST_DIAGNOSTICS;
}

size_t jl_board_diagnostic_total(const struct jl_board *board) {
    return board->diagnostic_total;
}

void jl_sim_device_report(struct jl_device *device, enum jl_severity severity, const char *format,
                          ...) {
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
