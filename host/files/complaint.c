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
