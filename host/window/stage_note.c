/* What the process that is shown has to say. */
#include <stdarg.h>

#include "stage.h"

void jl_host_stage_note(struct stage *stage, const char *format, ...) {
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(stage->next.note, sizeof stage->next.note, format, arguments);
    va_end(arguments);
    stage->next.notes++;
}

void jl_host_stage_line(struct stage *stage, enum jl_severity severity, const char *text) {
    struct link *link = stage->link;
    unsigned count = atomic_load(&link->line_count);
    if (count < LINK_LINES) {
        struct link_line *line = &link->lines[count];
        line->severity = severity;
        line->at_ps = jl_board_now_ps(stage->rigs[0].board);
        snprintf(line->text, sizeof line->text, "%s", text);
        atomic_store(&link->line_count, count + 1);
    }
}
