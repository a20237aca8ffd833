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
