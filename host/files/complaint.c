/* Complaints: formatting in one place. */
#include "jadelamp/host/complaint.h"

#include <stdarg.h>
#include <stdio.h>

bool jl_complain(struct jl_complaint *complaint, const char *format, ...) {
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(complaint->text, sizeof complaint->text, format, arguments);
    va_end(arguments);
    return false;
}

bool jl_complain_at(struct jl_complaint *complaint, const char *path, int line, const char *format,
                    ...) {
    char text[400];
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(text, sizeof text, format, arguments);
    va_end(arguments);
    return jl_complain(complaint, "%s:%d: %s", path, line, text);
}
